import { z } from 'zod';
import { instantSchema } from '#core/bounds.ts';

export const jobStageSchema = z.enum(['planned', 'under-way', 'ready-to-sign', 'done', 'inspected']);

/** A line of the Jobs list. */
export const jobSummarySchema = z.strictObject({
  id: z.uuid(),
  number: z.string(),
  title: z.string(),
  stage: jobStageSchema,
  fastenersTotal: z.int(),
  fastenersIn: z.int(),
  fastenersLeftOpen: z.int(),
  /** What its work waits for, and until when; null while it waits for nothing. */
  waiting: z.strictObject({ title: z.string(), until: instantSchema }).nullable(),
  lastPerson: z.string(),
  lastEventAt: instantSchema,
});
export type JobSummary = z.infer<typeof jobSummarySchema>;

const NUMBER_DIGITS = 4;

/** A job's number as people read it, such as `0142`. */
export const jobNumberText = (number: number): string => String(number).padStart(NUMBER_DIGITS, '0');
