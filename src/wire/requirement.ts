import { z } from 'zod';
import { REQUIREMENT_MAX_LENGTH } from '#core/requirement/read-requirement.ts';
import type { Requirement } from '#core/requirement/requirement.ts';
import { writtenTorqueSchema } from './quantity.ts';

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
    z.strictObject({
      kind: z.literal('torque-then-angle'),
      torque: writtenTorqueSchema,
      angleDegrees: z.number().positive().max(720),
    }),
  ])
  .meta({ id: 'Requirement' }) satisfies z.ZodType<Requirement>;

/** The text of a requirement as printed; what is in it is read by core. */
export const printedRequirementSchema = z.string().trim().max(REQUIREMENT_MAX_LENGTH);
