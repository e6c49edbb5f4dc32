import type { Asker } from '../asker.ts';
import { database } from '../database/pool.ts';
import { insertLogEntry } from '../queries/site-log.ts';
import { now } from './clock.ts';

/** Puts what a device holds and the site refused into the log as it is, with who set it aside and why: so it leaves the device and is lost nowhere. */
export const setAside = async (
  given: {
    readonly job: string | null;
    readonly kept?: unknown;
    readonly problem?: unknown;
    readonly why: string;
  },
  by: Asker,
): Promise<{ readonly at: string }> => {
  const at = now();
  const { job, kept = null, problem = null, why } = given;
  const entry = { at, by, kind: 'event-set-aside', subject: job ?? 'device', why } as const;
  await insertLogEntry(database(), { ...entry, body: { kept, problem } });
  return { at };
};
