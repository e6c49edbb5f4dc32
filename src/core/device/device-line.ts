import { z } from 'zod';
import { type TorqueUnit, torqueUnitSchema } from '../quantity/unit.ts';
import { torqueUnitsIn } from '../quantity/unit-spelling.ts';
import type { Shape } from '../shape.ts';

/** Longest line that is looked at, in characters; a longer one is no line of a device. */
export const LINE_MAX_LENGTH = 64_000;
/** Most points in one line: a second at a thousand a second. */
const POINTS_MAX = 1_000;
const TORQUE_MAX = 1e6;

/** What can be connected to the bench. */
export const DEVICE_KINDS = ['wrench', 'screwdriver', 'tester', 'indicator', 'thermometer'] as const;
export type DeviceKind = (typeof DEVICE_KINDS)[number];

const said = {
  /** What is marked on it as its serial number. */
  device: z.string().trim().min(1).max(40),
  /** Counts its readings since it was started; a gap says that some were lost. */
  number: z.int().nonnegative(),
  /** Milliseconds on its own clock, whatever that began at. */
  at: z.number(),
};
/** Whose work the device believes it does, where it was told. */
const job = z.string().max(40).optional();
const torque = z.number().min(-TORQUE_MAX).max(TORQUE_MAX);
const unit = z.string().max(20);

/** One line of a device. */
const lineSchema = z.discriminatedUnion('kind', [
  /** It is there; `number` is that of its last reading. */
  z.object({ kind: z.literal('hello'), ...said, is: z.enum(DEVICE_KINDS), unit }),
  /** The highest torque of one pull, and how far it turned after it seated where it knows. */
  z.object({
    kind: z.literal('peak'),
    ...said,
    unit,
    job,
    peak: torque.positive(),
    angle: z.number().min(-100_000).max(100_000).optional(),
  }),
  /** A part of the curve of one pull: milliseconds from its begin, torque, degrees where it knows. Parts count from 0. */
  z.object({
    kind: z.literal('points'),
    ...said,
    unit,
    job,
    part: z.int().nonnegative().max(10_000),
    points: z
      .array(
        z.union([
          z.tuple([z.number(), torque]),
          z.tuple([z.number(), torque, z.number().min(-100_000).max(100_000)]),
        ]),
      )
      .min(1)
      .max(POINTS_MAX),
  }),
  /** The curve is over: so many parts it had, and where the tool itself says that it gave. */
  z.object({
    kind: z.literal('end'),
    ...said,
    parts: z.int().positive().max(10_001),
    clickMs: z.number().nonnegative().optional(),
  }),
  /** What an indicator or a thermometer shows. */
  z.object({
    kind: z.literal('level'),
    ...said,
    unit: z.enum(['mm', '°C']),
    value: z.number().min(-10_000).max(10_000),
  }),
]);
export type DeviceLine = Shape<typeof lineSchema>;

/** A line as it came, read; null where it is none: cut short, of another form, or out of any bounds. */
export const readDeviceLine = (text: string): DeviceLine | null => {
  if (text.length > LINE_MAX_LENGTH) return null;
  try {
    const line = lineSchema.safeParse(JSON.parse(text));
    return line.success ? line.data : null;
  } catch {
    // Cut by a cable that came out, or no JSON at all.
    return null;
  }
};

/** The unit that a device names, by our code for it or as people write it; null where it names none, or it may be two. */
export const deviceUnit = (named: string): TorqueUnit | null => {
  const code = torqueUnitSchema.safeParse(named);
  if (code.success) return code.data;
  const [unitNamed, ...others] = torqueUnitsIn(named);
  return unitNamed && others.length === 0 ? unitNamed : null;
};
