import { chromium, type Page } from '@playwright/test';
import { matchMemory } from '#core/command/match-memory.ts';
import { deviceFeed } from '#core/device/device-feed.ts';
import { memoryReadings, memoryTable, suggestedMapping } from '#core/device/memory-table.ts';
import { valueOrThrow } from '#core/fault.ts';
import { readyJob, type SiteClient } from '../load/site-client.ts';
import { ensureDebianPackage } from '../site/debian-package.ts';
import { CHROMIUM, CHROMIUM_ARGS } from '../test/chromium.ts';
import { type BenchSite, onBenchSite } from './bench-site.ts';
import { printMeasured } from './measured.ts';

const BENCHES = 5;
const PEAKING = 10;
const SECONDS = 20;
const PEAKS_A_SECOND = 5;
const CURVE_MS = 4_000;
const MEMORY_LINES = 30_000;
const TIMES = 5;

/** Reads what the site relays as a bench does, and answers how many readings it heard of each device and what went wrong. */
const listener = async (address: string, { cookie }: SiteClient, until: AbortSignal) => {
  const feed = deviceFeed();
  const heard = new Map<string, number>();
  const troubles: string[] = [];
  let points = 0;
  const answer = await fetch(`${address}/api/v1/devices/lines`, { headers: { cookie }, signal: until });
  const read = async (): Promise<void> => {
    const decoder = new TextDecoder();
    let rest = '';
    for await (const chunk of answer.body as unknown as AsyncIterable<Uint8Array>) {
      const events = (rest + decoder.decode(chunk, { stream: true })).split('\n\n');
      rest = events.pop() ?? '';
      for (const event of events) {
        const data = event.split('\n').find((line) => line.startsWith('data: '));
        const said = data ? (JSON.parse(data.slice(6)) as { line?: string }) : {};
        for (const news of said.line ? feed.take(said.line, performance.now()) : []) {
          if (news.kind === 'trouble') troubles.push(news.trouble.code);
          if (news.kind !== 'pull') continue;
          points += news.reading.trace?.times.length ?? 0;
          heard.set(news.reading.device, (heard.get(news.reading.device) ?? 0) + 1);
        }
      }
    }
  };
  void read().catch(() => {});
  return () => ({ heard, troubles, points });
};

/** Has a page note the pauses between its frames, in milliseconds. */
const NOTE_FRAMES = `globalThis.pauses = [];
let before = performance.now();
const look = (now) => {
  globalThis.pauses.push(now - before);
  before = now;
  requestAnimationFrame(look);
};
requestAnimationFrame(look);`;

/** The pauses noted since they were taken last. */
const pausesOf = (page: Page): Promise<readonly number[]> =>
  page.evaluate(() => (globalThis as unknown as { pauses: number[] }).pauses.splice(0));

const move = (address: string, { cookie }: SiteClient, said: object): Promise<Response> =>
  fetch(`${address}/api/v1/devices/hand`, {
    method: 'POST',
    headers: { cookie, 'content-type': 'application/json', origin: address },
    body: JSON.stringify(said),
  });

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** Two curves at a thousand points a second, one pull after the other, and ten devices that send peaks. Answers how many readings each sent. */
const pulling = async (address: string, client: SiteClient): Promise<ReadonlyMap<string, number>> => {
  const sent = new Map<string, number>();
  const count = (device: string): void => void sent.set(device, (sent.get(device) ?? 0) + 1);
  const end = performance.now() + SECONDS * 1_000;
  const curves = ['BL-E001', 'BL-E002'].map(async (device) => {
    while (performance.now() < end) {
      await move(address, client, {
        do: 'pull',
        device,
        torque: 9,
        rate: 1_000,
        riseMs: CURVE_MS,
        clicks: true,
      });
      count(device);
    }
  });
  const peaks = Array.from({ length: PEAKING }, (_, at) => `PK-${at}`).map(async (device) => {
    let number = 0;
    while (performance.now() < end) {
      number += 1;
      const line = { kind: 'peak', device, number, at: Math.round(performance.now()), unit: 'N.m', peak: 5 };
      await move(address, client, { do: 'raw', text: `${JSON.stringify(line)}\n` });
      count(device);
      await pause(1_000 / PEAKS_A_SECOND);
    }
  });
  await Promise.all([...curves, ...peaks]);
  return sent;
};

