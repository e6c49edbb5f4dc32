import { writeFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { DxfWriter, point3d, Units } from '@tarikjabiri/dxf';
import { JOINT_KINDS } from '#core/joint/joint-kinds.ts';
import { ORDER_WORDS } from '#wire/words/order.ts';
import { atRest, chooseFile, expect, HEADER, plannedJob, signedIn, test } from './site.ts';

const layout = async (page: Page): Promise<void> => {
  await page.goto('/jobs/new/layout');
  await atRest(page);
  await expect(page.getByLabel('Kind of joint')).toBeEnabled();
};

const heads = (page: Page) => page.locator('[data-id]');
const positions = (page: Page): Promise<readonly (string | null)[]> =>
  heads(page).evaluateAll((all) => all.map((each) => each.getAttribute('data-position')));
const placeOf = (page: Page, position: string): Promise<string | null> =>
  page.locator(`[data-id][data-position="${position}"]`).getAttribute('transform');

const facts = async (page: Page, title: string): Promise<void> => {
  await page.getByLabel('What is it').fill(title);
  await page.getByLabel('Where the values are printed').fill('Drawing of the mirror cell');
};

const laidOut = async (page: Page, kind: string, torque: string): Promise<void> => {
  await page.getByLabel('Kind of joint').selectOption(kind);
  await page.getByLabel('Torque, as it is printed').fill(torque);
};

test('a ring of twelve is laid out, tried out and started with its plan', async ({ page }) => {
  await signedIn(page, 'Bram');
  await layout(page);
  await laidOut(page, 'soft-seat-ring', '0.9 ±0.1 Nm');
  await page.getByLabel('How many', { exact: true }).fill('12');
  await page.getByRole('button', { name: 'Lay out 12' }).click();
  await expect(heads(page)).toHaveCount(12);
  // ASME PCC-1, legacy pattern of twelve (from memory).
  expect(await positions(page)).toEqual(['1', '7', '4', '10', '2', '8', '5', '11', '3', '9', '6', '12']);
  const words = page.getByTestId('simulation-words');
  await expect(words).toContainText('one round leaves 39 %, three leave 1.5 %');
  await expect(words).toContainText('After 3 passes');
  await expect(page.getByTestId('spreads').getByRole('row')).toHaveCount(7);
  // Every fastener, the loosest, the tightest and the ends of the passes; settling without and with another pull: all of them drawn.
  for (const [caption, curves] of [
    ['Force of every fastener after each pull', 4],
    ['Force left as it settles', 2],
  ] as const)
    await expect(page.locator('figure', { hasText: caption }).locator('path[d^="M"]')).toHaveCount(curves);
  await expect(page.getByText('Invented numbers until you measure your own')).toBeVisible();
  await expect(page.getByTestId('order-report')).toContainText('no order does better');
  // Full torque at once, and rounds: what is shown becomes what is planned.
  await page.getByRole('button', { name: /^full torque at once/ }).click();
  await expect(words).toContainText('After 1 pass the');
  await facts(page, 'Mirror cell, ring of twelve');
  await page.getByRole('button', { name: 'Start the job with these 12' }).click();
  await page.waitForURL(/\/plan$/);
  await expect(page.getByText('12 ring screws crosswise').first()).toBeVisible();
  await expect(page.getByText('then rounds until nothing moves')).toBeVisible();
  await expect(page.getByText('3 passes')).toHaveCount(0);
  const job = /jobs\/([^/]+)/.exec(page.url())?.[1] ?? '';
  const events = (await (await page.request.get(`/api/v1/jobs/${job}/events`)).json()) as {
    body: { fasteners: { position: string; thread: string }[]; groups: { kind: { passesSource: string } }[] };
  }[];
  expect(events[0]?.body.fasteners.map(({ position }) => position).slice(0, 4)).toEqual([
    '1',
    '7',
    '4',
    '10',
  ]);
  // The board is free for the next one.
  await layout(page);
  await expect(heads(page)).toHaveCount(0);
});

test('a typed value is tightened: what is not known yet is asked, and nothing else', async ({ page }) => {
  await signedIn(page, 'Bram');
  await page.goto('/sums');
  await page.getByRole('textbox', { name: 'As it is written' }).first().fill('36 lbf.in');
  await page.getByRole('button', { name: 'Tighten this' }).click();
  await page.waitForURL(/jobs\/new\/one/);
  await expect(page.getByLabel('Torque, as it is printed')).toHaveValue('36 lbf.in');
  await page.getByRole('button', { name: 'Choose the tool' }).click();
  await expect(page.getByRole('alert')).toContainText('What is it');
  await page.getByLabel('Kind of joint').selectOption('retention-knob');
  await page.getByLabel('What is it', { exact: true }).fill('Knob of holder 7');
  await page.getByLabel('Where the value is printed').fill('Card of the mill');
  await page.getByRole('button', { name: 'Choose the tool' }).click();
  await page.waitForURL(/\/plan$/);
  await expect(page.getByText('36 lbf·in').first()).toBeVisible();
});

for (const kind of JOINT_KINDS)
  test(`${kind.name}: opened, laid out and planned with its own order and passes`, async ({ page }) => {
    await signedIn(page, 'Bram');
    await layout(page);
    await laidOut(page, kind.code, '5 to 6 Nm');
    await expect(page.getByText(`${kind.steps.length} cautions and steps`)).toBeVisible();
    await page.getByRole('button', { name: 'Row', exact: true }).click();
    await page.getByLabel('How many', { exact: true }).fill('4');
    await page.getByRole('button', { name: 'Lay out 4' }).click();
    await expect(page.locator('select[name=order]')).toHaveValue(kind.order);
    await facts(page, `Four of ${kind.name}`.slice(0, 100));
    await page.getByRole('button', { name: 'Start the job with these 4' }).click();
    await page.waitForURL(/\/plan$/);
    await expect(
      page.getByText(`4 ${kind.words.fasteners} ${ORDER_WORDS[kind.order]}`).first(),
    ).toBeVisible();
    if (kind.passes.length > 1)
      await expect(page.getByText(`${kind.passes.length} passes`).first()).toBeVisible();
  });

test('chosen, moved, brought into line, numbered, grouped and taken away; every step undone and done again', async ({
  page,
}) => {
  await signedIn(page, 'Bram');
  await layout(page);
  await laidOut(page, 'panel-screws', '1.2 Nm');
  await page.getByRole('button', { name: 'Row', exact: true }).click();
  await page.getByLabel('How many', { exact: true }).fill('4');
  await page.getByRole('button', { name: 'Lay out 4' }).click();
  const drawing = page.getByRole('application', { name: 'Drawing of what is laid out' });
  const before = await placeOf(page, '1');
  await drawing.focus();
  await page.keyboard.press('Control+a');
  await expect(page.getByTestId('chosen')).toContainText('4 chosen');
  await page.keyboard.press('Shift+ArrowDown');
  expect(await placeOf(page, '1')).not.toBe(before);
  await page.keyboard.press('Control+z');
  expect(await placeOf(page, '1')).toBe(before);
  await page.keyboard.press('Control+Shift+z');
  expect(await placeOf(page, '1')).not.toBe(before);
  await page.getByLabel('Name them').fill('P');
  await page.getByRole('button', { name: 'Number from 1' }).click();
  expect([...(await positions(page))].sort()).toEqual(['P1', 'P2', 'P3', 'P4']);
  // One pulled by the mouse, then all brought into one line again.
  const head = page.locator('[data-id][data-position="P1"]');
  await page.keyboard.press('Escape');
  await head.click();
  await expect(page.getByTestId('chosen')).toContainText('P1');
  const box = (await head.boundingBox()) as { x: number; y: number; width: number; height: number };
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 3);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 3 + 60, { steps: 6 });
  await page.mouse.up();
  const y = async (position: string) =>
    Number(/ (-?[\d.]+)\)/.exec((await placeOf(page, position)) ?? '')?.[1]);
  expect(await y('P1')).toBeGreaterThan((await y('P2')) + 1);
  await drawing.focus();
  await page.keyboard.press('Control+a');
  await page.getByLabel('Bring into line').selectOption('top');
  expect(await y('P1')).toBe(await y('P2'));
  await drawing.focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Delete');
  await expect(heads(page)).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(heads(page)).toHaveCount(4);
  // What is laid out outlives a reload.
  await page.reload();
  await expect(heads(page)).toHaveCount(4);
});

