import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import {
  atRest,
  cautionsDone,
  expect,
  fillDay,
  plainList,
  plannedJob,
  signedIn,
  test,
  toolId,
} from './site.ts';

const openTool = async (page: Page, code: string, part = ''): Promise<void> => {
  await page.goto(`/tools/${await toolId(page, code)}${part}`);
  await atRest(page);
};

test('standing before the crib: which tool, how to set it, and why the others are out', async ({ page }) => {
  await signedIn(page, 'Bram');
  await page.goto(`/jobs/${await plannedJob(page, 'Which tool', plainList(3, '9.5 to 10.5 Nm'))}/plan`);
  await atRest(page);
  const best = page.getByTestId('best-tool');
  await expect(best).toContainText('TE-01');
  await expect(best).toContainText('First setting 10.00 N·m');
  await page.getByText(/why \d+ others are out/).click();
  const out = page.getByTestId('tools-out');
  await expect(out.getByRole('listitem').filter({ hasText: 'TS-07' })).toContainText(
    'its range ends below the target',
  );
  await expect(out.getByRole('listitem').filter({ hasText: 'TW-03' })).toContainText('in quarantine');
  await expect(out.getByRole('listitem').filter({ hasText: 'TW-11' })).toContainText(
    'calibration is overdue',
  );
});

test('an offset adapter at 45° asks first, then corrects the setting all the way to the bench', async ({
  page,
}) => {
  await signedIn(page, 'Bram');
  const job = await plannedJob(page, 'Offset', plainList(1, '9.5 to 10.5 Nm'));
  await page.goto(`/jobs/${job}/plan`);
  await atRest(page);
  await page.locator('select[name=adapter]').selectOption({ label: 'OH-17, open offset head, 28 mm off' });
  // The angle is asked, and not taken for 90°.
  await expect(page.getByTestId('best-tool').getByRole('button')).toBeDisabled();
  await page.getByRole('button', { name: '90°', exact: true }).click();
  await expect(page.getByText('1.000 of what TE-01 says, the same')).toBeVisible();
  await page.getByRole('button', { name: '45°', exact: true }).click();
  await expect(page.getByText('Is it really 45°?')).toBeVisible();
  await page.getByRole('button', { name: 'It is 45°: correct the setting' }).click();
  // (230 + 28·cos 45°)/230 = 1.0861; 10/1.0861 = 9.21 (FAA AC 43.13-1B, fig. 7-2).
  await expect(page.getByText('1.086 of what TE-01 says')).toBeVisible();
  await expect(page.getByTestId('best-tool')).toContainText('First setting 9.21 N·m');
  await page.getByTestId('best-tool').getByRole('button', { name: 'Take TE-01' }).click();
  await expect(page.getByText('OH-17 at 45°')).toBeVisible();
  await expect(page.getByText('all sent')).toBeVisible();
  await cautionsDone(page, job);
  await expect(page.getByRole('region', { name: 'Tool setting' })).toContainText('Pull TE-01 to 9.21 N·m');
  await page.keyboard.type('9.21');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('verdict')).toContainText('P1: in, 9.21 N·m');
});

test('adapters go one on the other, each once, and the whole chain counts', async ({ page }) => {
  await signedIn(page, 'Bram');
  const job = await plannedJob(page, 'Chain', plainList(1, '9.5 to 10.5 Nm'));
  await page.goto(`/jobs/${job}/plan`);
  await atRest(page);
  await page.getByLabel('Adapter').selectOption({ label: 'EX-75, extension in line' });
  await expect(page.getByText('never use it for an angle')).toBeVisible();
  const onIt = page.getByLabel('On EX-75');
  await expect(onIt.getByRole('option')).toHaveText(['nothing more', 'OH-17, open offset head, 28 mm off']);
  await onIt.selectOption({ label: 'OH-17, open offset head, 28 mm off' });
  await page.getByRole('button', { name: '90°', exact: true }).click();
  await expect(page.getByText('1.000 of what TE-01 says, the same')).toBeVisible();
  await page.getByRole('button', { name: '0°', exact: true }).click();
  await page.getByRole('button', { name: 'It is 0°: correct the setting' }).click();
  // (230 + 28)/230 = 1.1217; 10/1.1217 = 8.91 (FAA AC 43.13-1B, fig. 7-2).
  await expect(page.getByText('1.122 of what TE-01 says')).toBeVisible();
  await expect(page.getByTestId('best-tool')).toContainText('First setting 8.91');
  await expect(page.getByRole('img', { name: 'Lever 230 mm, offset 28 mm at 0°' })).toBeVisible();
  await page.getByTestId('best-tool').getByRole('button', { name: 'Take TE-01' }).click();
  await expect(page.getByText('EX-75 at 0°')).toBeVisible();
  await expect(page.getByText('OH-17 at 0°')).toBeVisible();
  await expect(page.getByText('all sent')).toBeVisible();
});

