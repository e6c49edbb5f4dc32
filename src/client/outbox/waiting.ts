import { type Store, storeOf } from '../store.ts';
import { onSignal } from './signals.ts';
import { type Outbox, readOutbox } from './store.ts';

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
      return onSignal(() => void look());
    },
  };
};
