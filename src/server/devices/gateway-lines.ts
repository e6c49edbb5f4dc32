import { randomUUID } from 'node:crypto';
import { connect, type Socket } from 'node:net';
import { createInterface } from 'node:readline';
import { LINE_MAX_LENGTH } from '#core/device/device-line.ts';

// One connection to the gateway of devices for each process of the site, however many benches listen. What came stays for a while, so that a bench whose network was away
// for a moment goes on where it was.

/** What a bench is told: a line of a device with its number here, or what is with the gateway. `id` is where to go on from. */
export type RelayedLine =
  | { readonly id: string; readonly line: string }
  | { readonly gateway: 'connected' | 'away' }
  /** So many lines came and went before this bench took them. */
  | { readonly missed: number };

/** So many lines stay, and no more characters than that: two curves at a thousand points a second for minutes. */
const LINES_KEPT = 20_000;
const CHARACTERS_KEPT = 32_000_000;
/** No line is so long before it ends: who sends more without an end is hung up on. */
const UNENDED_MOST = 1_000_000;
/** No workshop has more devices than that; whoever names more makes them up. */
const GREETED_MOST = 200;
const AGAIN_MS = 1_000;
/** Nobody listens for so long: the connection is let go. */
const IDLE_MS = 5_000;
const STILL_THERE_MS = 10_000;

/** Lines of the gateway at a port of loopback, numbered, for any number of listeners. */
const hubAt = (port: number) => {
  const epoch = randomUUID().slice(0, 8);
  let first = 1;
  let kept: string[] = [];
  let characters = 0;
  let state: 'connected' | 'away' = 'away';
  let socket: Socket | null = null;
  let again: NodeJS.Timeout | undefined;
  let idle: NodeJS.Timeout | undefined;
  const waiting = new Set<() => void>();
  let listening = 0;

  const wake = (): void => {
    const all = [...waiting];
    waiting.clear();
    for (const each of all) each();
  };
  /** Resolves with true once there is something new, and with false after a while without. */
  const news = (): Promise<boolean> =>
    new Promise((resolve) => {
      const timer = setTimeout(() => {
        waiting.delete(heard);
        resolve(false);
      }, STILL_THERE_MS);
      const heard = (): void => {
        clearTimeout(timer);
        resolve(true);
      };
      waiting.add(heard);
    });
  /** The last greeting of each device, with the number of what it read last: whoever comes later is greeted with it. */
  const greetings = new Map<string, string>();
  const greet = (text: string): void => {
    // Most lines are points, and say nothing new of their device.
    if (text.includes('"points"')) return;
    try {
      const { kind, device, number, at } = JSON.parse(text) as Record<string, unknown>;
      const before = greetings.get(String(device));
      if (kind === 'hello' && (before !== undefined || greetings.size < GREETED_MOST))
        greetings.set(String(device), text);
      else if (before !== undefined && Number.isSafeInteger(number))
        greetings.set(String(device), JSON.stringify({ ...(JSON.parse(before) as object), number, at }));
    } catch {
      // Half a line greets nobody.
    }
  };
  const take = (line: string): void => {
    // Longer than any line of a device: its bench is told that something came that is none.
    const text = line.slice(0, LINE_MAX_LENGTH + 1);
    greet(text);
    kept.push(text);
    characters += text.length;
    // Half at a time: one by one would move all of them for each line.
    if (kept.length > LINES_KEPT * 2 || characters > CHARACTERS_KEPT) {
      const over = Math.ceil(kept.length / 2);
      first += over;
      kept = kept.slice(over);
      characters = kept.reduce((sum, { length }) => sum + length, 0);
    }
    wake();
  };
  const open = (): void => {
    clearTimeout(again);
    if (socket) return;
    const mine = connect(port, '127.0.0.1');
    socket = mine;
    mine.setEncoding('utf8');
    mine.on('connect', () => {
      state = 'connected';
      wake();
    });
    let unended = 0;
    mine.on('data', (chunk: string) => {
      const end = chunk.lastIndexOf('\n');
      unended = end < 0 ? unended + chunk.length : chunk.length - end - 1;
      if (unended > UNENDED_MOST) mine.destroy();
    });
    const lines = createInterface({ input: mine });
    lines.on('line', take);
    mine.on('error', () => {});
    mine.on('close', () => {
      lines.close();
      socket = null;
      state = 'away';
      wake();
      if (listening > 0) again = setTimeout(open, AGAIN_MS);
    });
  };
  const close = (): void => {
    clearTimeout(again);
    socket?.destroy();
  };

  /** Where a listener goes on: after what it had last, or with what comes next. */
  const begin = (after: string | null): number => {
    const [said, number] = (after ?? '').split('-');
    const next = first + kept.length;
    const wanted = Number(number) + 1;
    return said === epoch && Number.isSafeInteger(wanted) && wanted >= 1 && wanted <= next ? wanted : next;
  };

  const listen = async function* (after: string | null): AsyncGenerator<RelayedLine> {
    listening += 1;
    clearTimeout(idle);
    open();
    let cursor = begin(after);
    let told: typeof state | null = null;
    try {
      if (cursor === first + kept.length)
        for (const line of greetings.values()) yield { id: `${epoch}-${cursor - 1}`, line };
      for (;;) {
        if (told !== state) {
          told = state;
          yield { gateway: state };
        }
        if (cursor < first) {
          yield { missed: first - cursor };
          cursor = first;
        }
        while (cursor >= first && cursor < first + kept.length) {
          yield { id: `${epoch}-${cursor}`, line: kept[cursor - first] as string };
          cursor += 1;
        }
        // Said again now and then: a listener that has gone is only noticed when it is told something.
        if (cursor >= first + kept.length && told === state && !(await news())) told = null;
      }
    } finally {
      listening -= 1;
      if (listening === 0) idle = setTimeout(close, IDLE_MS).unref();
    }
  };
  /** Says something to the devices. Answers whether there is a gateway to hear it. */
  const tell = (said: object): boolean => {
    if (state !== 'connected' || !socket) return false;
    socket.write(`${JSON.stringify(said)}\n`);
    return true;
  };
  return { listen, tell };
};

const hubs = new Map<number, ReturnType<typeof hubAt>>();

const hubOf = (port: number): ReturnType<typeof hubAt> => {
  const hub = hubs.get(port) ?? hubAt(port);
  hubs.set(port, hub);
  return hub;
};

/** The lines of the gateway at a port, from after a place on; the same connection for all who ask. */
export const gatewayLines = (port: number, after: string | null): AsyncGenerator<RelayedLine> =>
  hubOf(port).listen(after);

/** Says something to the devices of the gateway at a port, which somebody listens to. Answers whether it is there. */
export const tellGateway = (port: number, said: object): boolean => hubOf(port).tell(said);
