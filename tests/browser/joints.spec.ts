import type { Page } from '@playwright/test';
import {
  betweenPulses,
  cautionsDone,
  chooseFile,
  eventsOf,
  expect,
  pinOf,
  plannedJob,
  signedIn,
  takeTool,
  test,
} from './site.ts';

const action = (page: Page) => page.getByTestId('main-action');
const step = (page: Page) => page.getByTestId('step');
const press = async (page: Page, ...keys: readonly string[]): Promise<void> => {
  for (const key of keys) await page.keyboard.press(key);
};
const typed = async (page: Page, digits: string): Promise<void> => {
  await page.keyboard.type(digits);
  await page.keyboard.press('Enter');
};

const madeSafe = async (page: Page, job: string, tool: string): Promise<void> => {
  await page.goto(`/jobs/${job}/plan`);
  await takeTool(page, tool);
  await cautionsDone(page, job);
};

const COLLETS = [
  'position,label,requirement,shank,cutter,part',
  'C-1,holder 3,R-22,4 mm,end mill,KC16-T1',
].join('\n');

const importList = async (page: Page, name: string, list: string, title: string): Promise<void> => {
  await page.goto('/jobs/new');
  await page.getByRole('textbox', { name: 'What is it' }).fill(title);
  await page.getByRole('textbox', { name: 'Where the values are printed' }).fill('Mill tooling card');
  await chooseFile(page, { name, mimeType: 'text/csv', buffer: Buffer.from(list) });
};

test('a collet, 16 size and 4 mm, from the list to the signature: depth, flutes, torque, runout', async ({
  page,
}) => {
  await signedIn(page, 'Bram');
  await importList(page, 'collets.csv', COLLETS, 'Holder 3');
  // The list speaks of shanks: its kind of joint need not be chosen.
  await expect(page.getByRole('combobox', { name: 'Kind of joint' })).toHaveValue('collet-nut');
  await page.getByRole('button', { name: 'Import the line' }).click();
  await page.waitForURL(/\/plan$/);
  await expect(page.getByRole('columnheader', { name: 'Shank' })).toBeVisible();
  await expect(page.getByText('onductor')).toHaveCount(0);
  const job = /jobs\/([^/]+)/.exec(page.url())?.[1] ?? '';
  await madeSafe(page, job, 'TW-20');
  await expect(step(page)).toContainText('Collet inspected');
  await expect(step(page)).toContainText('KC16-T1');
  await press(page, 'Space');
  await expect(step(page)).toContainText('Seats clean');
  await press(page, 'Space');
  await expect(step(page)).toContainText('snapped into the nut');
  await press(page, 'Space');
  await expect(step(page)).toContainText('3 mm or more');
  await typed(page, '4.2');
  await expect(page.getByRole('alert')).toContainText('With what was it measured');
  await page.getByTestId('instrument').fill('depth rule DR-1');
  await page.getByTestId('instrument').blur();
  await press(page, 'Enter');
  await expect(step(page)).toContainText('1.5 mm or more');
  await typed(page, '1.2');
  await expect(step(page)).toContainText('Last time: 1.2 mm');
  await typed(page, '2.5');
  await expect(action(page)).toContainText('is set to 38 N·m');
  await press(page, 'Space');
  await expect(action(page)).toContainText('It clicked');
  await press(page, 'Space');
  // The runout is the second condition, with the limit that the book has for it.
  await expect(step(page)).toContainText('0.01 mm or less');
  await typed(page, '0.012');
  await expect(step(page)).toContainText('Last time: 0.012 mm');
  await page.goto(`/jobs/${job}/sign`);
  await expect(page.getByText('Before anyone signs')).toBeVisible();
  await page.getByRole('link', { name: 'To the Bench' }).click();
  await expect(action(page)).toBeEnabled();
  await page.getByTestId('instrument').fill('indicator DI-2');
  await page.getByTestId('instrument').blur();
  await typed(page, '0.006');
  await expect(action(page)).toContainText('Wound down:');
  await press(page, 'Space');
  await expect(action(page)).toContainText('Nothing left to pull: sign');
  await expect(page.getByText('all sent')).toBeVisible();
  await page.goto(`/jobs/${job}/sign`);
  await expect(page.getByTestId('steps-done')).toContainText('0.006 mm, with indicator DI-2');
  await page.getByLabel('PIN').first().fill(pinOf('Bram'));
  await page.getByRole('main').getByRole('button', { name: /Sign/ }).first().click();
  const stage = async () =>
    ((await (await page.request.get('/api/v1/jobs')).json()) as { id: string; stage: string }[]).find(
      ({ id }) => id === job,
    )?.stage;
  await expect.poll(stage).toBe('done');
  const record = await (await page.request.get(`/api/v1/jobs/${job}/record.json`)).json();
  expect(record).toMatchObject({
    version: 3,
    statement: { stage: 'done', groups: [{ parts: [{ code: 'KC16-T1' }] }] },
  });
});

