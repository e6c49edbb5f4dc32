import { readFileSync } from 'node:fs';
import { atRest, chooseFile, expect, signedIn, test } from './site.ts';

test('a 3/8 in tube of soft aluminium: the value, its source and why, by search and keys alone', async ({
  page,
}) => {
  await signedIn(page, 'Eko');
  await page.goto('/jobs');
  await atRest(page);
  await page.keyboard.press('/');
  await page.keyboard.type('flared dash 6');
  await expect(page.getByRole('option').first()).toContainText('Flared tube nuts: 3/8, 5052-O');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/specs\/tables\//);
  const found = page.getByTestId('found');
  // FAA AC 43.13-1B, Table 9-2 (from memory).
  await expect(found).toContainText('110 to 130 lbf·in');
  await expect(found).toContainText('FAA AC 43.13-1B');
  await expect(found).toContainText('Chapter 9, Table 9-2');
  await expect(found).toContainText('5/16, 5052-O: 70–90 lbf·in');
  await expect(found.getByTestId('derivation')).toContainText('Target 120 lbf·in, accepted 110 to 130');
  await found.getByRole('button', { name: 'low end of the range' }).click();
  await expect(found.getByTestId('derivation')).toContainText('Target 110 lbf·in');
  await found.getByLabel('my part is softer').check();
  await expect(found).toContainText('Made for a harder material');
  await found.getByRole('button', { name: 'a harder material’s minimum as the maximum' }).click();
  await expect(found.getByTestId('derivation')).toContainText('Target 88 lbf·in');
});

test('a look-up asks only what matters, and says why nothing fits', async ({ page }) => {
  await signedIn(page, 'Eko');
  await page.goto('/specs/tables');
  await page.getByRole('link', { name: /Screw terminals/ }).click();
  const panel = page.getByRole('region', { name: 'Look it up' });
  await atRest(page);
  await panel.getByLabel('Conductor size').fill('#6');
  await panel.getByRole('button', { name: /Slotted.*1\/4 in long/ }).click();
  // NFPA 70-2020 Annex I, Table I.1 (from memory).
  await expect(panel.getByTestId('found')).toContainText('35 lbf·in');
  await panel.getByLabel('Conductor size').fill('10 mm²');
  await expect(panel.getByTestId('why-not')).toContainText('no row for 10 mm²');
  await expect(panel.getByTestId('why-not')).toContainText('8 AWG');
  await expect(panel.getByTestId('why-not')).toContainText('6–4 AWG');
  await page.goto('/specs/tables');
  await page.getByRole('link', { name: /Collet nut/ }).click();
  const collet = page.getByRole('region', { name: 'Look it up' });
  await atRest(page);
  await collet.getByLabel('Shank mm').fill('3');
  await collet.getByRole('button', { name: 'counterbored' }).click();
  await expect(collet.getByTestId('found')).toContainText('9 N·m');
});

test('a label is pasted, its doubt settled, kept as a table, and looked up', async ({ page }) => {
  await signedIn(page, 'Ayu');
  await page.goto('/specs/label');
  await atRest(page);
  await page
    .locator('textarea')
    .fill('Keep lid closed\n16-12 AWG CU 14-18 in-lb\n#10 21 in-lb\n2 x #12 CU 19');
  await expect(page.getByTestId('doubts')).toHaveText('1 cell to settle.');
  await expect(page.getByRole('button', { name: 'Settle 1 more' })).toBeDisabled();
  // The unit the other lines print is offered first.
  await expect(page.locator('[data-row="2"] button').first()).toContainText('19 lbf·in');
  await page.reload();
  await expect(page.getByTestId('doubts')).toHaveText('1 cell to settle.');
  await page.locator('[data-row="2"] button').first().click();
  await expect(page.getByTestId('doubts')).toHaveText('Every cell of 3 rows is read.');
  await page.getByLabel('Name of the table').fill('Test label');
  await page.getByLabel('What its values are for').fill('test terminal');
  await page.locator('select[name=sourceId]').selectOption({ label: 'Dome heater panel label, H1' });
  await page.getByRole('button', { name: 'Keep this table' }).click();
  await expect(page).toHaveURL(/specs\/tables\/[0-9a-f-]{36}$/);
  const panel = page.getByRole('region', { name: 'Look it up' });
  await atRest(page);
  await panel.getByLabel('Conductor', { exact: true }).fill('#12');
  await panel.getByRole('button', { name: '2', exact: true }).click();
  await expect(panel.getByTestId('found')).toContainText('19 lbf·in');
});

