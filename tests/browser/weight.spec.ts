import { atRest, demoJob, expect, signedIn, test } from './site.ts';

const SCRIPT_MOST_BYTES = 150_000;
const FONT_MOST_BYTES = 40_000;

test('the bench loads at most 150 kB of packed script and no font over 40 kB', async ({ page }) => {
  await signedIn(page, 'Ayu');
  const scripts: { readonly name: string; readonly bytes: number; readonly packed: string | undefined }[] =
    [];
  const fonts: number[] = [];
  const asked: Promise<void>[] = [];
  page.on('response', (response) => {
    const type = response.request().resourceType();
    if (type !== 'script' && type !== 'font') return;
    asked.push(
      (async () => {
        const { responseBodySize: bytes } = await response.request().sizes();
        if (type === 'font') fonts.push(bytes);
        else
          scripts.push({
            name: new URL(response.url()).pathname,
            bytes,
            packed: response.headers()['content-encoding'],
          });
      })(),
    );
  });
  await page.goto(`/jobs/${await demoJob(page, 'Dome')}/bench`, { waitUntil: 'load' });
  await expect(page.getByTestId('main-action')).toBeEnabled();
  // What comes a moment later, for the case that it is asked for, is no part of what the bench waits for.
  const waitedFor = [...asked];
  await Promise.all(waitedFor);
  expect(scripts.length).toBeGreaterThan(0);
  expect(scripts.filter(({ packed }) => packed !== 'br')).toEqual([]);
  const sum = scripts.reduce((bytes, each) => bytes + each.bytes, 0);
  expect(sum, JSON.stringify(scripts)).toBeLessThanOrEqual(SCRIPT_MOST_BYTES);
  expect(fonts.length).toBeGreaterThan(0);
  expect(Math.max(...fonts)).toBeLessThanOrEqual(FONT_MOST_BYTES);
});

test('charts, the scanner and the search come when they are opened, not before', async ({ page }) => {
  await signedIn(page, 'Ayu');
  const names = new Set<string>();
  page.on('request', (request) => names.add(new URL(request.url()).pathname));
  const has = (name: RegExp): boolean => [...names].some((each) => name.test(each));
  await page.goto('/tools');
  await atRest(page);
  expect(has(/ErrorChart|SearchDialog|ScanScreen/)).toBe(false);
  await page.keyboard.press('/');
  await expect(page.getByLabel('Search everything')).toBeFocused();
  expect(has(/SearchDialog/)).toBe(true);
});