const followed = async ({ address, people, signedIn }: BenchSite): Promise<void> => {
  ensureDebianPackage('chromium', CHROMIUM);
  const client = await signedIn(people[0] as (typeof people)[number]);
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: [...CHROMIUM_ARGS] });
  const over = new AbortController();
  try {
    const context = await browser.newContext({ baseURL: address });
    const [name, value] = client.cookie.split('=') as [string, string];
    await context.addCookies([{ name, value, url: address }]);
    await context.addInitScript({ content: NOTE_FRAMES });
    const pages: Page[] = [];
    for (let bench = 0; bench < BENCHES; bench += 1) {
      const { job } = await readyJob(client, 40, 'TE-01', '8 to 10 Nm');
      const page = await context.newPage();
      await page.goto(`/jobs/${job}/bench`);
      await page.getByTestId('device-link').getByText('is connected').waitFor();
      pages.push(page);
    }
    const told = await Promise.all(
      Array.from({ length: BENCHES }, () => listener(address, client, over.signal)),
    );
    const front = pages.at(-1) as Page;
    await pausesOf(front);
    const sent = await pulling(address, client);
    const pauses = await pausesOf(front);
    await pause(1_000);
    const all = [...sent.values()].reduce((sum, each) => sum + each, 0);
    const lost = told.flatMap((each) =>
      [...sent].map(([device, count]) => count - (each().heard.get(device) ?? 0)),
    );
    const { points, troubles } = (told[0] as (typeof told)[number])();
    console.log(
      `devices: ${all} readings sent to ${BENCHES} listeners beside ${BENCHES} benches, ${points} points of curves; lost ${lost.reduce((sum, each) => sum + Math.abs(each), 0)}, troubles: ${troubles.join(' ') || 'none'}`,
    );
    printMeasured('pause between two frames of a bench that follows two curves and ten devices', pauses);
    printMeasured('the longest of such pauses', [Math.max(...pauses)]);
  } finally {
    over.abort();
    await browser.close();
  }
};

/** The memory of a wrench: so many lines, the last of them of the job in front. */
const memoryText = (): string => {
  const begin = Date.UTC(2026, 10, 1);
  const lines = Array.from(
    { length: MEMORY_LINES },
    (_, at) =>
      `${at + 1},${new Date(begin + at * 9_000).toISOString()},${(8 + (at % 20) / 10).toFixed(2)},N·m`,
  );
  return ['No,Time,Peak,Unit', ...lines].join('\n');
};

const memory = (): void => {
  const text = memoryText();
  const awaited = Array.from({ length: MEMORY_LINES }, (_, at) => ({
    position: `P${at}`,
    pass: 1,
    low: 7,
    high: 11,
  }));
  const taken = Array.from({ length: TIMES }, () => {
    const begun = performance.now();
    const table = valueOrThrow(memoryTable(text));
    const { readings } = memoryReadings(table, suggestedMapping(table, 0));
    const matched = matchMemory({
      readings,
      awaited,
      unit: 'N.m',
      since: 0,
      until: Number.MAX_SAFE_INTEGER,
      recorded: { kept: [], made: [] },
      choices: new Map(),
    });
    if (matched.some(({ match }) => !('awaited' in match))) throw new Error('a reading was not matched');
    return performance.now() - begun;
  });
  printMeasured(`memory of ${MEMORY_LINES} lines parsed and matched (bound 3000 ms)`, taken);
};

/** What devices ask of the site and of a bench: followed live by five benches, and a memory read. */
export const benchDevices = async (): Promise<void> => {
  memory();
  await onBenchSite(followed);
};