test('a requirement is written, its doubt settled, changed as a new revision, and found', async ({
  page,
}) => {
  await signedIn(page, 'Dewi');
  await page.goto('/specs');
  await atRest(page);
  await page.getByRole('button', { name: 'Write a requirement' }).click();
  const form = page.getByRole('region', { name: 'What its source says' });
  await form.getByLabel('What is tightened').fill('slit motor gland');
  await form.getByLabel('Size', { exact: true }).fill('M12');
  await form.getByLabel('As the source prints it').fill('18 pounds');
  await form.locator('select[name="cells.source"]').selectOption({ label: 'Cargo trike handbook, rev. 2' });
  await expect(form.getByText('names a force, not a torque')).toBeVisible();
  await form.getByRole('button', { name: /18 lbf·in/ }).click();
  await form.getByRole('button', { name: 'Keep this requirement' }).click();
  await expect(page.getByTestId('printed')).toContainText('18 pounds read as 18 lbf·in');
  await page.getByRole('button', { name: 'Change it' }).click();
  await form.getByLabel('As the source prints it').fill('20 lbf·in');
  await form.getByLabel('Why it changes').fill('read again');
  await form.getByRole('button', { name: 'Keep as revision 2' }).click();
  await expect(page.getByTestId('printed')).toHaveText('20 lbf·in');
  await page.getByText('2 revisions').click();
  await expect(form).toContainText('1: 18 pounds');
  await page.getByLabel('What are you tightening').fill('gland 12 mm');
  await expect(page.getByRole('option').first()).toContainText('slit motor gland, M12');
});

test('sources that disagree are shown side by side with the likely cause, and decided with a reason', async ({
  page,
}) => {
  await signedIn(page, 'Ayu');
  await page.goto('/specs/conflicts');
  await atRest(page);
  const conflict = page.getByTestId('conflict').filter({ hasText: 'chiller compressor foot' });
  await expect(conflict).toContainText('12.2 N·m = 108 lbf·in');
  await expect(conflict).toContainText('12 times, as when lbf·in and lbf·ft are mixed up');
  await conflict.getByRole('button', { name: 'What would it change?' }).click();
  await expect(conflict).toContainText('No job uses either of them.');
  await conflict.getByRole('button', { name: /R-20 governs/ }).click();
  await page.getByRole('dialog').getByLabel('Why').fill('the pencil note is in the wrong unit');
  await page.getByRole('button', { name: 'Decide so' }).click();
  await expect(conflict).toContainText('Ayu decided');
  await page.goto('/specs?requirement=R-20');
  await expect(page.getByTestId('disagreement')).toContainText('decided for this one: the pencil note');
});

test('a source that contradicts itself is shown with both values and how it was settled', async ({
  page,
}) => {
  await signedIn(page, 'Ayu');
  await page.goto('/specs/conflicts');
  await atRest(page);
  const conflict = page.getByRole('region', { name: 'dome heater thermostat terminal, 14 AWG' });
  await expect(conflict).toContainText('One source prints both: “17 in-lb (2.9 Nm)”');
  await expect(conflict).toContainText('Ayu settled it on');
  // 17 lbf·in is 1.921 N·m (NIST SP 811, appendix B.9); 2.9 is 51 % more.
  await expect(conflict).toContainText('+51 %');
  await expect(conflict.getByRole('button', { name: /governs/ })).toHaveCount(0);
  await conflict.getByRole('button', { name: 'What would it change?' }).click();
  await expect(conflict).toContainText('No job uses');
  await conflict.getByRole('link', { name: 'Settle it otherwise' }).click();
  await expect(page.getByTestId('disagreement')).toContainText('Its source contradicts itself.');
  await expect(page.getByTestId('disagreement')).toContainText('Ayu settled on 17 in-lb');
});

