import { type CDPSession, chromium, type Page } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../test/chromium.ts';
import { onBenchSite } from './bench-site.ts';
import { printMeasured } from './measured.ts';

const FRAMES = 120;
const WHEEL_STEP = 40;

/** How long the main thread has worked since the page began, in milliseconds. */
const worked = async (session: CDPSession): Promise<number> => {
  const { metrics } = await session.send('Performance.getMetrics');
  return (metrics.find(({ name }) => name === 'TaskDuration')?.value ?? 0) * 1000;
};

/** Waits for the next frame, and answers whether the page shows then that something is worked out beside it. */
const frame = (page: Page): Promise<boolean> =>
  page.evaluate(
    () =>
      new Promise<boolean>((done) =>
        requestAnimationFrame(() => done(document.querySelector('progress') !== null)),
      ),
  );

type Frame = { readonly ms: number; readonly isWorkedBeside: boolean };

/** What the main thread works in each of so many frames while something is done in it, and whether something was worked out beside it from its
 *  begin to its end; what it takes to ask is in it too. */
const perFrame = async (
  page: Page,
  session: CDPSession,
  act: (index: number) => Promise<unknown>,
): Promise<readonly Frame[]> => {
  const took: Frame[] = [];
  let wasBeside = false;
  for (let index = 0; index < FRAMES; index += 1) {
    const before = await worked(session);
    await act(index);
    const isBeside = await frame(page);
    took.push({ ms: (await worked(session)) - before, isWorkedBeside: wasBeside && isBeside });
    wasBeside = isBeside;
  }
  return took;
};

const msOf = (frames: readonly Frame[]): readonly number[] => frames.map(({ ms }) => ms);

const lay = async (page: Page, shape: string, fields: Readonly<Record<string, string>>): Promise<void> => {
  await page.getByRole('button', { name: shape, exact: true }).click();
  for (const [label, text] of Object.entries(fields))
    await page.getByLabel(label, { exact: true }).fill(text);
  await page.getByRole('button', { name: /^Lay out \d/ }).click();
};

/** What the main thread does in a frame: with two thousand fasteners on one drawing, pushed and zoomed, and while 24 are simulated. */
export const benchBoard = (): Promise<void> =>
  onBenchSite(async ({ address, people }) => {
    const browser = await chromium.launch({ executablePath: CHROMIUM, args: [...CHROMIUM_ARGS] });
    try {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: address });
      const page = await context.newPage();
      const known = (await (await context.request.get('/api/v1/people')).json()) as {
        id: string;
        name: string;
      }[];
      const [first] = people;
      await context.request.post('/api/v1/sessions', {
        data: { personId: known.find(({ name }) => name === first?.name)?.id, pin: first?.pin },
        headers: { origin: address },
      });
      await page.goto('/jobs/new/layout');
      const session = await context.newCDPSession(page);
      await session.send('Performance.enable');
      await page.getByLabel('Kind of joint').selectOption('control-cabinet');
      await lay(page, 'Grid', { Across: '50', Down: '40' });
      await page.getByText('2000 fasteners').first().waitFor();
      const drawing = page.getByRole('application', { name: 'Drawing of what is laid out' });
      const box = await drawing.boundingBox();
      if (!box) throw new Error('no drawing to push');
      const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
      await page.waitForTimeout(1000);
      await page.mouse.move(x, y);
      await page.mouse.down();
      const pan = await perFrame(page, session, (index) =>
        page.mouse.move(x + 60 * Math.sin(index / 12), y + 40 * Math.cos(index / 9)),
      );
      await page.mouse.up();
      printMeasured('2000 fasteners pushed about, main thread a frame (bound 12 ms)', msOf(pan));
      await page.waitForTimeout(1000);
      const zoom = await perFrame(page, session, (index) =>
        page.mouse.wheel(0, index % 40 < 20 ? -WHEEL_STEP : WHEEL_STEP),
      );
      printMeasured('2000 fasteners zoomed, main thread a frame (bound 12 ms)', msOf(zoom));
      await page.getByLabel('Kind of joint').selectOption('soft-seat-ring');
      await lay(page, 'Bolt circle', { 'How many': '24' });
      await page.getByTestId('spreads').waitFor();
      await page.waitForTimeout(1500);
      // Another preset is another simulation: each is asked while the frames are counted.
      await page.getByRole('button', { name: 'gasket' }).scrollIntoViewIfNeeded();
      const seats = ['gasket', 'thin plate', 'rubber or cork lined', 'rigid, metal on metal'];
      const middles = await Promise.all(
        seats.map(async (name) => {
          const place = await page.getByRole('button', { name }).boundingBox();
          if (!place) throw new Error(`no ${name} to choose`);
          return [place.x + place.width / 2, place.y + place.height / 2] as const;
        }),
      );
      const simulated = await perFrame(page, session, async (index) => {
        const middle = index % 30 === 0 && middles[(index / 30) % seats.length];
        if (middle) await page.mouse.click(...middle);
      });
      printMeasured(
        '24 fasteners simulated in the worker, main thread a frame (bound 8 ms)',
        msOf(simulated.filter(({ isWorkedBeside }) => isWorkedBeside)),
      );
      printMeasured(
        'before it is asked and once it is drawn, main thread a frame',
        msOf(simulated.filter(({ isWorkedBeside }) => !isWorkedBeside)),
      );
    } finally {
      await browser.close();
    }
  });
