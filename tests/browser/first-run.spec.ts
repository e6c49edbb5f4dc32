import { rmSync } from 'node:fs';
import { createConnection } from 'mysql2/promise';
import { closeDatabase } from '#server/database/pool.ts';
import { freePort } from '../../scripts/site/free-port.ts';
import { inProject } from '../../scripts/site/paths.ts';
import {
  type Application,
  openSiteDatabase,
  type SiteDatabase,
  startApplication,
} from '../../scripts/site/run-site.ts';
import { chooseFile, expect, fillDay, HEADER, test } from './site.ts';

let database: SiteDatabase;
let application: Application;
const folder = inProject('.jentik', 'test-first-run');
// The site of the other tests, whose names this one's take the place of for a while.
const NAMES = ['JENTIK_APP_DATABASE_URL', 'JENTIK_SEALING_KEYS', 'JENTIK_WITNESS', 'JENTIK_BACKUPS'];
const before = NAMES.map((name) => [name, process.env[name]] as const);

test.beforeAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  for (const name of NAMES) delete process.env[name];
  database = await openSiteDatabase(folder, 'Our workshop');
  application = await startApplication(folder, database.appUrl, await freePort(), 'ABCD-EFGH-JKMN');
});

test.afterAll(async () => {
  await application.stop();
  await database.stop();
  await closeDatabase();
  for (const [name, value] of before) if (value !== undefined) process.env[name] = value;
  rmSync(folder, { recursive: true, force: true });
});

test('an empty site: its first person, a tool, a job, the bench', async ({ page }) => {
  await page.goto(application.address);
  await expect(page).toHaveURL(/first-run$/);
  await expect(page.getByLabel('Name')).toBeEnabled();
  await page.getByLabel('Name').fill('Noor');
  await page.getByLabel(/PIN/).fill('471108');
  await page.getByLabel(/Set-up code/).fill('ABCD-EFGH-XXXX');
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByRole('alert')).toContainText('Not the set-up code');
  // A program without it gets no further.
  const first = { name: 'Many', role: 'lead', pin: '640283', setupCode: 'nothing' };
  expect((await page.request.post(`${application.address}/api/v1/people`, { data: first })).status()).toBe(
    403,
  );
  await page.getByLabel(/Set-up code/).fill('abcd efgh jkmn');
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page).toHaveURL(/tools$/);

  await expect(page.getByLabel('What is written on it')).toBeEnabled();
  const fields = {
    code: 'D-1',
    serial: '77',
    minimum: '5',
    maximum: '40',
    perTurn: '5',
    graduation: '0.7',
  };
  for (const [name, value] of Object.entries(fields)) await page.locator(`input[name=${name}]`).fill(value);
  await fillDay(page, 'calibratedOn', '2026-10-01');
  await fillDay(page, 'calibrationDueOn', '2026-09-01');
  const add = page.getByRole('button', { name: 'Add this tool' });
  await add.click();
  await expect(page.getByRole('alert')).toContainText('must be a multiple of one mark');
  await page.locator('input[name=graduation]').fill('0,5');
  await add.click();
  await expect(page.getByRole('alert')).toContainText('Due before it was calibrated');
  await expect(page.locator('input[name=code]')).toHaveValue('D-1');
  await fillDay(page, 'calibrationDueOn', '2027-10-01');
  await add.click();
  await expect(page.getByRole('link', { name: 'D-1' })).toBeVisible();

  await page.goto(`${application.address}/jobs`);
  await page.getByRole('link', { name: 'Begin one' }).click();
  await expect(page.getByLabel('What is it')).toBeEnabled();
  await page.getByLabel('What is it').fill('First job');
  await page.getByLabel('Where the values are printed').fill('Label');
  await chooseFile(page, {
    name: 'a.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`${HEADER}\nX1,a,1,1,14 AWG,20 to 24 in-lb`),
  });
  await page.getByRole('button', { name: 'Import the line' }).click();
  await expect(page.getByRole('button', { name: 'Take D-1' })).toBeVisible();
  await page.goto(`${application.address}/first-run`);
  await expect(page).toHaveURL(/sign-in/);
});

test('what can’t be read is said where it is missing, and named on the Records page', async ({ page }) => {
  const people = (await (await page.request.get(`${application.address}/api/v1/people`)).json()) as {
    id: string;
  }[];
  await page.request.post(`${application.address}/api/v1/sessions`, {
    data: { personId: people[0]?.id, pin: '471108' },
  });
  await page.goto(`${application.address}/tools`);
  await expect(page.getByRole('link', { name: 'D-1' })).toBeVisible();
  await expect(page.getByTestId('unreadable')).toHaveCount(0);
  const root = await createConnection({ uri: database.ownerUrl, database: 'jentik' });
  await root.query("INSERT INTO adapters (id, code, body) VALUES (UUID(), 'BAD', '{')");
  // The list that it is missing from comes in all the same; from the next page on it is said.
  await page.goto(`${application.address}/tools`);
  await expect(page.getByRole('link', { name: 'D-1' })).toBeVisible();
  await page.goto(`${application.address}/tools`);
  await page.getByTestId('unreadable').getByRole('link', { name: 'Records' }).click();
  await expect(page.getByText('Can’t be read, and left out of their lists')).toBeVisible();
  await root.query("DELETE FROM adapters WHERE code = 'BAD'");
  await root.end();
});

test('a database that hangs or is gone: a page of our own with when to come again, and all is well once it is back', async ({
  page,
}) => {
  test.setTimeout(120_000);
  const pid = database.pid() as number;
  process.kill(pid, 'SIGSTOP');
  try {
    const answer = await page.request.get(`${application.address}/sign-in`, { timeout: 60_000 });
    expect(answer.status()).toBe(503);
    expect(answer.headers()['retry-after']).toBe('1');
    expect(await answer.text()).toContain('The database is away');
  } finally {
    process.kill(pid, 'SIGCONT');
  }
  await expect
    .poll(async () => (await page.request.get(`${application.address}/sign-in`)).status())
    .toBe(200);
  process.kill(pid, 'SIGKILL');
  await database.exited;
  await page.goto(`${application.address}/sign-in`);
  await expect(page.getByText('This page tries again every 5 seconds')).toBeVisible();
  await database.startAgain();
  // It comes back by itself.
  await expect(page.getByText('Noor')).toBeVisible({ timeout: 30_000 });
});