test('a collet, 16 size and 4 mm, off the table with no file: to the wrench that is set and a nut that is recorded', async ({
  page,
}) => {
  await signedIn(page, 'Bram');
  await page.goto('/specs/tables');
  await page.getByRole('link', { name: 'Collet nut, 16 series' }).click();
  await page.getByLabel(/Shank/i).first().fill('4 mm');
  await page.getByRole('button', { name: /^Tighten this:/ }).click();
  await page.waitForURL(/jobs\/new\/one/);
  await expect(page.getByLabel('Kind of joint')).toHaveValue('collet-nut');
  await expect(page.getByText('out of the book')).toBeVisible();
  await page.getByRole('button', { name: 'Choose the tool' }).click();
  await page.waitForURL(/\/plan$/);
  const job = /jobs\/([^/]+)/.exec(page.url())?.[1] ?? '';
  await madeSafe(page, job, 'TW-20');
  // Cautions and steps one by one, a reading where one is asked for, until the wrench is to be set.
  for (let count = 0; count < 12 && !(await action(page).textContent())?.includes('is set to'); count += 1) {
    if ((await page.getByTestId('instrument').count()) > 0) {
      await page.getByTestId('instrument').fill('depth rule DR-1');
      await page.getByTestId('instrument').blur();
      await typed(page, '4.2');
    } else await press(page, 'Space');
  }
  await expect(action(page)).toContainText('is set to');
  await press(page, 'Space');
  await expect(action(page)).toContainText('It clicked');
  await press(page, 'Space');
  await expect(page.getByText('all sent')).toBeVisible();
  const events = await eventsOf(page, job);
  expect(events.filter(({ kind }) => kind === 'pull-made').map(({ body }) => body.outcome)).toEqual(['in']);
});

test('a scratched collet is warned of on the next job that takes it', async ({ page }) => {
  await signedIn(page, 'Bram');
  const list = COLLETS.replaceAll('KC16-T1', 'KC16-T2').replace('R-22', '38 Nm');
  const first = await plannedJob(page, 'Scratched collet', list, 'collet-nut');
  await madeSafe(page, first, 'TW-20');
  await expect(step(page)).toContainText('KC16-T2');
  await page.getByRole('button', { name: 'Not good' }).click();
  const dialog = page.getByRole('dialog', { name: /Not good/ });
  await dialog.getByRole('button', { name: 'ring scratch' }).click();
  await dialog.getByRole('button', { name: 'Record it as not good' }).click();
  await expect(step(page)).toContainText('Last time: not good: ring scratch');
  await expect(page.getByText('all sent')).toBeVisible();
  const second = await plannedJob(page, 'Next holder', list, 'collet-nut');
  await page.goto(`/jobs/${second}/plan`);
  const parts = page.getByRole('region', { name: 'Parts' });
  await expect(parts.getByRole('alert')).toContainText('ring scratch');
  await parts.getByRole('link', { name: 'KC16-T2' }).click();
  await expect(page.getByRole('alert')).toContainText('Take another');
});

