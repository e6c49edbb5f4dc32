import type { Person } from '#core/people/person.ts';
import { happeningNow } from '../happen.ts';
import { sendSignal } from '../outbox/signals.ts';
import { keepEvent } from '../outbox/store.ts';
import { claimedHere, releaseDevice } from './claimed.ts';

/** Whoever has signed in here and was said to have taken this device over confirms it by that: in the record too, whether they have done anything since or not. */
export const confirmClaim = async (person: Person): Promise<void> => {
  const claim = claimedHere.snapshot();
  if (claim?.claimed.id !== person.id) return;
  releaseDevice();
  await keepEvent(
    happeningNow(claim.job, person, { kind: 'take-over-confirmed', body: { since: claim.since } }),
  );
  sendSignal({ kind: 'kept' });
};