test('two hundred heads come a few in a frame, and all of them in the end', async ({ page }) => {
  await signedIn(page, 'Bram');
  await layout(page);
  await page.getByRole('button', { name: 'Grid', exact: true }).click();
  await page.getByLabel('Across', { exact: true }).fill('20');
  await page.getByLabel('Down', { exact: true }).fill('10');
  await page.getByRole('button', { name: /^Lay out \d/ }).click();
  await expect(heads(page)).toHaveCount(200);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(heads(page)).toHaveCount(0);
});

test('two tabs are one board: what one lays out is in the other, and neither loses it', async ({ page }) => {
  await signedIn(page, 'Bram');
  await layout(page);
  const other = await page.context().newPage();
  await layout(other);
  await page.getByRole('button', { name: /^Lay out \d/ }).click();
  const count = await heads(page).count();
  await expect(heads(other)).toHaveCount(count);
  await other.locator('[data-id]').first().click();
  await other.keyboard.press('Delete');
  await expect(heads(page)).toHaveCount(count - 1);
  await other.close();
});

test('an order of one’s own, by the keys in the list, is held against the best', async ({ page }) => {
  await signedIn(page, 'Bram');
  await layout(page);
  await laidOut(page, 'soft-seat-ring', '0.9 Nm');
  await page.getByLabel('How many', { exact: true }).fill('8');
  await page.getByRole('button', { name: 'Lay out 8' }).click();
  await page.getByText('The list, to drag into an order of one’s own').click();
  const first = page.getByRole('button', { name: 'Move 1', exact: true });
  await first.focus();
  await page.keyboard.press('Space');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Space');
  await expect(page.locator('select[name=order]')).toHaveValue('own');
  await expect(
    page.getByRole('list', { name: 'Order of the work' }).getByRole('listitem').first(),
  ).toContainText('5');
  await page.locator('select[name=order]').selectOption('reading');
  await expect(page.getByTestId('order-report')).toContainText('the best order there is keeps it within');
});

