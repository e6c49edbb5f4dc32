import { clearJobReferences, replaceJobReferences } from '../queries/job-references.ts';
import type { Projection } from './projection.ts';

/** Which job rests on what of the spec book. */
export const referencesProjection: Projection = {
  name: 'references',
  version: 1,
  clear: clearJobReferences,
  apply: async (db, fact) => {
    if (fact.kind !== 'job') return;
    if (fact.events.some(({ kind }) => kind === 'job-planned' || kind === 'requirement-moved'))
      await replaceJobReferences(db, fact.after);
  },
};
