import { type Store, storeOf } from '../store.ts';

/** From so little on a person is told: some hundred photographs, or more events than a year of work. */
const TOLD_FROM_BYTES = 50_000_000;
const LOOKED_EVERY_MS = 60_000;
const BYTES_PER_MEGABYTE = 1_000_000;

const store = storeOf<number | null>(null);

/** How many megabytes this device still has for what happens here, once they are few; null while they are enough, or not known. */
export const fewMegabytes: Store<number | null> = { snapshot: store.snapshot, subscribe: store.subscribe };

/** Looks how much room there is. Never throws: a browser that does not say has said nothing. */
export const lookForRoom = async (): Promise<void> => {
  try {
    const { quota, usage } = await navigator.storage.estimate();
    if (quota === undefined || usage === undefined) return;
    const left = Math.max(0, quota - usage);
    store.change(left < TOLD_FROM_BYTES ? Math.floor(left / BYTES_PER_MEGABYTE) : null);
  } catch {
    // Then the write that fails says it.
  }
};

/** Looks now and again, until the returned function is called. */
export const watchRoom = (): (() => void) => {
  void lookForRoom();
  const timer = setInterval(() => void lookForRoom(), LOOKED_EVERY_MS);
  return () => clearInterval(timer);
};
