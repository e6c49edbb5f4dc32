import type { Page } from '@playwright/test';
import { SAMPLE_CABINET } from '../core/job/sample-job.ts';
import { address, cautionsDone, eventsOf, expect, plannedJob, signedIn, takeTool, test } from './site.ts';

const WRENCH = 'BL-E001';
/** A kind of joint with nothing to do but pull. */
const BARE = {
  ...SAMPLE_CABINET,
  code: 'own-bare-wrench',
  revision: 1,
  name: 'Bare',
  usualDrive: 'hex-head',
  steps: SAMPLE_CABINET.steps.slice(0, 1),
} as const;

const hand = async (page: Page, said: object): Promise<void> => {
  const answer = await page.request.post(`${address()}/api/v1/devices/hand`, { data: said });
  expect(answer.status()).toBe(200);
};
const raw = (page: Page, ...lines: readonly object[]): Promise<void> =>
  hand(page, { do: 'raw', text: lines.map((line) => `${JSON.stringify(line)}\n`).join('') });
const pulled = async (page: Page, job: string) =>
  (await eventsOf(page, job))
    .filter(({ kind }) => kind === 'pull-made')
    .map(({ body }) => body as Readonly<Record<string, unknown>>);

/** A bench with the electronic wrench in hand, heard and set. */
const wrenchBench = async (
  page: Page,
  title: string,
  requirement = '8 to 10 Nm',
  count = 4,
): Promise<string> => {
  await signedIn(page, 'Ayu');
  const kind = await page.request.post(`${address()}/api/v1/joint-kinds`, {
    data: { kind: BARE, basedOn: 0 },
  });
  expect([200, 409]).toContain(kind.status());
  const rows = Array.from(
    { length: count },
    (_, at) => `N${at + 1},nut ${at + 1},${at * 20},0,M6,${requirement}`,
  );
  const job = await plannedJob(
    page,
    title,
    `position,label,x_mm,y_mm,thread,requirement\n${rows.join('\n')}\n`,
    BARE.code,
  );
  await page.goto(`/jobs/${job}/plan`);
  await takeTool(page, 'TE-01');
  await cautionsDone(page, job);
  await expect(page.getByTestId('device-link')).toContainText('TE-01 is connected');
  const main = page.getByTestId('main-action');
  if (await main.getByText('is set to').isVisible()) await page.keyboard.press('Space');
  await expect(main).toContainText('Type');
  return job;
};

test('a pull of the connected wrench: live on the tape, drawn as a curve, recorded by itself with what the curve says', async ({
  page,
}) => {
  const job = await wrenchBench(page, 'Connected');
  const pull = hand(page, {
    do: 'pull',
    device: WRENCH,
    torque: 9,
    rate: 1_000,
    riseMs: 2_500,
    clicks: true,
  });
  await expect(page.getByTestId('live')).toBeVisible();
  await expect(page.getByRole('img', { name: /^Curve of the pull/ })).toBeVisible();
  await pull;
  await expect(page.getByTestId('verdict')).toContainText('N1: in');
  await expect(page.getByTestId('device')).toContainText('gave at 9');
  await expect(page.getByTestId('device')).toContainText('last fifth in 0.');
  await expect(page.getByText('all sent')).toBeVisible();
  const [body] = await pulled(page, job);
  expect(body).toMatchObject({
    position: 'N1',
    method: 'reading',
    outcome: 'in',
    device: { serial: WRENCH },
  });
  const { curve } = body?.['device'] as { curve: Record<string, number> };
  expect(curve['clickNewtonMetres']).toBeCloseTo(9, 0);
  expect(curve['points']).toBeGreaterThan(2_000);
  await expect(page.getByTestId('current-position')).toHaveText('N2');
});

test('what can’t be this pull is said plainly, and none of it is recorded', async ({ page }) => {
  const job = await wrenchBench(page, 'Troubled');
  const trouble = page.getByTestId('device-trouble');
  const at = 1_000_000;
  const peak = (number: number, more: object = {}) => ({
    kind: 'peak',
    device: WRENCH,
    number,
    at,
    unit: 'N.m',
    peak: 9,
    ...more,
  });
  await raw(page, peak(1_001, { job: '9999' }));
  await expect(page.getByText('It answers for another job')).toBeVisible();
  await raw(page, peak(1_002, { unit: 'lbf.in', peak: 80 }));
  await expect(page.getByText('The tool shows another unit')).toBeVisible();
  await raw(page, peak(1_003, { unit: 'furlongs' }));
  await expect(trouble).toContainText('names the unit “furlongs”');
  await raw(page, peak(1, { device: 'BL-E002' }));
  await expect(page.getByText('sent a pull; the tool in hand is TE-01')).toBeVisible();
  await hand(page, { do: 'raw', text: 'ÿÿ 12.4\nPK;9;Nm\n' });
  await expect(trouble).toContainText('Lines came that are none of a device');
  const points = {
    kind: 'points',
    device: WRENCH,
    number: 1_004,
    at,
    unit: 'N.m',
    part: 0,
    points: [
      [0, 1],
      [20, 9],
    ],
  };
  await raw(page, points, { kind: 'end', device: WRENCH, number: 1_004, at, parts: 3 });
  await expect(trouble).toContainText('the curve of reading 1004 is not whole');
  await hand(page, { do: 'raw', text: `${JSON.stringify({ ...points, number: 1_005 })}\n` });
  await hand(page, { do: 'cut' });
  await expect(trouble).toContainText('the curve of reading 1005 is not whole');
  expect(await pulled(page, job)).toEqual([]);
  // Heard again by itself, and none of it counts twice.
  await expect(page.getByTestId('device-link')).toContainText('TE-01 is connected');
  await raw(page, peak(2_000), peak(2_000), peak(2_000));
  await expect(page.getByTestId('verdict')).toContainText('N1: in');
  await expect(trouble).toContainText('sent reading 2000 again: it counts once');
  await expect(page.getByText('all sent')).toBeVisible();
  expect(await pulled(page, job)).toHaveLength(1);
  // While something else is asked, a pull is nobody's.
  await page.keyboard.press('e');
  await raw(page, peak(2_001));
  await expect(page.getByText('A pull that nothing waited for')).toBeVisible();
  await page.keyboard.press('Escape');
  expect(await pulled(page, job)).toHaveLength(1);
  // The next one to listen counts from where the wrench truly is.
  await raw(page, { kind: 'hello', device: WRENCH, number: 0, at, is: 'wrench', unit: 'N.m' });
});

test('torque, then the angle as the wrench turns it: both in the record', async ({ page }) => {
  const job = await wrenchBench(page, 'Live angle', '9 Nm + 90°', 1);
  await hand(page, { do: 'pull', device: WRENCH, torque: 9, rate: 1_000, riseMs: 800 });
  await expect(page.getByTestId('turn')).toContainText('Turn on by 90°');
  await hand(page, { do: 'pull', device: WRENCH, torque: 14, rate: 1_000, riseMs: 900, angle: 88 });
  await expect(page.getByTestId('verdict')).toContainText('turned 88° of 90°');
  await expect(page.getByText('1 of 1 in')).toBeVisible();
  await expect(page.getByText('all sent')).toBeVisible();
  const turned = (await eventsOf(page, job)).filter(({ kind }) => kind === 'angle-turned');
  expect(turned.map(({ body }) => body)).toMatchObject([{ method: 'live', outcome: 'in' }]);
});
