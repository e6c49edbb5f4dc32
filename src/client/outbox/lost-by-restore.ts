import type { UnplacedEvent } from '#core/event/event.ts';
import { type LedgerEvent, lifted } from '#core/event/lifted.ts';
import { JOB_OPERATIONS } from '#wire/api-jobs.ts';
import { call } from '../api.ts';
import { forgetSent, readSent } from './sent.ts';
import { sendSignal } from './signals.ts';
import { keepEvent, readOutbox } from './store.ts';

/** What the site acknowledged of this device and no longer has, since it was restored. */
export type LostEvent = {
  readonly event: LedgerEvent;
  /** Whether it can be sent again: plans and signatures are made anew by a person, and a job that is gone takes nothing. */
  readonly maySend: boolean;
};

const MADE_ANEW: ReadonlySet<string> = new Set([
  'job-planned',
  'job-signed',
  'recall-noted',
  'value-recall-noted',
]);

/** What the site lost of what this device sent, job by job in their order; null while it can't be asked. */
export const lostByRestore = async (): Promise<readonly LostEvent[] | null> => {
  const sent = await readSent();
  const lost: LostEvent[] = [];
  for (const job of new Set(sent.map((event) => event.job))) {
    const mine = sent.filter((event) => event.job === job);
    const answer = await call(JOB_OPERATIONS.jobEvents, undefined, { job, after: '0' });
    if (!answer.ok) return null;
    const ids = new Set(answer.value.map(({ id }) => id));
    const isHere = ids.size > 0;
    for (const event of mine.sort((a, b) => a.sequence - b.sequence))
      if (!ids.has(event.id)) lost.push({ event, maySend: isHere && !MADE_ANEW.has(event.kind) });
  }
  return lost;
};

const unplaced = (event: LedgerEvent): UnplacedEvent => {
  const { sequence: _, previousHash: _p, hash: _h, serverTime: _s, clock: _c, ...rest } = lifted(event);
  return rest as UnplacedEvent;
};

/** Puts what was lost back among what waits, under the ids it had, so that it counts once whoever else sends it too. */
export const sendLostAgain = async (lost: readonly LostEvent[]): Promise<void> => {
  const waiting = new Set((await readOutbox()).entries.map(({ event }) => event.id));
  for (const { event, maySend } of lost)
    if (maySend && !waiting.has(event.id)) await keepEvent(unplaced(event));
  await forgetSent(lost.map(({ event }) => event.id));
  sendSignal({ kind: 'kept' });
};
