import type { KeptEvent } from '#core/event/lifted.ts';

/** What listeners of the outbox hear, in this tab and in others. */
export type OutboxNews =
  | { readonly kind: 'kept' }
  | { readonly kind: 'placed'; readonly events: readonly KeptEvent[] }
  | { readonly kind: 'refused' }
  | { readonly kind: 'stuck'; readonly because: 'no-connection' | 'not-signed-in' };

type Listener = (news: OutboxNews) => void;

const listeners = new Set<Listener>();
let channel: BroadcastChannel | null = null;

const openChannel = (): BroadcastChannel => {
  if (channel) return channel;
  channel = new BroadcastChannel('jentik-outbox');
  channel.onmessage = ({ data }: MessageEvent<OutboxNews>) => {
    for (const listener of listeners) listener(data);
  };
  return channel;
};

/** Tells every listener here and in other tabs. */
export const tellNews = (news: OutboxNews): void => {
  openChannel().postMessage(news);
  for (const listener of listeners) listener(news);
};

/** Listens until the returned function is called. */
export const onNews = (listener: Listener): (() => void) => {
  openChannel();
  listeners.add(listener);
  return () => listeners.delete(listener);
};
