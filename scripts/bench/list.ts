import { chromium } from '@playwright/test';
import { build, preview } from 'vite';
import { galleryConfig } from '../gallery/build.ts';
import { CHROMIUM, CHROMIUM_ARGS } from '../test/chromium.ts';
import { printMeasured } from './measured.ts';

const ROUNDS = 30;
const QUERIES = ['terminal 7', 'P-09', 'low', '', 'terminal 99', 'above'];

/** How long a list of 10,000 rows takes from a key to the rows that are left, drawn. */
export const benchList = async (): Promise<void> => {
  const config = await galleryConfig();
  await build(config);
  const site = await preview(config);
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: [...CHROMIUM_ARGS] });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${site.resolvedUrls?.local[0]}?part=long-list`);
  const field = page.getByRole('searchbox');
  await field.waitFor();
  const took: number[] = [];
  for (let round = 0; round < ROUNDS; round += 1)
    for (const query of QUERIES)
      took.push(
        await field.evaluate((input: HTMLInputElement, text: string) => {
          const put = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
          const start = performance.now();
          put?.call(input, text);
          input.dispatchEvent(new Event('input', { bubbles: true }));
          return new Promise<number>((done) =>
            requestAnimationFrame(() => setTimeout(() => done(performance.now() - start))),
          );
        }, query),
      );
  await browser.close();
  await site.close();
  printMeasured('a list of 10,000 rows narrowed by a word, until it is drawn', took);
};
