import type { LedgerEvent } from '#core/event/lifted.ts';

/** Why what waits can't be sent just now: the site does not answer, it answers that it takes nothing, nobody is signed in, or this device's store
 *  does not give it out. */
export type SendingStuck = 'no-connection' | 'site-busy' | 'not-signed-in' | 'device-store';

/** What listeners of the outbox hear, in this tab and in others. */
export type OutboxSignal =
  | { readonly kind: 'kept' }
  | { readonly kind: 'placed'; readonly events: readonly LedgerEvent[] }
  | { readonly kind: 'refused' }
  | { readonly kind: 'stuck'; readonly because: SendingStuck };

type Listener = (news: OutboxSignal) => void;

const listeners = new Set<Listener>();
let channel: BroadcastChannel | null = null;

const openChannel = (): BroadcastChannel => {
  if (channel) return channel;
  channel = new BroadcastChannel('jentik-outbox');
  channel.onmessage = ({ data }: MessageEvent<OutboxSignal>) => {
    for (const listener of listeners) listener(data);
  };
  return channel;
};

/** Tells every listener here and in other tabs. */
export const sendSignal = (news: OutboxSignal): void => {
  openChannel().postMessage(news);
  for (const listener of listeners) listener(news);
};

/** Listens until the returned function is called. */
export const onSignal = (listener: Listener): (() => void) => {
  openChannel();
  listeners.add(listener);
  return () => listeners.delete(listener);
};
