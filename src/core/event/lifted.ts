import type { EventBase, Placing } from '../job/happened.ts';
import { EVENT_SCHEMA_VERSION, type JobEvent, type UnplacedEvent } from './event.ts';
import { liftedFrom1 } from './versions/version-1.ts';
import { liftedFrom2 } from './versions/version-2.ts';

/** An event as it was sent, in the form of any version. */
export type SentEvent = EventBase & { readonly kind: string; readonly body: unknown };

/** An event as the ledger keeps it, in the form of any version: what its hash is over. */
export type LedgerEvent = SentEvent & Omit<Placing, 'clock'> & { readonly clock?: unknown };

type Step = <E extends SentEvent>(event: E) => E;
const STEPS: Readonly<Record<number, Step>> = { 1: liftedFrom1, 2: liftedFrom2 };

const liftedToNewest = (event: SentEvent): SentEvent => {
  let lifted = event;
  while (lifted.schemaVersion < EVENT_SCHEMA_VERSION) {
    const step = STEPS[lifted.schemaVersion];
    if (!step) break;
    lifted = step(lifted);
  }
  return lifted;
};

/** A kept event in the newest form, step by step. One of a newer version than this code knows stays as it is, and changes no view. */
export const lifted = (event: LedgerEvent): JobEvent => liftedToNewest(event) as JobEvent;

/** An event not yet placed in the newest form. */
export const liftedUnplaced = (event: SentEvent): UnplacedEvent => {
  const { clock: _, ...unplaced } = liftedToNewest(event) as SentEvent & { readonly clock?: null };
  return unplaced as UnplacedEvent;
};
