import { z } from 'zod';
import { instantSchema } from '#core/bounds.ts';
import { partBodySchema } from '#core/ledger/part-events.ts';
import type { DeepReadonly } from './operation.ts';

/** One thing that a part went through, on which job. */
export const partEntrySchema = z.strictObject({
  eventId: z.uuid(),
  job: z.strictObject({ id: z.uuid(), number: z.string(), title: z.string() }),
  at: instantSchema,
  person: z.string(),
  body: partBodySchema,
});
export type PartEntry = DeepReadonly<z.infer<typeof partEntrySchema>>;

/** What a part or a machine has been through over all jobs, the newest first. */
export const partHistorySchema = z.strictObject({
  code: z.string(),
  /** How many entries there are; the oldest of a very long history are not among those that follow. */
  total: z.int().nonnegative(),
  entries: z.array(partEntrySchema),
});
export type PartHistory = DeepReadonly<z.infer<typeof partHistorySchema>>;

/** A part or machine that a job named. */
export const knownPartSchema = z.strictObject({
  code: z.string(),
  lastAt: instantSchema,
  jobs: z.int().positive(),
});
