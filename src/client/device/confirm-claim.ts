import type { Person } from '#core/people/person.ts';
import { happeningNow } from '../happen.ts';
import { sendSignal } from '../outbox/signals.ts';
import { keepEvent } from '../outbox/store.ts';
import { claimedHere, releaseDevice } from './claimed.ts';

/** Whoever has signed in here and was said to have taken this device over confirms it by that: in the record too, whether they have done anything since or not. */
export const confirmClaim = async (person: Person): Promise<void> => {
  const claim = claimedHere.snapshot();
  if (claim?.claimed.id !== person.id) return;
  const confirmed = { kind: 'take-over-confirmed', body: { since: claim.since } } as const;
  // First on disk: a tab that is ended in between confirms it twice, and never not at all.
  if (await keepEvent(happeningNow(claim.job, person, confirmed))) releaseDevice();
  sendSignal({ kind: 'kept' });
};
