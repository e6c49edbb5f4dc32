import { useState, useSyncExternalStore } from 'react';
import { type ComfortStore, comfortStore, noComfort } from '#client/device/comfort.ts';

/** Subscribes to how the bench works on this device: what it says aloud, and in which order it goes on. */
export const useComfort = (): readonly [ReturnType<ComfortStore['snapshot']>, ComfortStore] => {
  const [store] = useState(comfortStore);
  return [useSyncExternalStore(store.subscribe, store.snapshot, noComfort), store];
};
