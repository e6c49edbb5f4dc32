import { chromium } from '@playwright/test';
import { readyJob } from '../load/site-client.ts';
import { ensureDebianPackage } from '../site/debian-package.ts';
import { CHROMIUM, CHROMIUM_ARGS } from '../test/chromium.ts';
import { onBenchSite } from './bench-site.ts';
import { printMeasured } from './measured.ts';

const TERMINALS = [40, 400];
const STARTS = 15;
const SLOWED = [1, 4];
const USABLE = 'usable after ms: ';

/** From opening a bench without the site to being able to work on it, from what the browser keeps. */
export const benchCold = (): Promise<void> =>
  onBenchSite(async ({ address, people, signedIn }) => {
    ensureDebianPackage('chromium', CHROMIUM);
    const client = await signedIn(people[0] as (typeof people)[number]);
    const browser = await chromium.launch({ executablePath: CHROMIUM, args: [...CHROMIUM_ARGS] });
    try {
      const context = await browser.newContext({ baseURL: address, serviceWorkers: 'allow' });
      const [name, value] = client.cookie.split('=') as [string, string];
      await context.addCookies([{ name, value, url: address }]);
      // When the large action could be pressed first, looked at with every frame. The page says it by itself: to be asked from outside slows it by a third.
      await context.addInitScript({
        content: `const look = () => {
          if (document.querySelector('[data-testid=main-action]:enabled')) console.debug('${USABLE}' + performance.now());
          else requestAnimationFrame(look);
        };
        requestAnimationFrame(look);`,
      });
      for (const terminals of TERMINALS) {
        const { job } = await readyJob(client, terminals, 'TS-07');
        const first = await context.newPage();
        await first.goto(`/jobs/${job}/bench`);
        await first.getByText('opens off line').waitFor();
        await first.close();
        await context.setOffline(true);
        for (const slowed of SLOWED) {
          const taken: number[] = [];
          for (let start = 0; start < STARTS; start += 1) {
            const page = await context.newPage();
            const tuning = await context.newCDPSession(page);
            await tuning.send('Emulation.setCPUThrottlingRate', { rate: slowed });
            const isUsable = page.waitForEvent('console', (said) => said.text().startsWith(USABLE));
            await page.goto(`/jobs/${job}/bench`, { waitUntil: 'commit' });
            taken.push(Number((await isUsable).text().slice(USABLE.length)));
            await page.close();
          }
          printMeasured(
            `bench of ${terminals} terminals usable without the site, processor slowed ${slowed} times`,
            taken,
          );
        }
        await context.setOffline(false);
      }
    } finally {
      await browser.close();
    }
  });
