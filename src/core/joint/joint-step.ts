import { z } from 'zod';
import { typedText } from '../bounds.ts';
import type { Shape } from '../shape.ts';

/** When in the work on a group a step falls, in this order. */
export const STAGES = ['make-safe', 'prepare', 'between-passes', 'settle', 'check', 'close'] as const;
export type Stage = (typeof STAGES)[number];

/** What a step is done once for: the job, each part of a group, each group, each fastener. */
export const SCOPES = ['job', 'part', 'group', 'fastener'] as const;

/** Conditions of a requirement that set a step's limit in place of its own. */
export const LIMITING_CONDITIONS = ['runout', 'temperature'] as const;

/** A word that events name a step, a kind or a detail by. */
export const idSchema = z
  .string()
  .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/)
  .max(40);

/** What is wanted of a measurement, in its unit. Limits are inclusive; null is none. */
export const limitsSchema = z
  .strictObject({
    unit: typedText(12),
    low: z.number().min(-1e6).max(1e6).nullable(),
    high: z.number().min(-1e6).max(1e6).nullable(),
    /** The condition of the requirement whose limit is the high one, where it has that condition. */
    from: z.enum(LIMITING_CONDITIONS).nullable(),
  })
  .refine(({ low, high }) => low === null || high === null || low <= high, 'the limits are reversed');
export type Limits = Shape<typeof limitsSchema>;

const actSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('confirm') }),
  z.strictObject({ kind: z.literal('measure'), limits: limitsSchema }),
  z.strictObject({ kind: z.literal('wait'), minutes: z.number().positive().max(20_160) }),
  z.strictObject({ kind: z.literal('photograph') }),
  z.strictObject({ kind: z.literal('inspect') }),
]);

export const jointStepSchema = z.strictObject({
  id: idSchema,
  stage: z.enum(STAGES),
  scope: z.enum(SCOPES),
  act: actSchema,
  title: typedText(80),
  /** What to do and how, in a sentence or two. */
  detail: z.string().trim().max(300),
  /** Whether what follows waits for it. */
  isBlocking: z.boolean(),
  /** Document, edition and clause; empty for common practice. */
  source: z.string().trim().max(160),
  /** Steps that name the same row are done one after the other with one instrument; where one does not come out as it must, the row begins again.
   *  Left out where a step stands alone. */
  row: idSchema.optional(),
  /** The step that what is measured must agree with, and by how much it may differ, in percent of it. */
  agrees: z.strictObject({ with: idSchema, withinPercent: z.number().positive().max(100) }).optional(),
});
/** One thing to do beside the pulls: confirm, measure against limits, wait, photograph or inspect. */
export type JointStep = Shape<typeof jointStepSchema>;
