import { unplacedEvent } from '#core/event/event.ts';
import type { LedgerEvent } from '#core/event/lifted.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { NewSignature } from '#wire/signature.ts';
import { appendedTo } from '../append/append-events.ts';
import { wholeLedger } from '../append/remembered-job.ts';
import { database } from '../database/pool.ts';
import { inTransaction } from '../database/transaction.ts';
import type { Knock } from '../knock.ts';
import { checkPin } from './check-pin.ts';
import { now } from './clock.ts';

/** Signs a job as a person who proves it with their PIN, whoever's session the device is in, for the head that was on their screen. The whole
 *  chain is checked first. Idempotent by event id. Refuses: not-found, ledger-broken, what checkPin refuses, and what decide refuses. */
export const signJob = async (
  jobId: string,
  signature: NewSignature,
  knock: Pick<Knock, 'address' | 'device'>,
): Promise<Result<LedgerEvent, Problem>> => {
  const {
    eventId,
    personId,
    pin,
    meaning,
    head,
    madeNoPull,
    deviceTime,
    sentAt = null,
    device = null,
  } = signature;
  const whole = await wholeLedger(database(), jobId);
  if (!whole.ok) return whole;
  // Commits also when it refuses: a wrong PIN must be counted.
  const proved = await inTransaction((db) => checkPin(db, personId, pin, knock));
  if (!proved.ok) return proved;
  const { person } = proved.value;
  const event = unplacedEvent(
    { id: eventId, job: jobId, deviceTime, person },
    { kind: 'job-signed', body: { meaning, head, madeNoPull } },
  );
  const contact = { receivedAt: now(), sentAt, device, signedInAt: null };
  const result = await appendedTo(jobId, [event], person, () => contact);
  if (!result.ok) return result;
  const [placed] = result.value.placed;
  return placed ? accepted(placed) : refused(result.value.refused?.problem as Problem);
};
