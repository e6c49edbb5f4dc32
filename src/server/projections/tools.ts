import { clearTools, putTool } from '../queries/tools.ts';
import type { Projection } from './projection.ts';

/** Each tool of the crib as its events leave it. */
export const toolsProjection: Projection = {
  name: 'tools',
  version: 1,
  clear: clearTools,
  apply: async (db, fact) => {
    if (fact.kind === 'tool') await putTool(db, fact.event.after, fact.event.at);
  },
};
