import { z } from 'zod';
import type { WrittenTorque } from '../../quantity/torque.ts';
import { writtenTorqueSchema } from '../../quantity/torque.ts';
import type { TorqueUnit } from '../../quantity/unit.ts';

/** What a source demands of a fastener, in the source's own unit and digits. */
export type Requirement =
  | { readonly kind: 'range'; readonly low: WrittenTorque; readonly high: WrittenTorque }
  | { readonly kind: 'nominal'; readonly nominal: WrittenTorque }
  | {
      readonly kind: 'nominal-percent';
      readonly nominal: WrittenTorque;
      readonly tolerancePercent: number;
    }
  | {
      readonly kind: 'nominal-absolute';
      readonly nominal: WrittenTorque;
      readonly plus: WrittenTorque;
      readonly minus: WrittenTorque;
    }
  | { readonly kind: 'maximum'; readonly maximum: WrittenTorque }
  | { readonly kind: 'minimum'; readonly minimum: WrittenTorque }
  | { readonly kind: 'torque-then-angle'; readonly torque: WrittenTorque; readonly angleDegrees: number }
  /** An angle from snug: the source prints no torque at all. */
  | { readonly kind: 'snug-then-angle'; readonly angleDegrees: number }
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

/** The unit a requirement was printed in; the other one where it prints no torque. */
export const printedUnit = (requirement: Requirement, otherwise: TorqueUnit): TorqueUnit =>
  printedTorques(requirement)[0]?.unit ?? otherwise;

export const requirementSchema = z
  .discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('range'),
      low: writtenTorqueSchema,
      high: writtenTorqueSchema,
    }),
    z.strictObject({ kind: z.literal('nominal'), nominal: writtenTorqueSchema }),
    z.strictObject({
      kind: z.literal('nominal-percent'),
      nominal: writtenTorqueSchema,
      tolerancePercent: z.number().nonnegative().lt(100),
    }),
    z.strictObject({
      kind: z.literal('nominal-absolute'),
      nominal: writtenTorqueSchema,
      plus: writtenTorqueSchema,
      minus: writtenTorqueSchema,
    }),
    z.strictObject({ kind: z.literal('maximum'), maximum: writtenTorqueSchema }),
    z.strictObject({ kind: z.literal('minimum'), minimum: writtenTorqueSchema }),
    z.strictObject({ kind: z.literal('snug-then-angle'), angleDegrees: z.number().positive().max(720) }),
    z.strictObject({ kind: z.literal('finger-tight') }),
    z.strictObject({
      kind: z.literal('torque-then-angle'),
      torque: writtenTorqueSchema,
      angleDegrees: z.number().positive().max(720),
    }),
  ])
  .meta({ id: 'Requirement' }) satisfies z.ZodType<Requirement>;
