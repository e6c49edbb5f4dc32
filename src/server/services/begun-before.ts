import type { LedgerEvent } from '#core/event/lifted.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Transaction } from '../database/transaction.ts';
import { selectEventsById } from '../queries/events.ts';
import { lockHead } from '../queries/jobs.ts';

/** What answers a job that was begun before: the event that the same sent before has made; null where nothing was, and it may begin. The job is locked before it is
 *  looked for: of the same sent several times at once, those who wait find what the first one made. Refuses: event-id-used. */
export const begunBefore = async (
  db: Transaction,
  job: string,
  event: string,
): Promise<Result<LedgerEvent, Problem> | null> => {
  const isThere = await lockHead(db, job);
  const [sent] = await selectEventsById(db, [event]);
  if (sent?.job === job) return accepted(sent);
  return sent || isThere ? refused({ code: 'event-id-used' }) : null;
};