const RING = ['position,label,requirement', ...[1, 2, 3, 4].map((at) => `S-${at},screw ${at},R-5`)].join(
  '\n',
);

test('a ring on a soft seat: three passes crosswise, then the wait holds it, and says until when', async ({
  page,
}) => {
  await signedIn(page, 'Ayu');
  await importList(page, 'ring.csv', RING, 'Small ring');
  // Nothing in it speaks of a kind: it is asked for.
  await expect(page.getByRole('button', { name: 'Choose the kind of joint' })).toBeDisabled();
  await page.getByRole('combobox', { name: 'Kind of joint' }).selectOption('soft-seat-ring');
  await page.getByRole('button', { name: 'Import all 4 lines' }).click();
  await page.waitForURL(/\/plan$/);
  const job = /jobs\/([^/]+)/.exec(page.url())?.[1] ?? '';
  await expect(page.getByText('4 ring screws crosswise', { exact: true })).toBeVisible();
  await madeSafe(page, job, 'TS-09');
  await expect(step(page)).toContainText('started by hand');
  await press(page, 'Space');
  const order: string[] = [];
  for (let pass = 1; pass <= 3; pass += 1) {
    if (pass > 1) {
      await expect(step(page)).toContainText('Gap even');
      await page.getByRole('button', { name: 'Pass over' }).click();
    }
    await expect(action(page)).toContainText('is set to');
    await press(page, 'Space');
    for (let pull = 0; pull < 4; pull += 1) {
      await expect(action(page)).toContainText('It clicked');
      const position = await page.getByTestId('current-position').textContent();
      order.push(position ?? '');
      await press(page, 'Space');
      await expect(page.getByTestId('verdict')).toContainText(
        `${position}: ${pass < 3 ? 'pass reached' : 'in'}`,
      );
    }
  }
  expect(order.slice(0, 4)).toEqual(['S-1', 'S-3', 'S-2', 'S-4']);
  await expect(step(page)).toContainText('Seat left to settle');
  await expect(step(page)).toContainText('4 h, until');
  await press(page, 'Space');
  await expect(page.getByRole('alert')).toContainText('another 4 h');
  // A lead who knows that it has settled, as on the next day with another clock, says why it need not be waited for.
  await page.getByRole('button', { name: 'Leave it' }).click();
  const dialog = page.getByRole('dialog', { name: /Leave/ });
  await dialog.getByRole('textbox').fill('dry seat, trial only');
  await dialog.getByRole('button', { name: 'Leave it', exact: true }).click();
  // A click says nothing of whether it turned: that is asked, and no pulse of a pedal answers it.
  const clicked = async (answer: 'n' | 'm'): Promise<void> => {
    await expect(action(page)).toContainText('It clicked');
    await press(page, 'Space');
    await expect(page.getByRole('dialog', { name: /^Did S-\d turn/ })).toBeVisible();
    await press(page, answer);
    await expect(page.getByRole('dialog')).toHaveCount(0);
  };
  await clicked('m');
  for (let pull = 0; pull < 3; pull += 1) await clicked('n');
  // One turned, so that another round follows.
  await expect(page.getByText('round 2 at full torque')).toBeVisible();
  for (let pull = 0; pull < 4; pull += 1) await clicked('n');
  await expect(action(page)).toContainText('Wound down:');
  await press(page, 'Space');
  await expect(action(page)).toContainText('Nothing left to pull: sign');
});

const COCKPIT = [
  'group,position,label,requirement,direction',
  'bar,H-1,left,5 to 6 Nm,right',
  'bar,H-2,right,5 to 6 Nm,right',
  'box,T-1,feed,0.5 Nm,left',
].join('\n');