test('no tool can do it: what the shop would have to buy', async ({ page }) => {
  await signedIn(page, 'Bram');
  await page.goto(`/jobs/${await plannedJob(page, 'Too much', plainList(1, '240 to 260 Nm'))}/plan`);
  await expect(page.getByTestId('tool-gaps')).toContainText('100 to 500 N·m, within ±4 % of reading');
});

test('a tool in quarantine is used only by a lead, with a reason the certificate shows', async ({ page }) => {
  await signedIn(page, 'Ayu');
  const job = await plannedJob(page, 'Override', plainList(1, '9.5 to 10.5 Nm'));
  await page.goto(`/jobs/${job}/plan`);
  await atRest(page);
  await page.getByText(/why \d+ others are out/).click();
  await page
    .getByTestId('tools-out')
    .getByRole('listitem')
    .filter({ hasText: 'TW-03' })
    .getByRole('button')
    .click();
  await page.getByRole('dialog').getByRole('button', { name: 'checked against another tool today' }).click();
  await page.getByRole('button', { name: 'Use it on this job' }).click();
  await expect(page.getByText('Ayu let it be used, checked against another tool today')).toBeVisible();
  await expect(page.getByText('all sent')).toBeVisible();
  await page.goto(`/jobs/${job}/sign`);
  await expect(page.getByText('TW-03 was used all the same: in quarantine. Ayu allowed it')).toBeVisible();
});

test('the scale of any tool at any setting, with the way from rest', async ({ page }) => {
  await signedIn(page, 'Dewi');
  await openTool(page, 'TS-07');
  await page.getByLabel(/Set to/).fill('22,4');
  await expect(
    page.getByText('20.0 on the shaft, 2.5 on the barrel; from rest at 4, up 4 turns and 5 marks, clockwise'),
  ).toBeVisible();
  await expect(page.getByText('It drifts +1.23 % a year')).toBeVisible();
  await openTool(page, 'TB-01');
  await page.getByLabel(/Set to/).fill('40');
  await expect(page.getByRole('img', { name: 'The pointer must reach 40.0 lbf·ft' })).toBeVisible();
  await expect(page.getByText('Kept for 48.8 to 81.3 N·m only')).toBeVisible();
  await openTool(page, 'TK-05');
  await expect(page.getByRole('img', { name: '5 N·m one setting, on its label' })).toBeVisible();
});

