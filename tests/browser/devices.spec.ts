import { Buffer } from 'node:buffer';
import type { Page } from '@playwright/test';
import type { PullDevice } from '#core/device/curve-facts.ts';
import { SAMPLE_CABINET } from '../core/job/sample-job.ts';
import {
  address,
  cautionsDone,
  demoJob,
  eventsOf,
  expect,
  plannedJob,
  signedIn,
  takeTool,
  test,
} from './site.ts';

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
  await expect(page.getByTestId('device')).toContainText(/gave at (?:8\.9|9)/);
  await expect(page.getByTestId('device')).toContainText('last fifth in 0.');
  await expect(page.getByText('all sent')).toBeVisible();
  const [body] = await pulled(page, job);
  expect(body).toMatchObject({
    position: 'N1',
    method: 'reading',
    outcome: 'in',
    device: { serial: WRENCH },
  });
  const { curve } = (body as unknown as { device: PullDevice }).device;
  expect(curve?.clickNewtonMetres).toBeCloseTo(9, 0);
  expect(curve?.points).toBeGreaterThan(2_000);
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
  const turn = hand(page, { do: 'pull', device: WRENCH, torque: 14, rate: 1_000, riseMs: 2_000, angle: 88 });
  await expect(page.getByTestId('live').getByRole('img')).toHaveAttribute(
    'aria-label',
    /° acceptance 85|°, acceptance 85/,
  );
  await turn;
  await expect(page.getByTestId('verdict')).toContainText('turned 88° of 90°');
  await expect(page.getByText('1 of 1 in')).toBeVisible();
  await expect(page.getByText('all sent')).toBeVisible();
  const turned = (await eventsOf(page, job)).filter(({ kind }) => kind === 'angle-turned');
  expect(turned.map(({ body }) => body)).toMatchObject([{ method: 'live', outcome: 'in' }]);
});

/** The memory of a wrench as it comes out of it: lines before the job, pulls of it, and one that is like none. */
const memoryFile = (
  lines: number,
  pulls: readonly string[],
): { name: string; mimeType: string; buffer: Buffer } => {
  const now = Date.now();
  const stamp = (ms: number): string => new Date(ms).toISOString().replace('T', ' ').replace('Z', '');
  const before = Array.from(
    { length: lines },
    (_, at) => `${at + 1},${stamp(now - 86_400_000 + at)},5.00,N·m`,
  );
  const mine = pulls.map((torque, at) => `${lines + at + 1},${stamp(now + at)},${torque},N·m`);
  const text = ['No,Logged at,Peak,Unit', ...before, ...mine, '99999,soon,9,N·m'].join('\r\n');
  return { name: 'memory.csv', mimeType: 'text/csv', buffer: Buffer.from(text) };
};

test('the memory of a wrench: columns said once, what matches no fastener looked at, the rest recorded behind a bar', async ({
  page,
}) => {
  const job = await wrenchBench(page, 'Memory', '8 to 10 Nm', 60);
  // What it logs is of the time of the job: the file is read a moment later.
  const pulls = [
    '9.00',
    '1.00',
    '7.00',
    ...Array.from({ length: 59 }, (_, at) => (8.5 + (at % 10) / 10).toFixed(2)),
  ];
  await page.getByRole('link', { name: 'Read its memory' }).click();
  await page.waitForURL(/memory$/);
  await page.locator('input[type=file]').setInputFiles(memoryFile(30_000, pulls));
  const facts = page.getByTestId('memory-facts');
  await expect(page.getByText('memory.csv: 30063 lines')).toBeVisible();
  // The clock on the wall was taken for the tool's; this one goes by UTC.
  const ahead = page.getByLabel('Its clock is ahead of UTC by, minutes');
  await ahead.fill('0');
  await ahead.blur();
  await expect(facts).toHaveText(/^61 readings are matched · 1 matches no fastenerRecord 61 pulls$/);
  await expect(page.getByText('1 line is not read')).toBeVisible();
  await expect(page.getByRole('row', { name: /like no fastener/ })).toContainText('1.00 N·m');
  await page.getByRole('button', { name: 'Record 61 pulls' }).click();
  await expect(page.getByTestId('memory-recorded')).toContainText('61 pulls recorded');
  await expect(page.getByText('60 of 60 in')).toBeVisible();
  await expect(page.getByText('all sent')).toBeVisible();
  const bodies = await pulled(page, job);
  expect(bodies).toHaveLength(61);
  expect(bodies.slice(0, 3).map((body) => [body['position'], body['outcome']])).toEqual([
    ['N1', 'in'],
    ['N2', 'low'],
    ['N2', 'in'],
  ]);
  // Read again: the columns are known, and nothing is recorded twice.
  await page.reload();
  await page.locator('input[type=file]').setInputFiles(memoryFile(30_000, pulls));
  await expect(page.getByText('columns as you said them last')).toBeVisible();
  await expect(facts).toContainText('0 readings are matched');
  await expect(page.getByRole('button', { name: 'Record 0 pulls' })).toBeDisabled();
  // A dial that is on the same job keeps nothing to be read.
  await page.goto(`/jobs/${await demoJob(page, 'Cargo trike')}/memory`);
  await expect(page.getByLabel('Memory of').getByRole('option')).toHaveText(['TE-01 (BL-E001)']);
});
