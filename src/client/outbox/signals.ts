import type { LedgerEvent } from '#core/event/lifted.ts';

/** Why what waits can't be sent just now: the site does not answer, it answers that it takes nothing, it answers what this page does not understand, nobody is
 *  signed in, or this device's store does not give it out. */
export type SendingStuck =
  | 'no-connection'
  | 'site-busy'
  | 'answer-unclear'
  | 'not-signed-in'
  | 'device-store';

/** What listeners of the outbox hear, in this tab and in others. */
export type OutboxSignal =
  | { readonly kind: 'kept' }
  | { readonly kind: 'placed'; readonly events: readonly LedgerEvent[] }
  | { readonly kind: 'refused'; readonly job: string; readonly eventId: string }
  | { readonly kind: 'stuck'; readonly because: SendingStuck; readonly job: string | null };

type Listener = (news: OutboxSignal) => void;

const listeners = new Set<Listener>();
let channel: BroadcastChannel | null = null;

/** Tells each listener; one that throws keeps it from none of the others. */
const tell = (news: OutboxSignal): void => {
  for (const listener of [...listeners]) {
    try {
      listener(news);
    } catch (error) {
      console.error('a listener of the outbox failed:', error);
    }
  }
};

const openChannel = (): BroadcastChannel | null => {
  if (channel || !('BroadcastChannel' in globalThis)) return channel;
  channel = new BroadcastChannel('jentik-outbox');
  channel.onmessage = ({ data }: MessageEvent<OutboxSignal>) => tell(data);
  return channel;
};

/** Tells every listener here and in other tabs. */
export const sendSignal = (news: OutboxSignal): void => {
  try {
    openChannel()?.postMessage(news);
  } catch {
    // The other tabs see it when they read the outbox next.
  }
  tell(news);
};

/** Listens until the returned function is called. */
export const onSignal = (listener: Listener): (() => void) => {
  openChannel();
  listeners.add(listener);
  return () => listeners.delete(listener);
};
