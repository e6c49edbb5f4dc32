import { clearSearchEntries } from '../queries/search-entries.ts';
import { indexBook, indexEntries, jobEntries, toolEntries } from '../services/site-search.ts';
import type { Projection } from './projection.ts';

/** What the search finds. Jobs and tools follow from their events; what the book holds is read from it. */
export const searchProjection: Projection = {
  name: 'search',
  version: 1,
  clear: clearSearchEntries,
  apply: async (db, fact) => {
    if (fact.kind === 'tool') {
      const { tool } = fact.event.after;
      await indexEntries(db, 'tool', tool.id, toolEntries(tool));
      return;
    }
    const planned = fact.events.find(({ kind }) => kind === 'job-planned');
    if (planned?.kind !== 'job-planned') return;
    const { number, title, fasteners } = planned.body;
    const job = { id: planned.job, number, title, fastenersTotal: fasteners.length };
    await indexEntries(db, 'job', planned.job, jobEntries(job));
  },
  addRest: indexBook,
};
