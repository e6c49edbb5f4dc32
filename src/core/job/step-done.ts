import { z } from 'zod';
import { typedText } from '../bounds.ts';
import { idSchema, limitsSchema } from '../joint/joint-step.ts';
import type { Shape } from '../shape.ts';
import { groupIdSchema } from './plan.ts';

/** A measured value as it was written: its digits carry the resolution. */
export const writtenMeasureSchema = z.strictObject({
  text: z
    .string()
    .regex(/^-?\d+(?:\.\d+)?$/)
    .max(15),
  value: z.number().min(-1e6).max(1e6),
  unit: typedText(12),
});
const noteSchema = z.string().trim().max(300);

export const stepResultSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('confirmed') }),
  z.strictObject({
    kind: z.literal('measured'),
    measure: writtenMeasureSchema,
    /** What it was measured with, as it is marked. */
    instrument: typedText(60),
  }),
  z.strictObject({ kind: z.literal('waited') }),
  z.strictObject({ kind: z.literal('photographed'), attachmentId: z.uuid(), sha256: z.string().length(64) }),
  z.strictObject({ kind: z.literal('inspected'), isGood: z.boolean(), note: noteSchema }),
  /** Not done: with a reason where something waits for it. */
  z.strictObject({ kind: z.literal('left'), why: noteSchema }),
]);
export type StepResult = Shape<typeof stepResultSchema>;

export const stepPlaceSchema = z.strictObject({
  /** The group it was done for; null for a step of the whole job. */
  group: groupIdSchema.nullable(),
  step: idSchema,
  /** The position or the part it was done on; null for a step of a whole group or job. */
  of: typedText(40).nullable(),
  /** The pass it came after, between passes; null elsewhere. */
  afterPass: z.int().positive().max(100).nullable(),
});
/** Which step of a plan, and on what. */
export type StepPlace = Shape<typeof stepPlaceSchema>;

export const stepSaidSchema = z.strictObject({ ...stepPlaceSchema.shape, result: stepResultSchema });
/** What a person says of a step. */
export type StepSaid = Shape<typeof stepSaidSchema>;

export const stepBodySchema = z.strictObject({
  ...stepSaidSchema.shape,
  /** The limits in force for it; null for what is not measured. */
  limits: limitsSchema.nullable(),
  /** How long was waited, in minutes; null for what is no wait. */
  waitedMinutes: z.number().nonnegative().max(1e7).nullable(),
  /** Whether it came out as it must; false for what was left. */
  isGood: z.boolean(),
});
/** A step as the record keeps it: what was said, and what it came to. */
export type StepBody = Shape<typeof stepBodySchema>;
