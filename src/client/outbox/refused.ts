import { OPERATIONS } from '#wire/api.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { call } from '../api.ts';
import type { OutboxEntry, UnreadableEntry } from './entry.ts';
import { sendSignal } from './signals.ts';
import { forgetEntries, queueAgain } from './store.ts';

/** Sends a refused entry again: what stood against it may be otherwise now. */
export const sendAgain = async (entry: OutboxEntry): Promise<void> => {
  await queueAgain(entry);
  sendSignal({ kind: 'kept' });
};

/** Sets an entry aside for good: it goes into the site's log with the reason, as it is, and only then from this device. Answers why it could not. */
export const setAsideFor = async (
  entry: OutboxEntry | UnreadableEntry,
  why: string,
): Promise<ProblemDetails | null> => {
  const isRead = 'event' in entry;
  const job = isRead ? entry.event.job : null;
  const kept = isRead ? entry.event : entry.raw;
  const answer = await call(OPERATIONS.setAside, { job, kept, problem: entry.problem?.problem ?? null, why });
  if (!answer.ok) return answer.problem;
  await forgetEntries([entry]);
  sendSignal({ kind: 'kept' });
  return null;
};

/** Entries as a file that anybody can keep or send on: JSON, each as it is. */
export const exportedEntries = (entries: readonly (OutboxEntry | UnreadableEntry)[]): string =>
  `${JSON.stringify(
    entries.map((entry) =>
      'event' in entry
        ? { state: entry.state, problem: entry.problem?.problem ?? null, event: entry.event }
        : { state: 'unreadable', kept: entry.raw },
    ),
    null,
    2,
  )}\n`;