test('a session on the bench tester: guided, streamed, pasted, judged while it grows, kept', async ({
  page,
}) => {
  await signedIn(page, 'Ayu');
  await openTool(page, 'TW-11', '/calibrate');
  await expect(
    page.getByText('5 pre-loads at 300 lbf·in, then 5 readings each at 60, 180, 300 lbf·in'),
  ).toBeVisible();
  await page.getByLabel('What is taken as true').fill('bench tester BT-1');
  await page.getByRole('button', { name: 'Read from the bench tester' }).click();
  await expect(page.getByRole('button', { name: 'Listening to the tester' })).toBeVisible();
  for (let reading = 1; reading <= 5; reading += 1) {
    await page.getByRole('button', { name: 'Simulated pull' }).click();
    await expect(page.getByLabel(`Reading ${reading} at 60 lbf·in`)).not.toHaveValue('');
  }
  await page.getByLabel('Reading 1 at 180 lbf·in').focus();
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData('text', '181 181.5 180.5 181 181 301 302 300.5 301 301.5');
    document.activeElement?.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    );
  });
  await expect(page.getByLabel('Reading 5 at 300 lbf·in')).toHaveValue('301.5');
  const result = page.getByTestId('result-As found');
  await expect(result).toContainText('−0.55');
  await expect(page.getByText('every reading inside the limit')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Pre-loads first' })).toBeDisabled();
  await page.getByLabel(/pre-loads at 300 lbf·in are done/).check();
  await page.getByRole('button', { name: 'Keep this session' }).click();
  await expect(page).toHaveURL(/tools\/[0-9a-f-]{36}$/);
  await expect(page.getByText(/^calibrated until/)).toBeVisible();
  await expect(page.locator('.recharts-legend-wrapper')).toContainText(/\d{1,2} \w{3} \d{4}/);
});

test('what did the drifted tool touch: one click, and a re-check opens from it', async ({ page }) => {
  await signedIn(page, 'Ayu');
  await openTool(page, 'TS-02');
  await page.getByRole('link', { name: 'What did it touch?' }).click();
  const recalled = page.getByTestId('recalled-job').filter({ hasText: 'Chiller control box K1' });
  await expect(recalled).toContainText('of 16 pulls outside in the worst case');
  await recalled.getByRole('button', { name: 'Work list' }).click();
  await expect(page.getByTestId('work-list').getByRole('listitem').first()).toContainText('% outside');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'PDF' }).click(),
  ]);
  expect(
    readFileSync(await download.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
  await recalled.getByRole('button', { name: 'Re-check these fasteners' }).click();
  await page.getByRole('button', { name: 'safety matters here' }).click();
  await page.getByRole('button', { name: 'Decide so' }).click();
  await expect(page).toHaveURL(/jobs\/.*\/plan$/);
  await expect(page.getByRole('heading', { name: /Re-check: Chiller control box K1/ })).toBeVisible();
});

test('a drop is reported by anyone, a loan goes out and comes back', async ({ page }) => {
  await signedIn(page, 'Ayu');
  await openTool(page, 'TP-12');
  await page.getByRole('button', { name: 'Lend it' }).click();
  await page.getByLabel('To whom').fill('the glider hangar');
  await fillDay(page, 'dueOn', '2099-01-31');
  await page.getByLabel('Condition it leaves in').fill('clean');
  await page.getByRole('button', { name: 'Lend it', exact: true }).click();
  await expect(page.getByText('with the glider hangar, due back 31 Jan 2099')).toBeVisible();
  await page.getByRole('button', { name: 'It is back' }).click();
  await page.getByRole('button', { name: 'case broken' }).click();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText('back from the glider hangar: case broken')).toBeVisible();
});

test('a tool of one setting is described, drawn and added', async ({ page }) => {
  await signedIn(page, 'Ayu');
  await page.goto('/tools');
  await atRest(page);
  await page.getByRole('button', { name: 'Add a tool' }).click();
  const form = page.getByRole('region', { name: 'Add a tool' });
  await form.locator('input[name=code]').fill('TP-99');
  await form.locator('input[name=serial]').fill('BL-P099');
  await form.locator('select[name=kind]').selectOption('preset-click-wrench');
  await form.locator('select[name=unit]').selectOption('N.m');
  await form.locator('input[name=minimum]').fill('8,5');
  await expect(form.getByRole('img', { name: '8.5 N·m one setting, on its label' })).toBeVisible();
  await fillDay(page, 'calibratedOn', '2026-11-01');
  await fillDay(page, 'calibrationDueOn', '2027-11-01');
  await form.getByRole('button', { name: 'Add this tool' }).click();
  await expect(page.getByRole('link', { name: 'TP-99' })).toBeVisible();
  const made = await page.request.post('/api/v1/me/calendar');
  const { address: calendar } = (await made.json()) as { address: string };
  expect(await (await page.request.get(calendar)).text()).toContain('TP-99 calibration due');
});
