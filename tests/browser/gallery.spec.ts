import { type Browser, chromium } from '@playwright/test';
import { build, preview } from 'vite';
import { galleryConfig } from '../../scripts/gallery/build.ts';
import { CHROMIUM, CHROMIUM_ARGS } from '../../scripts/test/chromium.ts';
import { expect, test } from './site.ts';

/** The gallery as `npm run gallery` shows it, built and given out for the time of a test. */
const withGallery = async (work: (address: string, browser: Browser) => Promise<void>): Promise<void> => {
  const config = await galleryConfig();
  await build(config);
  const site = await preview(config);
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: [...CHROMIUM_ARGS] });
  try {
    await work(site.resolvedUrls?.local[0] ?? '', browser);
  } finally {
    await browser.close();
    await site.close();
  }
};

test('the gallery shows each part of the kit in every state, both themes, three sizes', async () => {
  await withGallery(async (address, browser) => {
    const page = await browser.newPage();
    const said: string[] = [];
    page.on('pageerror', (error) => said.push(String(error)));
    await page.goto(address);
    const parts = await page.getByRole('navigation').getByRole('link').allTextContents();
    expect(parts.length).toBeGreaterThan(5);
    for (const part of parts) {
      for (const theme of ['light', 'dark'])
        for (const width of [1280, 768, 390])
          await expect(page.locator(`iframe[title="${part}, ${theme}, ${width} pixels"]`)).toHaveCount(1);
      await page.goto(`${address}?part=${part}&theme=dark`);
      await expect(page.locator('[data-state]').first()).toBeVisible();
      expect(said, part).toEqual([]);
      await page.goBack();
    }
  });
});