test('a superseded source says what rests on it and moves it', async ({ page }) => {
  await signedIn(page, 'Ayu');
  await page.goto('/specs/sources');
  await page.getByRole('link', { name: 'Coolant loop manual, BL-114, rev. B' }).click();
  await page.waitForURL(/sources\/./);
  await atRest(page);
  await expect(page.getByText('superseded by Coolant loop manual')).toBeVisible();
  const line = page.getByRole('listitem').filter({ hasText: 'coolant filter bowl' });
  await line.getByRole('button', { name: 'Same value in the new source' }).click();
  await expect(line).toHaveCount(0);
  await page.goto('/specs?requirement=R-4');
  await expect(page.getByRole('article')).toContainText('Coolant loop manual, BL-114, rev. C');
});

test('a photograph is attached with a small picture', async ({ page }) => {
  await signedIn(page, 'Bram');
  await page.goto('/specs/sources');
  await page.getByRole('link', { name: 'Dome heater panel label, H1' }).click();
  await atRest(page);
  await chooseFile(page, 'docs/screenshots/sums.png');
  const picture = page.getByRole('listitem').filter({ hasText: 'sums.png' }).locator('img');
  await expect(picture).toBeVisible();
  await expect.poll(() => picture.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBe(320);
});

test('a job planned from the book says where its values changed since, and is moved', async ({ page }) => {
  await signedIn(page, 'Eko');
  await page.goto('/jobs');
  // However many jobs there are by now.
  await page.getByPlaceholder('Find in this list').fill('Dome heater');
  await page.getByRole('link', { name: 'Dome heater panel H1' }).click();
  await page.waitForURL(/jobs\/./);
  await page.getByRole('link', { name: 'Plan' }).click();
  await page.waitForURL(/plan$/);
  await atRest(page);
  const news = page.getByTestId('book-news');
  await expect(news).toContainText('R-13 is at revision 2 now: max 11 in-lb');
  await expect(news).toContainText('max 13 in-lb, and keep it');
  await news.getByRole('button', { name: /Move 4/ }).click();
  await page.getByRole('button', { name: 'the source was revised' }).click();
  await page.getByRole('button', { name: 'Move them' }).click();
  await expect(news).toHaveCount(0);
  await expect(page.getByText('all sent')).toBeVisible();
  await page.getByRole('row', { name: /H1-9/ }).getByRole('button', { name: 'why' }).click();
  await expect(page.getByText('in the book R-13 revision 2')).toBeVisible();
});

test('a corrected value judges a signed job anew, and a lead opens its rework', async ({ page }) => {
  await signedIn(page, 'Ayu');
  await page.goto('/specs?requirement=R-23');
  await page.getByRole('link', { name: 'What was pulled to the old value?' }).click();
  await page.waitForURL(/recalls\/requirement/);
  const job = page.getByTestId('recalled-job').filter({ hasText: 'Mill holders 3 and 5' });
  await expect(job).toContainText('1 of 1 fastener does not conform by it. The job is signed');
  await expect(job.getByTestId('work-list')).toContainText(/C-2: was in at .* 42 N·m to 47 N·m: above/);
  const address = await job.getByRole('link', { name: /Mill holders/ }).getAttribute('href');
  await job.getByRole('button', { name: 'Re-check these fasteners' }).click();
  await page.getByRole('button', { name: 'safety matters here' }).click();
  await page.getByRole('button', { name: 'Decide so' }).click();
  await page.waitForURL(/jobs\/.*plan$/);
  await expect(page.getByRole('heading', { name: /Re-check: Mill holders/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /C-2/ })).toContainText('44.5 N·m');
  // The signed job says so beside its signatures, and keeps them.
  await page.goto(address?.replace(/plan$/, 'sign') ?? '');
  await expect(page.getByText('R-23 changed, revision 2')).toBeVisible();
  await page.goto('/specs/recalls');
  const listed = page.getByTestId('changed-value').filter({ hasText: 'R-23' });
  await expect(listed).toContainText('1 job decided');
});

test('a list line in doubt is settled from the spec book', async ({ page }) => {
  await signedIn(page, 'Dewi');
  await page.goto('/jobs/new');
  await page.getByLabel('What is it').fill('From the book');
  await page.getByLabel('Where the values are printed').fill('Spec book');
  await chooseFile(page, {
    name: 'list.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'position,label,x_mm,y_mm,conductor,requirement\nA1,heater feed,10,10,8 AWG,\nA2,element,20,10,12 AWG,R-12\n',
    ),
  });
  await expect(page.locator('[data-line="3"]')).toContainText('R-12, Dome heater panel label');
  await page.getByRole('button', { name: 'From the spec book' }).click();
  await page.getByRole('dialog').getByRole('combobox').fill('heater feed');
  await page.getByRole('option').first().click();
  await expect(page.locator('[data-line="2"]')).toContainText('27 lbf·in');
  await page.getByRole('button', { name: 'Import all 2 lines' }).click();
  await expect(page).toHaveURL(/plan$/);
  await expect(page.getByRole('row', { name: /A1/ })).toContainText('says 27 in-lb');
});

