import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import type { Page } from '@playwright/test';
import QRCode from 'qrcode';
import { v5 as uuidv5 } from 'uuid';
import { inProject } from '../../scripts/site/paths.ts';
import { CHROMIUM, CHROMIUM_ARGS } from '../../scripts/test/chromium.ts';
import { chooseFile, expect, signedIn, test, toolId } from './site.ts';

/** What the browser's pretended camera sees, over and over; read when a page asks for the camera. */
const SEEN = inProject('.jentik', 'test-results', 'camera.y4m');

test.use({
  launchOptions: {
    executablePath: CHROMIUM,
    args: [
      ...CHROMIUM_ARGS,
      '--use-fake-device-for-media-stream',
      '--use-fake-ui-for-media-stream',
      `--use-file-for-fake-video-capture=${SEEN}`,
    ],
  },
});

const photographOf = async (page: Page, svg: string): Promise<Buffer> => {
  await page.setContent(svg);
  return await page.screenshot({ clip: { x: 0, y: 0, width: 250, height: 110 } });
};

const labelOf = async (page: Page, code: string): Promise<{ id: string; svg: string }> => {
  const id = await toolId(page, code);
  return { id, svg: await (await page.request.get(`/api/v1/tools/${id}/label.svg`)).text() };
};

const GREY = 128;

/** Lets the camera see a picture: one grey frame of an uncompressed film, 640 by 480, the picture in its middle. */
const letCameraSee = async (page: Page, photograph: Buffer): Promise<void> => {
  const luma = await page.evaluate(async (base64) => {
    const picture = await createImageBitmap(await (await fetch(`data:image/png;base64,${base64}`)).blob());
    const canvas = new OffscreenCanvas(640, 480);
    const context = canvas.getContext('2d');
    if (!context) return [];
    context.fillStyle = '#888';
    context.fillRect(0, 0, 640, 480);
    context.drawImage(picture, 70, 130, 500, 220);
    const { data } = context.getImageData(0, 0, 640, 480);
    return Array.from({ length: 640 * 480 }, (_, at) => data[at * 4] ?? 0);
  }, photograph.toString('base64'));
  mkdirSync(dirname(SEEN), { recursive: true });
  writeFileSync(
    SEEN,
    Buffer.concat([
      Buffer.from('YUV4MPEG2 W640 H480 F5:1 Ip A1:1 C420jpeg\nFRAME\n'),
      Buffer.from(luma),
      Buffer.alloc((640 * 480) / 2, GREY),
    ]),
  );
};

const nothingSeen = async (page: Page): Promise<void> =>
  await letCameraSee(page, await photographOf(page, '<p>a bench</p>'));

test('a label opens its tool from a photograph', async ({ page }) => {
  await signedIn(page, 'Dewi');
  await nothingSeen(page);
  const { id, svg } = await labelOf(page, 'TS-09');
  // Whoever holds the tool reads there until when it may be used.
  expect(svg).toMatch(/due \d{1,2} \w{3} \d{4}/);
  const photograph = await photographOf(page, svg);
  await page.goto('/tools/scan');
  await chooseFile(page, { name: 'label.png', mimeType: 'image/png', buffer: photograph });
  await expect(page).toHaveURL(new RegExp(`/tools/${id}$`));
});

test('a label held before the camera opens its tool', async ({ page }) => {
  await signedIn(page, 'Dewi');
  const { id, svg } = await labelOf(page, 'TS-07');
  await letCameraSee(page, await photographOf(page, svg));
  await page.goto('/tools/scan');
  await expect(page).toHaveURL(new RegExp(`/tools/${id}$`));
});

/** Of these labels a look at one width misses a few, whichever width: the next look finds them. */
const LABELS = 60;

test('every label is read, whatever falls between the pixels; a picture without one is told so', async ({
  page,
}) => {
  await signedIn(page, 'Dewi');
  await nothingSeen(page);
  const { svg } = await labelOf(page, 'TS-09');
  expect(svg).toContain('<svg x="2"');
  const blank = await photographOf(page, '<p>a bench</p>');
  const photographs: Buffer[] = [];
  for (let number = 0; number < LABELS; number += 1) {
    // Of another site, so that reading it leads nowhere; as long as an address of this one.
    const said = `http://127.0.0.1:39937/parts/${uuidv5(String(number), uuidv5.URL)}`;
    const code = await QRCode.toString(said, { type: 'svg', margin: 0, errorCorrectionLevel: 'M' });
    const inner = code.replace(
      /^[\s\S]*?viewBox="([^"]*)"[^>]*>/,
      '<svg x="2" y="2" width="20" height="20" viewBox="$1">',
    );
    photographs.push(
      await photographOf(
        page,
        svg.replace(/<svg x="2"[\s\S]*?<\/svg>/, () => inner),
      ),
    );
  }
  await page.goto('/tools/scan');
  const told = page.getByRole('main').getByRole('status');
  const unread: number[] = [];
  for (const [number, buffer] of photographs.entries()) {
    await chooseFile(page, { name: 'bench.png', mimeType: 'image/png', buffer: blank });
    await expect(told).toContainText('No code found in this picture.');
    await chooseFile(page, { name: 'label.png', mimeType: 'image/png', buffer });
    await expect(told)
      .not.toContainText('No code found in this picture.', { timeout: 15_000 })
      .catch(() => unread.push(number));
  }
  await expect(told).toContainText('This code is not a label of this site.');
  expect(unread).toEqual([]);
});
