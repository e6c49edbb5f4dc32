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