test('two rounds that were measured take the place of what was invented', async ({ page }) => {
  await signedIn(page, 'Bram');
  await layout(page);
  await laidOut(page, 'soft-seat-ring', '1 Nm');
  await page.getByLabel('How many', { exact: true }).fill('4');
  await page.getByRole('button', { name: 'Lay out 4' }).click();
  await page.getByText('Measure your own', { exact: true }).click();
  await page.getByLabel('Full torque, in any unit').fill('1.00');
  await page.getByLabel(/What each began to turn at/).fill('0.7 0.8');
  await page.getByRole('button', { name: 'Fit it' }).click();
  await expect(page.getByText('Not enough readings')).toBeVisible();
  await page.getByLabel(/What each began to turn at/).fill('0.70 0.75 0.90 0.98');
  await page.getByRole('button', { name: 'Fit it' }).click();
  await expect(page.getByText(/^Fitted; what is left/)).toBeVisible();
  await expect(page.getByText('Fitted to your two rounds')).toBeVisible();
});

test('places off a DXF, in inches, by layer and size; a broken one and a huge one say what and where', async ({
  page,
}) => {
  const writer = new DxfWriter();
  writer.setUnits(Units.Inches);
  writer.addLayer('HOLES', 1, 'CONTINUOUS');
  writer.setCurrentLayerName('HOLES');
  for (const x of [0, 1, 2]) writer.addCircle(point3d(x, 0), 0.1);
  writer.addCircle(point3d(1, 3), 0.4);
  const dxf = writer.stringify();
  await signedIn(page, 'Bram');
  await layout(page);
  await page.getByRole('button', { name: 'Off a drawing' }).click();
  const choose = (name: string, buffer: Buffer): Promise<void> =>
    chooseFile(page, { name, mimeType: 'application/dxf', buffer });
  await choose('plate.dxf', Buffer.from(dxf.replace('\n40\n0.4\n', '\n40\nwide\n')));
  await expect(page.getByText(/Line \d+ is no number/)).toBeVisible();
  // From the disk: handed over as bytes, fifty megabytes take longer than a person waits.
  const huge = test.info().outputPath('huge.dxf');
  writeFileSync(huge, Buffer.alloc(50_000_000, '0\n'));
  await chooseFile(page, huge);
  await expect(page.getByText('It has 50.0 MB; up to 20 MB are read.')).toBeVisible();
  await choose('plate.dxf', Buffer.from(dxf));
  await expect(page.getByText('3 circles of 5.08 mm, layer HOLES')).toBeVisible();
  await expect(page.getByText('1 circle of 20.32 mm, layer HOLES')).toBeVisible();
  await page.getByRole('button', { name: 'Take these 3' }).click();
  await expect(heads(page)).toHaveCount(3);
  // An inch apart.
  const x = async (position: string) =>
    Number(/translate\((-?[\d.]+)/.exec((await placeOf(page, position)) ?? '')?.[1]);
  expect((await x('2')) - (await x('1'))).toBeCloseTo(25.4, 2);
});

test('a picture behind, scaled by two points, and a fastener tapped on it', async ({ page }) => {
  await signedIn(page, 'Bram');
  await layout(page);
  const picture = await page.screenshot({ clip: { x: 0, y: 0, width: 400, height: 300 } });
  await page.getByRole('button', { name: 'On a picture' }).click();
  await chooseFile(page, { name: 'note.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByRole('alert')).toContainText('no picture this browser can show');
  await chooseFile(page, { name: 'plate.png', mimeType: 'image/png', buffer: picture });
  await expect(page.getByText('0 of 2')).toBeVisible();
  const drawing = page.getByRole('application', { name: 'Drawing of what is laid out' });
  await drawing.click({ position: { x: 150, y: 150 } });
  await drawing.click({ position: { x: 250, y: 150 } });
  await expect(page.getByText('2 of 2')).toBeVisible();
  await page.getByLabel('Distance between them, mm').fill('50');
  await page.getByRole('button', { name: 'Scale it' }).click();
  await expect(page.getByText('It is scaled.')).toBeVisible();
  // A hundred pixels were said to be 50 mm: the second point has moved with the picture, the first one stayed.
  await drawing.click({ position: { x: 150, y: 150 } });
  await drawing.click({ position: { x: 200, y: 150 } });
  await expect(heads(page)).toHaveCount(2);
  // It lies there still, scaled, when the page is opened again; a file that is none takes nothing away. Taken away it does not come back.
  await layout(page);
  await expect(heads(page)).toHaveCount(2);
  await expect(drawing.locator('image')).toHaveCount(1);
  await page.getByRole('button', { name: 'On a picture' }).click();
  await expect(page.getByText('It is scaled.')).toBeVisible();
  await chooseFile(page, { name: 'note.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByRole('alert')).toContainText('no picture this browser can show');
  await expect(drawing.locator('image')).toHaveCount(1);
  await page.getByRole('button', { name: 'Take the picture away' }).click();
  await expect(drawing.locator('image')).toHaveCount(0);
  await layout(page);
  await expect(heads(page)).toHaveCount(2);
  await expect(drawing.locator('image')).toHaveCount(0);
});

test('an assembly is kept as a template; its label, scanned, opens the next job, in the order and passes of the first', async ({
  page,
}) => {
  await signedIn(page, 'Bram');
  const list = [HEADER, ...['1', '2', '3', '4'].map((at) => `S${at},screw,${at}0,0,,0.9 Nm`)].join('\n');
  const job = await plannedJob(page, 'Encoder cover', list, 'soft-seat-ring');
  await page.goto(`/jobs/${job}/plan`);
  await atRest(page);
  await page.getByRole('button', { name: 'Keep as a template' }).click();
  const dialog = page.getByRole('dialog', { name: 'Keep as a template' });
  await dialog.getByLabel('What assembly it is').fill('Encoder cover, all of them');
  await dialog.getByRole('button', { name: 'Keep it' }).click();
  await expect(page).toHaveURL(/templates\/[0-9a-f-]{36}$/);
  await atRest(page);
  const template = page.url();
  const label = test.info().outputPath('label.png');
  await page.getByAltText(/^Label with the code/).screenshot({ path: label });
  await page.goto('/tools/scan');
  await chooseFile(page, label);
  await expect(page).toHaveURL(template);
  await atRest(page);
  await expect(page.getByRole('heading', { name: 'Encoder cover, all of them' })).toBeVisible();
  await page.getByLabel('What is it this time').fill('Encoder cover, north tower');
  await page.getByRole('button', { name: 'Open the job with these 4' }).click();
  await expect(page).toHaveURL(/plan$/);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Encoder cover, north tower');
  await expect(page.getByRole('heading', { name: '4 ring screws crosswise' })).toBeVisible();
});

test('a machine whose interval is over: its next job is one press away, and then it is not due', async ({
  page,
}) => {
  await signedIn(page, 'Bram');
  await page.goto('/jobs');
  await atRest(page);
  const due = page.getByRole('region', { name: 'To be tightened again' });
  await expect(due).toContainText('CHL-1 chiller');
  const second = due.getByRole('listitem').filter({ hasText: 'TEL-2' });
  await second.getByRole('button', { name: 'Open its next job' }).click();
  await expect(page).toHaveURL(/plan$/);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Mirror ring M2');
  await page.goto('/jobs');
  await expect(due).toBeVisible();
  await expect(second).toHaveCount(0);
  await page.goto('/parts/TEL-2');
  await expect(page.getByRole('region', { name: 'Tighten again' })).toContainText('which is not signed yet');
});
