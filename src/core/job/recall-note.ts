import { z } from 'zod';
import { typedText, whySchema } from '../bounds.ts';

/** What was decided about a job whose fasteners a recalled tool had touched. */
export type RecallBody = {
  readonly sessionId: string;
  readonly toolCode: string;
  readonly what: string;
  readonly why: string;
  /** How many of its pulls are outside in the worst case. */
  readonly outside: number;
};

export const recallBodySchema = z.strictObject({
  sessionId: z.uuid(),
  toolCode: typedText(20),
  what: typedText(40),
  why: whySchema,
  outside: z.int().nonnegative(),
}) satisfies z.ZodType<RecallBody>;

/** What was decided about a job whose fasteners were tightened to a value of the book that was corrected or withdrawn. */
export type ValueRecallBody = {
  readonly refId: string;
  /** `R-12`, or the table's name. */
  readonly code: string;
  /** The revision of the book it was judged by. */
  readonly revision: number;
  readonly what: string;
  readonly why: string;
  /** How many of its fasteners do not conform by it. */
  readonly outside: number;
  /** The job that was opened for the rework; null where none was. */
  readonly recheckJobId: string | null;
};

export const valueRecallBodySchema = z.strictObject({
  refId: z.uuid(),
  code: typedText(120),
  revision: z.int().positive(),
  what: typedText(40),
  why: whySchema,
  outside: z.int().nonnegative(),
  recheckJobId: z.uuid().nullable(),
}) satisfies z.ZodType<ValueRecallBody>;
