import { z } from 'zod';
import {
  type DeviceNews,
  type DeviceState,
  type DeviceTrouble,
  deviceFeed,
} from '#core/device/device-feed.ts';
import { OPERATIONS } from '#wire/api.ts';
import { relayedLineSchema } from '#wire/device.ts';
import { type Store, storeOf } from '../store.ts';

/** What is connected, as a screen shows it. */
export type DevicesHere = {
  /** Whether the site relays, and whether its gateway of devices is there; `none` where the site has none. */
  readonly link: 'connecting' | 'connected' | 'away' | 'none';
  readonly devices: readonly DeviceState[];
  /** What was wrong last, and how many times. */
  readonly trouble: { readonly last: DeviceTrouble; readonly count: number } | null;
};

export type DeviceStream = Store<DevicesHere> & {
  /** Hears of each reading and of each trouble once, until the returned function is called. */
  readonly onNews: (listener: (news: DeviceNews) => void) => () => void;
  /** Takes a line of a device that this browser reads itself. */
  readonly take: (line: string) => void;
  /** A device that this browser reads itself lost its cable. */
  readonly cut: () => void;
  /** Listens to the site until the returned function is called. */
  readonly start: () => () => void;
};

/** A curve is drawn anew so often, and not for each of its points. */
const DRAW_MS = 50;
const AGAIN_MS = 3_000;

const gatewaySchema = z.union([relayedLineSchema, z.null()]);

const parsed = (data: string): z.infer<typeof gatewaySchema> => {
  try {
    const relayed = relayedLineSchema.safeParse(JSON.parse(data));
    return relayed.success ? relayed.data : null;
  } catch {
    return null;
  }
};

/** The devices of the bench, as the site relays them or this browser reads them. */
export const deviceStream = (): DeviceStream => {
  const feed = deviceFeed();
  const store = storeOf<DevicesHere>({ link: 'connecting', devices: [], trouble: null });
  const set = (part: Partial<DevicesHere>): void => store.change({ ...store.snapshot(), ...part });
  const listeners = new Set<(news: DeviceNews) => void>();
  let drawing: ReturnType<typeof setTimeout> | null = null;
  const draw = (): void => {
    drawing ??= setTimeout(() => {
      drawing = null;
      set({ devices: feed.devices() });
    }, DRAW_MS);
  };
  const told = (news: readonly DeviceNews[]): void => {
    for (const each of news) {
      if (each.kind === 'trouble') {
        const { trouble } = store.snapshot();
        const isSame =
          trouble?.last.code === each.trouble.code && trouble.last.device === each.trouble.device;
        set({ trouble: { last: each.trouble, count: isSame && trouble ? trouble.count + 1 : 1 } });
      } else if (each.kind === 'pull') set({ trouble: null, devices: feed.devices() });
      for (const listener of [...listeners]) listener(each);
    }
    draw();
  };
  const take = (line: string): void => told(feed.take(line, performance.now()));

  const relayed = (data: string): string | null => {
    const said = parsed(data);
    if (!said) return null;
    if ('gateway' in said) {
      if (said.gateway === 'away') told(feed.cut());
      set({ link: said.gateway });
      return null;
    }
    if ('missed' in said) {
      told(feed.cut());
      return null;
    }
    take(said.line);
    return said.id;
  };

  return {
    snapshot: store.snapshot,
    subscribe: store.subscribe,
    onNews: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    take,
    cut: () => told(feed.cut()),
    start: () => {
      let source: EventSource | null = null;
      let again: ReturnType<typeof setTimeout> | undefined;
      let last: string | null = null;
      let isOver = false;
      const open = (): void => {
        const { path } = OPERATIONS.deviceLines;
        source = new EventSource(last === null ? path : `${path}?after=${encodeURIComponent(last)}`);
        source.onmessage = ({ data }: MessageEvent<string>) => {
          last = relayed(data) ?? last;
        };
        source.onerror = () => {
          // The browser tries again by itself, unless it was told that there is nothing: then it is asked anew after a while.
          const isRefused = source?.readyState === EventSource.CLOSED;
          set({ link: isRefused && last === null ? 'none' : 'away' });
          if (!isRefused || isOver) return;
          source?.close();
          again = setTimeout(open, AGAIN_MS);
        };
      };
      open();
      return () => {
        isOver = true;
        clearTimeout(again);
        if (drawing) clearTimeout(drawing);
        drawing = null;
        source?.close();
      };
    },
  };
};
