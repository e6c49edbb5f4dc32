import { clearSummaries, updateSummary } from '../queries/jobs.ts';
import type { Projection } from './projection.ts';

/** What lists show of each job. */
export const summariesProjection: Projection = {
  name: 'summaries',
  version: 2,
  isWrittenWithHead: true,
  clear: clearSummaries,
  apply: async (db, fact) => {
    const last = fact.kind === 'job' ? fact.events.at(-1) : undefined;
    if (fact.kind === 'job' && last) updateSummary(db, last, fact.after);
  },
};
