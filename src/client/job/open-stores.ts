import { keptJobs } from '../offline/kept-jobs.ts';
import { readOutbox } from '../outbox/store.ts';

/** Has the browser open what it keeps, beside whatever else a page begins with: on a slow tablet that takes longer than everything that waits for it. */
export const openStores = (): void => {
  if (!('indexedDB' in globalThis)) return;
  void readOutbox();
  void keptJobs();
};
