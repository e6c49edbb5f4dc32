import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { type JobOnDevice, type JobStore, jobStore } from '#client/job/job-store.ts';
import { openStores } from '#client/job/open-stores.ts';
import type { LedgerEvent } from '#core/event/lifted.ts';
import type { Person } from '#core/people/person.ts';

// As soon as the script is there, and not once the page has come alive.
openStores();

/** A job on this device, and what can be done with it. */
export type OpenJob = JobOnDevice &
  Pick<JobStore, 'happen' | 'take' | 'catchUp' | 'seen' | 'allSent'> & {
    /** The store that all this comes from. */
    readonly store: JobStore;
  };

/** Subscribes to a job on this device; catches up whenever the page comes to the front. */
export const useJob = (jobId: string, events: readonly LedgerEvent[], person: Person): OpenJob => {
  const [store] = useState(() => jobStore(jobId, events, person));
  const job = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  useEffect(() => {
    const onFocus = (): void => void store.catchUp();
    window.addEventListener('focus', onFocus);
    const stop = store.start();
    return () => {
      stop();
      window.removeEventListener('focus', onFocus);
    };
  }, [store]);
  return useMemo(() => {
    const { happen, take, catchUp, seen, allSent } = store;
    return { ...job, happen, take, catchUp, seen, allSent, store };
  }, [job, store]);
};
