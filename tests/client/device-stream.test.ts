import { beforeEach, describe, expect, test, vi } from 'vitest';
import { type DeviceStream, deviceStream } from '#client/device/device-stream.ts';
import { openSerial } from '#client/device/serial.ts';
import { keepSerialTool, keptSerialTool } from '#client/device/serial-tools.ts';
import type { DeviceNews } from '#core/device/device-feed.ts';
import { inABrowser } from './browser.ts';
import { eventually } from './eventually.ts';

inABrowser();

/** The site's side of server-sent events. */
class Source {
  static readonly CLOSED = 2;
  static readonly opened: Source[] = [];
  readyState = 1;
  onmessage: ((event: { data: string }) => void) | null = null;
  onerror: (() => void) | null = null;
  readonly close = vi.fn();
  constructor(readonly address: string) {
    Source.opened.push(this);
  }
  send(said: object): void {
    this.onmessage?.({ data: JSON.stringify(said) });
  }
}
beforeEach(() => {
  Source.opened.length = 0;
  vi.stubGlobal('EventSource', Source);
});

const peak = (number: number) =>
  JSON.stringify({ kind: 'peak', device: 'W', number, at: performance.now(), unit: 'N.m', peak: 5 });
const listened = (): { stream: DeviceStream; news: DeviceNews[]; source: () => Source; stop: () => void } => {
  const stream = deviceStream();
  const news: DeviceNews[] = [];
  stream.onNews((each) => news.push(each));
  const stop = stream.start();
  return { stream, news, source: () => Source.opened.at(-1) as Source, stop };
};
const numbers = (news: readonly DeviceNews[]) =>
  news.flatMap((each) => (each.kind === 'pull' ? [each.reading.number] : []));

describe('what the site relays', () => {
  test('is heard once, and shown as it stands', async () => {
    const { stream, news, source } = listened();
    source().send({ gateway: 'connected' });
    source().send({
      id: 'e-1',
      line: JSON.stringify({ kind: 'hello', device: 'W', number: 0, at: 0, is: 'wrench', unit: 'N.m' }),
    });
    source().send({ id: 'e-2', line: peak(1) });
    expect(numbers(news)).toEqual([1]);
    await eventually(() =>
      expect(stream.snapshot()).toMatchObject({
        link: 'connected',
        devices: [{ device: 'W', is: 'wrench' }],
      }),
    );
  });

  test('what is no line of the site’s is passed over; what is no device’s is said', () => {
    const { stream, news, source } = listened();
    for (const data of ['', 'x', '[]', '{"line":5}', 'null']) source().onmessage?.({ data });
    expect(news).toEqual([]);
    source().send({ id: 'e-1', line: 'x' });
    source().send({ id: 'e-2', line: 'y' });
    expect(stream.snapshot().trouble).toEqual({ last: { code: 'garbage', device: null }, count: 2 });
    source().send({ id: 'e-3', line: peak(1) });
    expect(stream.snapshot().trouble).toBeNull();
  });

  test('a site that refuses is asked again, from where it was; one that has no gateway says so', () => {
    vi.useFakeTimers();
    const { stream, source, stop } = listened();
    const refuse = (): void => {
      source().readyState = Source.CLOSED;
      source().onerror?.();
    };
    refuse();
    expect(stream.snapshot().link).toBe('none');
    vi.advanceTimersByTime(5_000);
    source().send({ gateway: 'connected' });
    source().send({ id: 'e-4', line: peak(1) });
    refuse();
    expect(stream.snapshot().link).toBe('away');
    vi.advanceTimersByTime(5_000);
    expect(source().address).toContain('after=e-4');
    expect(Source.opened).toHaveLength(3);
    stop();
    refuse();
    vi.advanceTimersByTime(60_000);
    expect(Source.opened).toHaveLength(3);
    vi.useRealTimers();
  });

  test('a gateway that went in the middle of a curve leaves it torn', () => {
    const { news, source } = listened();
    const points = {
      kind: 'points',
      device: 'W',
      number: 1,
      at: 0,
      unit: 'N.m',
      part: 0,
      points: [
        [0, 1],
        [1, 2],
      ],
    };
    source().send({ id: 'e-1', line: JSON.stringify(points) });
    source().send({ gateway: 'away' });
    source().send({
      id: 'e-2',
      line: JSON.stringify({ kind: 'end', device: 'W', number: 1, at: 2, parts: 1 }),
    });
    expect(numbers(news)).toEqual([]);
    expect(news[0]).toMatchObject({ trouble: { code: 'torn', number: 1 } });
  });
});

describe('a cable that this browser reads', () => {
  const port = (chunks: readonly string[]) => ({
    open: vi.fn(async () => {}),
    close: vi.fn(async () => {}),
    readable: new ReadableStream<Uint8Array>({
      start: (controller) => {
        for (const chunk of chunks) controller.enqueue(new TextEncoder().encode(chunk));
        controller.close();
      },
    }),
  });
  const withPort = (given: object): void => {
    vi.stubGlobal('navigator', { serial: { requestPort: async () => given } });
  };
  const TOOL = { device: 'BL-E001', baudRate: 9_600, pattern: '{number};{peak};{unit}', unit: 'N.m' };

  test('its lines come through however the bytes are cut; what it prints beside them is said to be none; the end of it is told', async () => {
    withPort(port(['1;2,0', '5;Nm\r', '\nbattery low\r\n2;2.1;N', 'm\r\n3;2.']));
    const stream = deviceStream();
    const news: DeviceNews[] = [];
    stream.onNews((each) => news.push(each));
    const onCut = vi.fn();
    expect((await openSerial(TOOL, { onLine: stream.take, onCut })).ok).toBe(true);
    await eventually(() => expect(onCut).toHaveBeenCalledTimes(1));
    expect(news).toMatchObject([
      { reading: { number: 1, peak: { text: '2.05', unit: 'N.m' } } },
      { trouble: { code: 'garbage' } },
      { reading: { number: 2 } },
    ]);
  });

  test('a cable that can’t be opened, a pattern that can’t be read, and a browser that reads none say so', async () => {
    const news = { onLine: vi.fn(), onCut: vi.fn() };
    const code = async (tool = TOOL) => {
      const opened = await openSerial(tool, news);
      return opened.ok ? null : opened.refusal.code;
    };
    expect(await code()).toBe('serial-not-here');
    withPort({ ...port([]), open: () => Promise.reject(new Error('busy')) });
    expect(await code()).toBe('serial-not-opened');
    expect(await code({ ...TOOL, pattern: '{what}' })).toBe('pattern-unreadable');
  });

  test('how it spoke is kept for the next time, and what is none of ours is not', () => {
    expect(keptSerialTool('TE-01')).toBeNull();
    keepSerialTool('TE-01', { baudRate: 115_200, pattern: '{peak}' });
    expect(keptSerialTool('TE-01')).toEqual({ baudRate: 115_200, pattern: '{peak}' });
    localStorage.setItem('jentik-cable-TE-01', '{"baudRate":"x"}');
    expect(keptSerialTool('TE-01')).toBeNull();
    localStorage.setItem('jentik-cable-TE-01', '{');
    expect(keptSerialTool('TE-01')).toBeNull();
  });
});
