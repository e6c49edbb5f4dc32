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
        const times = await page.evaluate(
          async ([pulls, wait]) => {
            const front = (): string =>
              document.querySelector('[data-testid=current-position]')?.textContent ?? '';
            // The most urgent task posted from a frame's callback runs when that frame has been drawn, before whatever else waits.
            const drawn = (): Promise<void> =>
              new Promise((resolve) =>
                requestAnimationFrame(
                  () => void scheduler.postTask(() => resolve(), { priority: 'user-blocking' }),
                ),
              );
            const taken: number[] = [];
            for (let index = 0; index < (pulls as number); index += 1) {
              const [before, start] = [front(), performance.now()];
              window.dispatchEvent(new KeyboardEvent('keydown', { key: ' ' }));
              do await drawn();
              while (front() === before);
              taken.push(performance.now() - start);
              await new Promise((resolve) => setTimeout(resolve, wait));
            }
            return taken;
          },
          [PULLS, pause] as const,
        );
        printMeasured(
          `pull to the next of ${TERMINALS} terminals on screen, one every ${pause} ms, processor slowed ${slowed} times`,
          times,
        );
      }
    } finally {
      await browser.close();
    }
  });
