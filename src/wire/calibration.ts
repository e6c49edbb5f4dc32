import { z } from 'zod';
import { daySchema, instantSchema, typedText } from '#core/bounds.ts';
import { sessionPointSchema } from '#core/calibration/session-evaluation.ts';
import { SESSION_SHORTFALLS } from '#core/calibration/session-standing.ts';
import { errorPointSchema } from '#core/tool/known-error.ts';
import type { DeepReadonly } from './operation.ts';
import { recallDecisionSchema } from './recall.ts';

export const SESSION_KINDS = ['in-house', 'outside-lab', 'cross-check'] as const;

/** A calibration session as it was done: what the tool showed and what the reference said, in newton metres. */
export const newSessionSchema = z.strictObject({
  id: z.uuid(),
  toolId: z.uuid(),
  kind: z.enum(SESSION_KINDS),
  doneOn: daySchema,
  /** What was taken as true: the tester, the lab, the other tool. */
  reference: typedText(120),
  referenceExpandedPercent: z.number().nonnegative().max(20),
  certificate: z.string().trim().max(80),
  /** Before anything was adjusted, and after; `asLeft` null where nothing was. */
  asFound: z.array(sessionPointSchema).min(1).max(20),
  asLeft: z.array(sessionPointSchema).min(1).max(20).nullable(),
  /** Keeps a tool that failed for the band in which it is right. */
  keepNarrowed: z.boolean(),
  nextDueOn: daySchema,
  note: z.string().trim().max(300),
});
export type NewSession = DeepReadonly<z.infer<typeof newSessionSchema>>;

/** A session as the crib keeps it, evaluated. */
export const keptSessionSchema = z.strictObject({
  ...newSessionSchema.shape,
  by: z.string(),
  at: instantSchema,
  hasPassedAsFound: z.boolean(),
  hasPassedAsLeft: z.boolean(),
  points: z.array(errorPointSchema),
  /** What it lacks to count as a calibration; left out in sessions kept before it was asked. */
  shortfalls: z.array(z.enum(SESSION_SHORTFALLS)).optional(),
});
export type KeptSession = DeepReadonly<z.infer<typeof keptSessionSchema>>;

/** A line of a recall: a job, what of it is outside, and the decision made for it. */
export const recalledJobSchema = z.strictObject({
  jobId: z.uuid(),
  number: z.string(),
  title: z.string(),
  pulls: z.int(),
  outsideWorst: z.int(),
  outsideLinear: z.int(),
  farthestPercent: z.number(),
  decision: recallDecisionSchema,
});
export type RecalledJobLine = DeepReadonly<z.infer<typeof recalledJobSchema>>;

/** A fastener that a recall finds outside. */
export const recalledPullSchema = z.strictObject({
  position: z.string(),
  pulledAt: instantSchema,
  recordedNewtonMetres: z.number(),
  worstNewtonMetres: z.number(),
  lowNewtonMetres: z.number(),
  highNewtonMetres: z.number(),
  outsidePercent: z.number(),
  isOutsideLinear: z.boolean(),
});
