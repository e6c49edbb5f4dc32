import { z } from 'zod';
import type { WrittenTorque } from '../../quantity/torque.ts';
import { writtenTorqueSchema } from '../../quantity/torque.ts';
import type { TorqueUnit } from '../../quantity/unit.ts';

/** Angles to turn after a torque or from snug, in degrees: the first, and what is turned after it in steps of its own, in order. */
type Turned = {
  readonly angleDegrees: number;
  readonly furtherDegrees?: readonly number[] | undefined;
};

/** Whether a source says only about how much. */
type Approximate = { readonly isApproximate?: true | undefined };

/** What a source demands of a fastener, in the source's own unit and digits. */
export type Requirement =
  | ({ readonly kind: 'range'; readonly low: WrittenTorque; readonly high: WrittenTorque } & Approximate)
  | ({ readonly kind: 'nominal'; readonly nominal: WrittenTorque } & Approximate)
  | {
      readonly kind: 'nominal-percent';
      readonly nominal: WrittenTorque;
      readonly tolerancePercent: number;
      /** The tolerance downwards where it is another. */
      readonly minusPercent?: number | undefined;
    }
  | {
      readonly kind: 'nominal-absolute';
      readonly nominal: WrittenTorque;
      readonly plus: WrittenTorque;
      readonly minus: WrittenTorque;
    }
  /** A value to tighten to, and one not to exceed. */
  | { readonly kind: 'nominal-maximum'; readonly nominal: WrittenTorque; readonly maximum: WrittenTorque }
  | { readonly kind: 'maximum'; readonly maximum: WrittenTorque }
  | { readonly kind: 'minimum'; readonly minimum: WrittenTorque }
  | ({ readonly kind: 'torque-then-angle'; readonly torque: WrittenTorque } & Turned)
  /** An angle from snug, or from as tight as fingers make it: the source prints no torque at all. */
  | ({ readonly kind: 'snug-then-angle'; readonly from?: 'hand-tight' | undefined } & Turned)
  /** By the fingers alone: confirmed, never given a torque. */
  | { readonly kind: 'finger-tight' };

/** Every torque that a requirement prints, lowest first where it has two; a tolerance is not one of them. */
export const printedTorques = (requirement: Requirement): readonly WrittenTorque[] => {
  switch (requirement.kind) {
    case 'range':
      return [requirement.low, requirement.high];
    case 'nominal':
    case 'nominal-percent':
    case 'nominal-absolute':
      return [requirement.nominal];
    case 'nominal-maximum':
      return [requirement.nominal, requirement.maximum];
    case 'maximum':
      return [requirement.maximum];
    case 'minimum':
      return [requirement.minimum];
    case 'torque-then-angle':
      return [requirement.torque];
    case 'snug-then-angle':
    case 'finger-tight':
      return [];
  }
};

/** Every angle that a requirement asks to turn, in degrees, in order. */
export const turnedDegrees = (requirement: Requirement): readonly number[] =>
  requirement.kind === 'torque-then-angle' || requirement.kind === 'snug-then-angle'
    ? [requirement.angleDegrees, ...(requirement.furtherDegrees ?? [])]
    : [];

/** All that a requirement asks to turn, in degrees; 0 where it asks for no angle. */
export const wholeAngle = (requirement: Requirement): number =>
  turnedDegrees(requirement).reduce((total, angle) => total + angle, 0);

/** Whether a requirement asks for no torque: tightened by hand, and where it says so turned on by an angle. */
export const isTorqueless = ({ kind }: Requirement): boolean =>
  kind === 'finger-tight' || kind === 'snug-then-angle';

/** The unit a requirement was printed in; the other one where it prints no torque. */
export const printedUnit = (requirement: Requirement, otherwise: TorqueUnit): TorqueUnit =>
  printedTorques(requirement)[0]?.unit ?? otherwise;

/** Largest angle turned in one step, in degrees. */
export const ANGLE_MAX_DEGREES = 720;
const FURTHER_MAX = 4;

const percent = z.number().nonnegative().lt(100);
const degrees = z.number().positive().max(ANGLE_MAX_DEGREES);
const turned = {
  angleDegrees: degrees,
  furtherDegrees: z.array(degrees).min(1).max(FURTHER_MAX).optional(),
};
const approximate = { isApproximate: z.literal(true).optional() };

export const requirementSchema = z
  .discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('range'),
      low: writtenTorqueSchema,
      high: writtenTorqueSchema,
      ...approximate,
    }),
    z.strictObject({ kind: z.literal('nominal'), nominal: writtenTorqueSchema, ...approximate }),
    z.strictObject({
      kind: z.literal('nominal-percent'),
      nominal: writtenTorqueSchema,
      tolerancePercent: percent,
      minusPercent: percent.optional(),
    }),
    z.strictObject({
      kind: z.literal('nominal-absolute'),
      nominal: writtenTorqueSchema,
      plus: writtenTorqueSchema,
      minus: writtenTorqueSchema,
    }),
    z.strictObject({
      kind: z.literal('nominal-maximum'),
      nominal: writtenTorqueSchema,
      maximum: writtenTorqueSchema,
    }),
    z.strictObject({ kind: z.literal('maximum'), maximum: writtenTorqueSchema }),
    z.strictObject({ kind: z.literal('minimum'), minimum: writtenTorqueSchema }),
    z.strictObject({
      kind: z.literal('snug-then-angle'),
      from: z.literal('hand-tight').optional(),
      ...turned,
    }),
    z.strictObject({ kind: z.literal('finger-tight') }),
    z.strictObject({ kind: z.literal('torque-then-angle'), torque: writtenTorqueSchema, ...turned }),
  ])
  .meta({ id: 'Requirement' }) satisfies z.ZodType<Requirement>;