test('two groups of two kinds: each with its own tool, in the order that was chosen', async ({ page }) => {
  await signedIn(page, 'Bram');
  await importList(page, 'cockpit.csv', COCKPIT, 'Bar and box');
  const kinds = page.getByRole('combobox', { name: 'Kind of joint' });
  await kinds.nth(0).selectOption('soft-part-clamp');
  await kinds.nth(1).selectOption('control-cabinet');
  await page.getByRole('button', { name: 'Work it earlier' }).click();
  await page.getByRole('button', { name: 'Import all 3 lines' }).click();
  await page.waitForURL(/\/plan$/);
  await expect(page.getByRole('region', { name: 'Tools for box' })).toContainText('1 box: which tool');
  const box = page.getByRole('region', { name: 'Tools for box' });
  const bar = page.getByRole('region', { name: 'Tools for bar' });
  await box.getByRole('button', { name: 'Take TS-09', exact: true }).click();
  await expect(box).toContainText('the tool');
  await bar.getByRole('button', { name: 'Take TE-01', exact: true }).click();
  await bar.getByRole('button', { name: 'Take one beside it' }).click();
  await bar.getByRole('button', { name: /^Take TD-01$/ }).click();
  const rows = page.getByRole('row');
  await expect(rows.filter({ hasText: 'T-1' })).toContainText('TS-09');
  await expect(rows.filter({ hasText: 'H-1' })).toContainText(/T[ED]-01/);
  await page.getByRole('link', { name: 'Go to the Bench' }).click();
  await expect(page.getByTestId('current-position')).toHaveText('T-1');
  await expect(page.getByText('left-hand thread')).toBeVisible();
  await page.getByRole('navigation', { name: 'Groups' }).getByRole('button', { name: '2 bar' }).click();
  const other = page.locator('[data-position="H-1"]');
  await expect(other).toBeVisible();
  // Beside the names of the groups there is room for the drawing on a phone too.
  await page.setViewportSize({ width: 390, height: 844 });
  await expect(other).toBeInViewport({ ratio: 0.8 });
});

test('on a phone a step is measured with the number pad', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signedIn(page, 'Bram');
  const list = COLLETS.replaceAll('KC16-T1', 'KC16-T3').replace('R-22', '38 Nm');
  const job = await plannedJob(page, 'On a phone', list, 'collet-nut');
  await madeSafe(page, job, 'TW-20');
  for (const title of ['Collet inspected', 'Seats clean', 'snapped']) {
    await expect(step(page)).toContainText(title);
    await action(page).click();
    await betweenPulses(page);
  }
  await page.getByTestId('instrument').fill('DR-1');
  await page.getByRole('button', { name: 'Pad' }).click();
  const pad = page.getByRole('group', { name: 'Number pad, mm' });
  for (const key of ['3', 'decimal point', '5'])
    await pad.getByRole('button', { name: key, exact: true }).click();
  await page.getByRole('button', { name: 'Record 3.5 mm' }).click();
  await expect(step(page)).toContainText('Flutes out');
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

test('a part there is no other of is warned of, its lower half taken, and an overload said before the first pull', async ({
  page,
}) => {
  await signedIn(page, 'Eko');
  const list =
    'position,label,requirement,part,load_a,rated_a\nS1,stud,38 to 44 in-lb,STUD-9,42,32\nS2,stud,38 to 44 in-lb,,20,32\n';
  const job = await plannedJob(page, 'Studs of the old panel', list, 'control-cabinet', ['STUD-9']);
  await page.goto(`/jobs/${job}/plan`);
  await expect(page.getByTestId('overloads')).toContainText('S1: 42 A where 32 A is rated');
  await expect(page.getByTestId('overloads')).not.toContainText('S2');
  const only = page.getByTestId('only-one-STUD-9');
  await only.getByRole('button', { name: 'Take the lower half for 1' }).click();
  await expect(only).toContainText('The lower half is taken for 1 of 1.');
  await expect(page.getByRole('row', { name: /S1/ })).toContainText('39.5 lbf·in (38 to 41)');
  await expect(page.getByText('all sent')).toBeVisible();
  await page.goto(`/jobs/${job}/bench`);
  await expect(
    page.getByText('There is no other STUD-9: this is the lower half of its range.'),
  ).toBeVisible();
  await expect(page.getByText('More torque cures nothing.')).toBeVisible();
});
