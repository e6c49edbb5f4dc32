import { partEvents } from '#core/ledger/part-events.ts';
import { clearPartEvents, insertPartEvents } from '../queries/part-events.ts';
import type { Projection } from './projection.ts';

/** What parts and machines went through over all jobs. */
export const partsProjection: Projection = {
  name: 'parts',
  version: 2,
  clear: clearPartEvents,
  apply: async (db, fact) => {
    if (fact.kind !== 'job') return;
    const events = partEvents(fact.events, fact.after);
    if (events.length > 0) insertPartEvents(db, events);
  },
};
