import { type Store, storeOf } from '../store.ts';
import { onSignal } from './signals.ts';
import { type Outbox, readOutbox } from './store.ts';

const AGAIN_MS = 500;

/** Everything that waits on this device, of every job and person, as it is now; null until it was read. */
export type WaitingStore = Store<Outbox | null> & { readonly start: () => () => void };

/** Opens what waits on this device; `start` follows it until the function that it answers is called. */
export const waitingStore = (): WaitingStore => {
  const store = storeOf<Outbox | null>(null);
  const look = async (): Promise<void> => store.change(await readOutbox());
  return {
    snapshot: store.snapshot,
    subscribe: store.subscribe,
    start: () => {
      void look();
      let again: ReturnType<typeof setTimeout> | undefined;
      const stop = onSignal(() => {
        void look();
        // What was sent is told before the disk has let go of it.
        clearTimeout(again);
        again = setTimeout(() => void look(), AGAIN_MS);
      });
      return () => {
        clearTimeout(again);
        stop();
      };
    },
  };
};
