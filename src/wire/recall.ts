import { z } from 'zod';
import { instantSchema } from '#core/bounds.ts';
import { torqueUnitSchema } from '#core/quantity/unit.ts';
import { OUTCOMES } from '#core/verdict/tightening-verdict.ts';
import type { DeepReadonly } from './operation.ts';

/** What may be decided about a job that a recall found. */
export const RECALL_DECISIONS = ['re-check', 'accept', 'replace'] as const;
export type RecallDecision = (typeof RECALL_DECISIONS)[number];

/** A decision about a recalled job, with who made it. */
export const recallDecisionSchema = z
  .strictObject({ what: z.string(), why: z.string(), by: z.string(), at: instantSchema })
  .nullable();

/** A value of the book that was corrected or withdrawn. */
export const valueFactsSchema = z.strictObject({
  kind: z.enum(['requirement', 'table']),
  id: z.uuid(),
  code: z.string(),
  subject: z.string(),
  /** The unit that it is printed in. */
  unit: torqueUnitSchema,
  revision: z.int(),
  isWithdrawn: z.boolean(),
  changedBy: z.string(),
  changedAt: instantSchema,
  why: z.string(),
  /** The print before its last revision; null for a table. */
  before: z.string().nullable(),
  /** The print that holds now; null where nothing in force does, and for a table. */
  now: z.string().nullable(),
  /** What holds in its place now; null where nothing in force does. */
  nowCode: z.string().nullable(),
});
export type ValueFacts = DeepReadonly<z.infer<typeof valueFactsSchema>>;

/** A fastener that does not conform by the value in force. Torques in newton metres. */
export const recalledFastenerSchema = z.strictObject({
  position: z.string(),
  pulledAt: instantSchema.nullable(),
  was: z.enum([...OUTCOMES, 'open', 'voided', 'finger-tight']),
  would: z.enum(OUTCOMES),
  recordedNewtonMetres: z.number().nullable(),
  lowNewtonMetres: z.number().nullable(),
  highNewtonMetres: z.number().nullable(),
  outsidePercent: z.number().nullable(),
});

/** A job with fasteners that do not conform by the value in force, and what was decided about it. */
export const recalledByValueSchema = z.strictObject({
  jobId: z.uuid(),
  number: z.string(),
  title: z.string(),
  isOpen: z.boolean(),
  pulled: z.int(),
  recalled: z.array(recalledFastenerSchema),
  decision: recallDecisionSchema,
  recheckJobId: z.uuid().nullable(),
});
export type RecalledByValue = DeepReadonly<z.infer<typeof recalledByValueSchema>>;

/** The whole of a recall by value. */
export const valueRecallSchema = z.strictObject({
  facts: valueFactsSchema,
  /** Jobs that were looked at, and fasteners tightened to it in them. */
  jobs: z.int(),
  pulled: z.int(),
  recalled: z.array(recalledByValueSchema),
  /** Jobs whose ledger can't be read: nothing is said of them. */
  unread: z.array(z.string()),
});
export type ValueRecallAnswer = DeepReadonly<z.infer<typeof valueRecallSchema>>;
