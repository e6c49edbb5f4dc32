import { inProject } from '../../scripts/site/paths.ts';
import { chooseFile, expect, HEADER, plainList, signedIn, test } from './site.ts';

test.beforeEach(async ({ page }) => {
  await signedIn(page, 'Ayu');
  await page.goto('/jobs/new');
  await expect(page.getByLabel('What is it')).toBeEnabled();
  await page.evaluate(() => localStorage.clear());
  await page.reload();
  await expect(page.getByLabel('What is it')).toBeEnabled();
});

const choose = (page: import('@playwright/test').Page, content: string | Buffer, name = 'list.csv') =>
  chooseFile(page, { name, mimeType: 'text/csv', buffer: Buffer.from(content) });

test('doubts are shown where they are, settled one by one, and all lines come in', async ({ page }) => {
  await page.getByLabel('What is it').fill('Filter wheel');
  await page.getByLabel('Where the values are printed').fill('Wiring list');
  await chooseFile(page, inProject('demo', 'lists', 'filter-wheel-f1-with-doubts.csv'));
  await expect(page.getByTestId('doubts')).toContainText('5 of 12 lines to settle.');
  await expect(page.locator('tr[data-line="3"]')).toContainText('both values agree');
  await expect(page.locator('tr[data-line="4"]')).toContainText('Which unit, line 4, requirement');
  await expect(page.getByRole('button', { name: 'Settle 5 more lines' })).toBeDisabled();

  await page.getByRole('button', { name: /^16 lbf·in/ }).click();
  await expect(page.locator('tr[data-line="4"]')).toContainText('settled by hand');
  // The focus goes on to the next doubt, for who works without a mouse.
  await expect(page.locator('tr[data-line="8"] [data-doubt] input').first()).toBeFocused();
  await page
    .locator('tr[data-line="8"]')
    .getByRole('button', { name: /^13 lbf·in/ })
    .click();
  await page
    .locator('tr[data-line="10"]')
    .getByRole('button', { name: /^20 lbf·in/ })
    .click();
  await page.locator('tr[data-line="11"]').getByRole('button', { name: /^14 / }).click();
  const reversed = page.locator('tr[data-line="13"]');
  await reversed.getByRole('textbox').fill('5-7 in-lb');
  await reversed.getByRole('button', { name: 'Read it so' }).click();
  await expect(page.getByText('All 12 lines are settled.')).toBeVisible();
  await page.getByRole('button', { name: 'Import all 12 lines' }).click();
  await expect(page).toHaveURL(/plan$/);
  await expect(page.getByRole('row', { name: /F1-12/ })).toContainText('7-5 in-lb read as 5-7 in-lb');
});

test('what is typed and settled outlives a reload, a lost session and a refusal', async ({
  page,
  context,
}) => {
  await page.getByLabel('What is it').fill('Kept');
  await page.getByLabel('Where the values are printed').fill('Kept list');
  await choose(page, `${HEADER}\nX1,a,1,1,14 AWG,18 pounds`);
  await page.getByRole('button', { name: /^18 lbf·in/ }).click();
  await page.reload();
  await expect(page.getByLabel('What is it')).toHaveValue('Kept');
  await expect(page.getByText('The one line is settled.')).toBeVisible();

  await context.clearCookies();
  await page.getByRole('button', { name: 'Import the line' }).click();
  await expect(page.getByRole('alert')).toContainText('What you typed is kept here.');
  await expect(page.getByLabel('What is it')).toHaveValue('Kept');
  await signedIn(page, 'Ayu');
  await page.getByRole('button', { name: 'Import the line' }).click();
  await expect(page).toHaveURL(/plan$/);
});

test('files that do not work say which line and column, and leave the list that was there', async ({
  page,
}) => {
  await choose(page, plainList(3));
  await expect(page.getByText('All 3 lines are settled.')).toBeVisible();
  const cases = [
    { content: 'position,label,x_mm,y_mm,conductor\nX1,a,1,1,14', says: 'Column requirement is missing' },
    { content: `${HEADER}\nX1,a, b,1,1,14 AWG,22 in-lb`, says: 'Line 2 has 7 cells, the header 6' },
    { content: `${HEADER}\nX1,a,1,1,14 AWG`, says: 'Line 2 ends before column requirement' },
    { content: `${HEADER}\nX1,"a,1,1,14 AWG,22 in-lb`, says: 'Line 2, column label: a quotation mark' },
    { content: plainList(2).replaceAll(',', ' '), says: 'Line 1 names none of the columns' },
    { content: Buffer.from([0x50, 0x4b, 0x03, 0x04, 0]), says: 'Save the sheet as CSV' },
    { content: '', says: 'The file is empty' },
  ];
  for (const { content, says } of cases) {
    await choose(page, content, 'bad.csv');
    await expect(page.getByTestId('file-problems')).toContainText(says);
  }
  await expect(page.getByText('All 3 lines are settled.')).toBeVisible();
});

test('a cell in doubt is mended in place: coordinate, position that stands twice, drive', async ({
  page,
}) => {
  await choose(
    page,
    `${HEADER},drive\nX1,a,ten,1,14 AWG,22 in-lb,slot\nX1,b,20,1,14 AWG,22 in-lb,star-shaped`,
  );
  await expect(page.getByTestId('doubts')).toContainText('2 of 2');
  const settle = async (line: number, column: string, text: string) => {
    const cell = page.getByLabel(`line ${line}, ${column}, as the source means it`);
    await cell.fill(text);
    await cell.press('Enter');
  };
  await settle(2, 'x_mm', '10');
  await settle(3, 'position', 'X2');
  await settle(3, 'drive', 'lobed');
  await expect(page.getByText('All 2 lines are settled.')).toBeVisible();
});

test('semicolons, Latin-1, CRLF and another order work, and say how they were read', async ({ page }) => {
  const list =
    'requirement;conductor;y_mm;x_mm;label;position;note\r\n2 ±0.2 Nm;2.5 mm²;1,5;10;Kühlung;X1;x\r\n';
  await choose(page, Buffer.from(list, 'latin1'));
  await expect(page.getByText('1 line, Latin-1, separated by semicolon; not read: note')).toBeVisible();
  await expect(page.locator('tr[data-line="2"]')).toContainText('2 N·m, +0.2 −0.2');
  await expect(page.locator('tr[data-line="2"]')).toContainText('Kühlung');
});

test('400 lines: only those in doubt can be shown', async ({ page }) => {
  const rows = plainList(400).split('\n');
  rows[200] = (rows[200] ?? '').replace('13 to 17 in-lb', '15 lbs');
  await choose(page, rows.join('\n'));
  await expect(page.getByTestId('doubts')).toContainText('1 of 400 lines to settle.');
  await page.getByLabel('only these').check();
  await expect(page.locator('tr[data-line]')).toHaveCount(1);
  await page.getByRole('button', { name: /^15 lbf·in/ }).click();
  await expect(page.getByText('All 400 lines are settled.')).toBeVisible();
});
