import { z } from 'zod';
import { typedText } from '../bounds.ts';
import { type NewtonMetres, newtonMetres } from '../quantity/unit.ts';
import { accepted, type Result, refused } from '../result.ts';
import type { ToolDrive } from './tool.ts';
import { TOOL_DRIVES } from './tool.ts';

export const ADAPTER_KINDS = ['offset-head', 'ring-head', 'extension', 'bit', 'square-adapter'] as const;
export type AdapterKind = (typeof ADAPTER_KINDS)[number];

/** Something between the tool's drive and the fastener. */
export type Adapter = {
  readonly id: string;
  readonly code: string;
  readonly kind: AdapterKind;
  readonly driveIn: ToolDrive;
  /** What it engages: another drive, or the fastener. */
  readonly driveOut: string;
  /** Drive centre to fastener centre, in millimetres; 0 for what sits in line. */
  readonly offsetMillimetres: number;
};

/** An adapter as it is put on: at an angle to the tool's axis, 0° straight out. */
export type MountedAdapter = {
  readonly adapter: Adapter;
  readonly angleDegrees: number;
  /** Whether a stop holds the angle; by eye it is good to ten degrees. */
  readonly isAngleHeld?: boolean | undefined;
};

/** The force at the grip mark when a tool applies a torque, in newtons: F = T/L. Source: statics. Valid for: L > 0. */
export const handleForceNewtons = (torque: NewtonMetres, leverMillimetres: number): number =>
  torque / (leverMillimetres / 1000);

export type AdapterRefusal =
  | { readonly code: 'lever-unknown' }
  | { readonly code: 'adapter-turns-back' }
  | { readonly code: 'adapters-do-not-fit'; readonly driveOut: string; readonly driveIn: string };

/** The chain's reach along the tool's axis, in millimetres: Σ E·cos θ. */
const reach = (chain: readonly MountedAdapter[]): number =>
  chain.reduce(
    (sum, { adapter, angleDegrees }) =>
      sum + adapter.offsetMillimetres * Math.cos((angleDegrees * Math.PI) / 180),
    0,
  );

/** Whether every adapter goes on what is before it. Refuses: adapters-do-not-fit. */
export const fittingChain = (
  drive: ToolDrive,
  chain: readonly MountedAdapter[],
): Result<readonly MountedAdapter[], AdapterRefusal> => {
  let out: string = drive;
  for (const { adapter } of chain) {
    if (adapter.driveIn !== out)
      return refused({ code: 'adapters-do-not-fit', driveOut: out, driveIn: adapter.driveIn });
    out = adapter.driveOut;
  }
  return accepted(chain);
};

/** How much more torque reaches the fastener than the tool shows: (L + Σ E·cos θ)/L. 1 without an offset; an extension in line with the
 *  fastener changes nothing statically.
 *  Source: FAA AC 43.13-1B, fig. 7-2 for 0°; the projection on the tool's axis is statics. Departures: none. Valid for: L > 0.
 *  Refuses: lever-unknown (an offset on a tool whose lever length is not known), adapter-turns-back (no torque would be left). */
export const adapterFactor = (
  leverMillimetres: number | null,
  chain: readonly MountedAdapter[],
): Result<number, AdapterRefusal> => {
  const hasOffset = chain.some(({ adapter }) => adapter.offsetMillimetres > 0);
  if (!hasOffset) return accepted(1);
  if (leverMillimetres === null || leverMillimetres <= 0) return refused({ code: 'lever-unknown' });
  const factor = (leverMillimetres + reach(chain)) / leverMillimetres;
  // cos 90° is a hair off zero in binary; at a right angle the setting does not change.
  const plain = Math.abs(factor - 1) < 1e-12 ? 1 : factor;
  return plain <= 0.1 ? refused({ code: 'adapter-turns-back' }) : accepted(plain);
};

/** What to set a tool to so that a torque reaches the fastener: S = T·L/(L + E·cos θ), in newton metres.
 *  Source: FAA AC 43.13-1B, fig. 7-2. */
export const settingThrough = (torque: NewtonMetres, factor: number): NewtonMetres =>
  newtonMetres(torque / factor);

/** What a mistake with the adapter costs, in percent of the torque at the fastener: 10° of angle either way, and 10 mm of hand position
 *  either way; the larger of the two directions each. */
export type AdapterSensitivity = {
  readonly tenDegreesPercent: number;
  readonly tenMillimetresPercent: number;
};

const TEN_DEGREES = 10;
const TEN_MILLIMETRES = 10;

/** How sensitive an adapter is to its angle and to where the hand is. The force stays, so the torque follows the lever.
 *  Refuses: what adapterFactor refuses. */
export const adapterSensitivity = (
  leverMillimetres: number | null,
  chain: readonly MountedAdapter[],
): Result<AdapterSensitivity, AdapterRefusal> => {
  const factor = adapterFactor(leverMillimetres, chain);
  if (!factor.ok) return factor;
  const lever = leverMillimetres ?? 0;
  const turned = (by: number): number => {
    const other = adapterFactor(
      leverMillimetres,
      chain.map((mounted) => ({ ...mounted, angleDegrees: mounted.angleDegrees + by })),
    );
    return other.ok ? Math.abs(other.value / factor.value - 1) * 100 : 100;
  };
  // At the click the tool feels S = F·L', so F = S/L' and the fastener gets F·(L' + E·cos θ).
  const moved = (by: number): number => {
    const at = adapterFactor(lever + by, chain);
    return at.ok ? Math.abs(at.value / factor.value - 1) * 100 : 100;
  };
  return accepted({
    tenDegreesPercent: Math.max(turned(TEN_DEGREES), turned(-TEN_DEGREES)),
    tenMillimetresPercent:
      lever > TEN_MILLIMETRES ? Math.max(moved(TEN_MILLIMETRES), moved(-TEN_MILLIMETRES)) : 0,
  });
};

export const adapterSchema = z
  .strictObject({
    id: z.uuid(),
    code: typedText(20),
    kind: z.enum(ADAPTER_KINDS),
    driveIn: z.enum(TOOL_DRIVES),
    driveOut: typedText(40),
    offsetMillimetres: z.number().nonnegative().max(1000),
  })
  .meta({ id: 'Adapter' }) satisfies z.ZodType<Adapter>;

export const mountedAdapterSchema = z.strictObject({
  adapter: adapterSchema,
  angleDegrees: z.number().min(-180).max(180),
  isAngleHeld: z.boolean().optional(),
}) satisfies z.ZodType<MountedAdapter>;
