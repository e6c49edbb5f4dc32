import { type JobEvent, unplacedEvent } from '#core/job/event.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { NewSignature } from '#wire/signature.ts';
import { inTransaction } from '../database/pool.ts';
import { lockHead } from '../queries/jobs.ts';
import { appendInTransaction } from './append-events.ts';
import { checkPin } from './check-pin.ts';

/** Signs a job as a person who proves it with their PIN, whoever's session the device is in. The signature covers the whole chain
 *  before it. Idempotent by event id. Refuses: not-found, what checkPin refuses, and what the fold refuses. */
export const signJob = (jobId: string, signature: NewSignature): Promise<Result<JobEvent, Problem>> =>
  // Commits also when it refuses: a wrong PIN must be counted, and nothing else has been written by then.
  inTransaction(async (db) => {
    const head = await lockHead(db, jobId);
    if (!head) return refused<Problem>({ code: 'not-found', what: 'job' });
    const person = await checkPin(db, signature.personId, signature.pin);
    if (!person.ok) return person;
    const { eventId, deviceTime, meaning } = signature;
    const event = unplacedEvent(
      { id: eventId, job: jobId, deviceTime, person: person.value },
      { kind: 'job-signed', body: { meaning } },
    );
    const result = await appendInTransaction(db, jobId, head, [event], person.value);
    const [placed] = result.placed;
    return placed ? accepted(placed) : refused(result.refused?.problem as Problem);
  });
