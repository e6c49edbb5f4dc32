import { chromium } from '@playwright/test';
import { readyJob } from '../load/site-client.ts';
import { ensureDebianPackage } from '../site/debian-package.ts';
import { CHROMIUM, CHROMIUM_ARGS } from '../test/chromium.ts';
import { onBenchSite } from './bench-site.ts';
import { printMeasured } from './measured.ts';

// The library of types does not know it yet.
declare const scheduler: {
  readonly postTask: (task: () => void, options: { readonly priority: 'user-blocking' }) => Promise<void>;
};

const TERMINALS = 400;
const PULLS = 150;
// As fast as two pulses may follow each other, and slower than what others did counts as just looked at.
const PAUSES_MS = [450, 1_200];
/** How many times slower than this machine's the page's processor is made: a tablet on the bench. */
const SLOWED = [1, 4];
/** How long the work takes that is the same each time, about as much as a pull: what it spreads over is the machine's doing. */
const SAME_WORK_MS = 15;

/** From a pull to the next fastener in front of the person, in a real browser. */
export const benchScreen = (): Promise<void> =>
  onBenchSite(async ({ address, people, signedIn }) => {
    ensureDebianPackage('chromium', CHROMIUM);
    const client = await signedIn(people[0] as (typeof people)[number]);
    const browser = await chromium.launch({ executablePath: CHROMIUM, args: [...CHROMIUM_ARGS] });
    try {
      const page = await browser.newPage({ baseURL: address, extraHTTPHeaders: { cookie: client.cookie } });
      // What runs this script names the functions in it by this; a page has no such thing.
      await page.addInitScript({ content: 'globalThis.__name = (made) => made;' });
      const tuning = await page.context().newCDPSession(page);
      for (const [slowed, pause] of SLOWED.flatMap((by) => PAUSES_MS.map((ms) => [by, ms] as const))) {
        await tuning.send('Emulation.setCPUThrottlingRate', { rate: slowed });
        const { job } = await readyJob(client, TERMINALS, 'TS-07');
        await page.goto(`/jobs/${job}/bench`);
        await page.locator('[data-testid=main-action]:enabled').waitFor();
        const { taken, same } = await page.evaluate(
          async ([pulls, wait, about]) => {
            const sleep = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
            const front = (): string =>
              document.querySelector('[data-testid=current-position]')?.textContent ?? '';
            // The most urgent task posted from a frame's callback runs when that frame has been drawn, before whatever else waits.
            const drawn = (): Promise<void> =>
              new Promise((resolve) =>
                requestAnimationFrame(
                  () => void scheduler.postTask(() => resolve(), { priority: 'user-blocking' }),
                ),
              );
            const held = new Int32Array(1_024);
            const work = (rounds: number): number => {
              const start = performance.now();
              for (let round = 0; round < rounds; round += 1)
                held[round & 1_023] = Math.imul((held[(round * 7) & 1_023] ?? 0) ^ round, 0x9e37_79b1);
              return performance.now() - start;
            };
            let rounds = 20_000;
            // The least of a few: one that something else held up says nothing of the work.
            while (Math.min(...[1, 2, 3, 4, 5].map(() => work(rounds))) < about / 2) rounds *= 2;
            await sleep(wait);
            const [taken, same]: [number[], number[]] = [[], []];
            for (let index = 0; index < (pulls as number); index += 1) {
              const [before, start] = [front(), performance.now()];
              window.dispatchEvent(new KeyboardEvent('keydown', { key: ' ' }));
              do await drawn();
              while (front() === before);
              taken.push(performance.now() - start);
              await sleep(wait / 2);
              same.push(work(rounds));
              await sleep(wait / 2);
            }
            return { taken, same };
          },
          [PULLS, pause, SAME_WORK_MS] as const,
        );
        const pace = `one every ${pause} ms, processor slowed ${slowed} times`;
        printMeasured(`pull to the next of ${TERMINALS} terminals on screen, ${pace}`, taken);
        printMeasured('  work that is the same each time, half way between two pulls', same);
      }
    } finally {
      await browser.close();
    }
  });