test('requirements come in from a list and go out as it', async ({ page }) => {
  await signedIn(page, 'Dewi');
  await page.goto('/specs/import');
  await atRest(page);
  await chooseFile(page, {
    name: 'book.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'part,size,requirement,source\nwind vane nut,M6,4 Nm,Cargo trike handbook\nwind vane bolt,M6,5 newtons,BL-114\n',
    ),
  });
  await expect(page.getByTestId('doubts')).toContainText('1 of 2 lines to settle');
  await page.getByRole('button', { name: /^5 N·m/ }).click();
  await page.getByRole('button', { name: 'Import all 2 lines' }).click();
  await expect(page).toHaveURL(/specs$/);
  await expect(page.getByRole('button', { name: /wind vane bolt/ })).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'CSV' }).click(),
  ]);
  expect(readFileSync(await download.path(), 'utf8')).toContain('wind vane bolt,5 N·m');
});

test('a school shows what it changes, needs a reason, and its history stays', async ({ page }) => {
  await signedIn(page, 'Ayu');
  await page.goto('/settings');
  await atRest(page);
  await expect(page.getByTestId('example-rangeTarget')).toContainText('target 3.5 N·m');
  await page.getByRole('radio', { name: 'low end of the range' }).check({ force: true });
  await expect(page.getByTestId('example-rangeTarget')).toContainText('target 3 N·m');
  await page.getByLabel('Why it changes').fill('soft castings');
  await page.getByRole('button', { name: 'Save for new jobs' }).click();
  await expect(page.getByRole('button', { name: 'Saved; new jobs use it' })).toBeVisible();
  await page.reload();
  await expect(page.getByTestId('school-changes')).toContainText('Ayu: soft castings');
  await expect(page.getByTestId('school-changes')).toContainText(
    'middle of the range → low end of the range',
  );
  await page.getByRole('radio', { name: /^middle of the range/ }).check({ force: true });
  await page.getByLabel('Why it changes').fill('back');
  await page.getByRole('button', { name: 'Save for new jobs' }).click();
  await expect(page.getByRole('button', { name: 'Saved; new jobs use it' })).toBeVisible();
});
