import { z } from 'zod';
import { instantSchema } from '#core/bounds.ts';
import { INTERVAL_MAX_DAYS } from '#core/job/due-again.ts';
import { newJobSchema } from './new-job.ts';
import type { DeepReadonly } from './operation.ts';

const daysSchema = z.int().positive().max(INTERVAL_MAX_DAYS);

/** A machine that is tightened again and again, and how it stands. */
export const intervalSchema = z.strictObject({
  code: z.string(),
  name: z.string(),
  days: daysSchema,
  setBy: z.string(),
  /** The job it was worked on last, whose plan its next one has. */
  job: z.strictObject({ id: z.uuid(), number: z.string(), title: z.string(), isSigned: z.boolean() }),
  /** When the next one is due: counted from what was recorded on that job last. */
  dueAt: instantSchema,
  isDue: z.boolean(),
});
export type Interval = DeepReadonly<z.infer<typeof intervalSchema>>;

/** How often a machine is tightened again; null for no more. */
export const setIntervalSchema = z.strictObject({ days: daysSchema.nullable() });

/** What names the next job of a machine. */
export const nextJobSchema = newJobSchema.pick({ jobId: true, eventId: true, deviceTime: true });
export type NextJob = z.infer<typeof nextJobSchema>;
