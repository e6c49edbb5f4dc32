import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { type Browser, chromium, type Page } from '@playwright/test';
import { ensureBuilt } from './site/build.ts';
import { ensureDebianPackage } from './site/debian-package.ts';
import { demoPeople, fillDemo } from './site/fill-demo.ts';
import { freePort } from './site/free-port.ts';
import { inProject } from './site/paths.ts';
import { openSiteDatabase, startApplication } from './site/run-site.ts';
import { CHROMIUM, CHROMIUM_ARGS } from './test/chromium.ts';

// Takes the pictures of docs/screenshots from fresh demo data: `npm run screenshots`, or `npm run screenshots -- FOLDER [NAME …]`.

const DESIGN = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

type Shot = {
  readonly name: string;
  readonly size: typeof DESIGN;
  readonly theme?: 'dark';
  readonly signedIn?: false;
  readonly show: (page: Page) => Promise<void>;
};

const openJob = async (page: Page, title: string, tab: string): Promise<void> => {
  await page.goto('/jobs');
  const address = await page.getByRole('link', { name: title }).first().getAttribute('href');
  await page.goto(`${address?.replace(/[^/]+$/, '')}${tab}`);
  await page.waitForLoadState('networkidle');
};

const DOME = 'Dome drive cabinet, strip X3';
const importDoubts = async (page: Page): Promise<void> => {
  await page.goto('/jobs/new');
  await page.waitForLoadState('networkidle');
  await page.getByLabel('What is it').fill('Filter wheel cabinet, strip F1');
  await page.getByLabel('Where the values are printed').fill('Filter wheel wiring list');
  await page
    .locator('input[type=file]')
    .setInputFiles(inProject('demo', 'lists', 'filter-wheel-f1-with-doubts.csv'));
};

const goto =
  (address: string) =>
  async (page: Page): Promise<void> =>
    void (await page.goto(address));
const layOut = async (page: Page): Promise<void> => {
  await page.goto('/jobs/new/layout');
  await page.waitForLoadState('networkidle');
  await page.getByLabel('Kind of joint').selectOption('soft-seat-ring');
  await page.getByLabel('Torque, as it is printed').fill('0.9 ±0.1 Nm');
  await page.getByLabel('Thread').fill('M3');
  await page.getByRole('button', { name: 'Lay out 12' }).click();
  await page.getByTestId('spreads').waitFor();
  await page.evaluate(() => window.scrollTo(0, 0));
  await page.waitForTimeout(800);
};
const template = goto('/jobs/new/templates/0190a000-0000-7000-8000-0000000e0001');
const tryOut = async (page: Page): Promise<void> => {
  await layOut(page);
  await page.getByRole('heading', { name: 'Try it out' }).scrollIntoViewIfNeeded();
  await page.getByTestId('simulation-words').scrollIntoViewIfNeeded();
  await page.mouse.wheel(0, 380);
  await page.waitForTimeout(400);
};
const tightenOne = async (page: Page): Promise<void> => {
  await page.goto('/specs/tables');
  await page.getByRole('link', { name: 'Collet nut, 16 series' }).click();
  await page.waitForURL(/tables\//);
  await page.waitForLoadState('networkidle');
  await page.getByLabel(/Shank/i).first().fill('4 mm');
  await page.getByRole('button', { name: /^Tighten this:/ }).click();
  await page.waitForURL(/new\/one/);
  await page.waitForLoadState('networkidle');
};
const askScrew = async (page: Page): Promise<void> => {
  await page.goto('/sums');
  await page.waitForLoadState('networkidle');
  const panel = page.getByRole('region', { name: 'What it makes of a screw' });
  await panel.getByLabel('Thread', { exact: true }).fill('M8');
  await panel.getByLabel('Torque, as it is printed').fill('32 Nm');
  await panel.getByLabel('Class of the screw').selectOption('8.8');
  await panel.getByLabel('Goes into').selectOption('aluminium-cast');
  await panel.getByLabel('Thread engaged, mm').fill('8');
  await panel.getByTestId('preload').scrollIntoViewIfNeeded();
};
const openTable = async (page: Page): Promise<void> => {
  await page.goto('/specs/tables');
  await page.getByRole('link', { name: /Flared tube nuts/ }).click();
  await page.waitForURL(/tables\//);
  await page.waitForLoadState('networkidle');
  await page.getByRole('button', { name: '3/8' }).click();
};
const openRequirement = async (page: Page): Promise<void> => {
  await page.goto('/specs?requirement=R-7');
  await page.getByTestId('derivation').waitFor();
};
const readSample = async (page: Page): Promise<void> => {
  await page.goto('/specs/label');
  await page.waitForLoadState('networkidle');
  await page
    .locator('textarea')
    .fill('HEATER PANEL H2\n16-12 AWG CU 14-18 in-lb\n#10 21 in-lb\n#8 27 in-lb (3.1 Nm)\n2 x #12 CU 19');
};

const openTool =
  (code: string, page_: string) =>
  async (page: Page): Promise<void> => {
    const tools: { tool: { id: string; code: string } }[] = await (
      await page.request.get('/api/v1/tools')
    ).json();
    await page.goto(`/tools/${tools.find(({ tool }) => tool.code === code)?.tool.id}${page_}`);
    await page.waitForLoadState('networkidle');
  };
const openTools = async (page: Page): Promise<void> =>
  openJob(page, 'Mill holder 3, engraving cutter', 'plan');
const openRing = (page: Page): Promise<void> => openJob(page, 'Secondary mirror cell, ring', 'bench');
const openClamp = (page: Page): Promise<void> => openJob(page, TRIKE, 'plan');
const recall = async (page: Page): Promise<void> => {
  await openTool('TS-02', '/recall')(page);
  await page.getByTestId('recall-summary').waitFor();
};
const calibrate = async (page: Page): Promise<void> => {
  await openTool('TW-11', '/calibrate')(page);
  for (const [point, base] of [
    [60, 60.4],
    [180, 184],
    [300, 309],
  ] as const)
    for (const [index, off] of [0, 0.2, -0.3, 0.1, 0.2].entries())
      await page.getByLabel(`Reading ${index + 1} at ${point} lbf·in`).fill((base + off).toFixed(1));
};

const TRIKE = 'Cargo trike, handlebar and stem';
/** A pull with the connected wrench, half way up. */
const pullLive = async (page: Page): Promise<void> => {
  await openJob(page, TRIKE, 'bench');
  await page.getByText('TE-01 is connected').waitFor();
  const data = { do: 'pull', device: 'BL-E001', torque: 3.2, rate: 1000, riseMs: 4000 };
  void page.request.post('/api/v1/devices/hand', { data }).catch(() => {});
  await page.waitForTimeout(3600);
};
const readMemory = async (page: Page): Promise<void> => {
  await openJob(page, TRIKE, 'memory');
  const at = (seconds: number): string => new Date(Date.now() + seconds * 1000).toISOString();
  const peaks = ['3.02', '0.8', '2.96', '3.11', '6.4'];
  const lines = peaks.map((peak, index) => `${index + 50},${at(index * 20 - 100)},${peak},N·m`);
  await page.locator('input[type=file]').setInputFiles({
    name: 'TE-01.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(['No,Logged at,Peak,Unit', ...lines, '60,soon,2.9,N·m'].join('\n')),
  });
  await page.getByLabel('Its clock is ahead of UTC by, minutes').fill('0');
  await page.keyboard.press('Tab');
  await page.waitForTimeout(800);
};

/** A backup made and everything checked, as a lead sees it. */
const records = async (page: Page): Promise<void> => {
  await page.goto('/settings/keeping');
  await page.getByRole('button', { name: 'Back up now' }).click();
  await page.getByTestId('backups').waitFor();
  await page.getByRole('button', { name: 'Check everything now' }).click();
  await page.getByTestId('ledger-check').getByText('Everything holds').waitFor();
};

const people = async (page: Page): Promise<void> => {
  await page.goto('/settings/people');
  await page.getByLabel('Name, as records will say it').fill('Gita');
  await page.getByRole('button', { name: 'Add and invite' }).click();
  await page.getByTestId('qr').waitFor();
};

const SHOTS: readonly Shot[] = [
  { name: 'tool', size: DESIGN, show: openTool('TS-07', '') },
  { name: 'tool-beam', size: DESIGN, show: openTool('TB-01', '') },
  { name: 'tool-phone', size: PHONE, show: openTool('TS-07', '') },
  { name: 'calibrate', size: DESIGN, show: calibrate },
  { name: 'calibrate-phone', size: PHONE, show: calibrate },
  { name: 'recall', size: DESIGN, show: recall },
  { name: 'choose', size: DESIGN, show: openTools },
  { name: 'choose-phone', size: PHONE, show: openTools },
  { name: 'tools-phone', size: PHONE, show: goto('/tools') },
  { name: 'specs', size: DESIGN, show: openRequirement },
  { name: 'specs-phone', size: PHONE, show: openRequirement },
  { name: 'specs-dark', size: DESIGN, theme: 'dark', show: openRequirement },
  { name: 'table', size: DESIGN, show: openTable },
  { name: 'table-phone', size: PHONE, show: openTable },
  { name: 'tables', size: DESIGN, show: goto('/specs/tables') },
  { name: 'sources', size: DESIGN, show: goto('/specs/sources') },
  { name: 'conflicts', size: DESIGN, show: goto('/specs/conflicts') },
  { name: 'conflicts-phone', size: PHONE, show: goto('/specs/conflicts') },
  { name: 'label', size: DESIGN, show: readSample },
  { name: 'label-phone', size: PHONE, show: readSample },
  {
    name: 'source',
    size: DESIGN,
    show: async (page) => {
      await page.goto('/specs/sources');
      await page.getByRole('link', { name: /rev. B/ }).click();
      await page.waitForURL(/sources\//);
    },
  },
  {
    name: 'search',
    size: DESIGN,
    show: async (page) => {
      await page.goto('/jobs');
      await page.waitForLoadState('networkidle');
      await page.keyboard.press('/');
      await page.getByLabel('Search everything').fill('flare 3/8');
      await page.getByRole('option').first().waitFor();
    },
  },
  { name: 'plan-news', size: DESIGN, show: (page) => openJob(page, 'Dome heater panel H1', 'plan') },
  {
    name: 'sign-in',
    size: DESIGN,
    signedIn: false,
    show: async (page) => void (await page.goto('/sign-in')),
  },
  { name: 'jobs', size: DESIGN, show: async (page) => void (await page.goto('/jobs')) },
  { name: 'import', size: DESIGN, show: importDoubts },
  { name: 'plan', size: DESIGN, show: (page) => openJob(page, DOME, 'plan') },
  { name: 'bench', size: DESIGN, show: (page) => openJob(page, DOME, 'bench') },
  { name: 'bench-dark', size: DESIGN, theme: 'dark', show: (page) => openJob(page, DOME, 'bench') },
  { name: 'bench-phone', size: PHONE, show: (page) => openJob(page, DOME, 'bench') },
  { name: 'bench-ring', size: DESIGN, show: openRing },
  { name: 'bench-ring-phone', size: PHONE, show: openRing },
  { name: 'plan-clamp', size: DESIGN, show: openClamp },
  { name: 'plan-clamp-phone', size: PHONE, show: openClamp },
  { name: 'sign', size: DESIGN, show: (page) => openJob(page, 'Mill holders 3 and 5', 'sign') },
  { name: 'tools', size: DESIGN, show: async (page) => void (await page.goto('/tools')) },
  { name: 'sums', size: DESIGN, show: async (page) => void (await page.goto('/sums')) },
  { name: 'people', size: DESIGN, show: people },
  {
    name: 'people-phone',
    size: PHONE,
    show: async (page) => void (await page.goto('/settings/people')),
  },
  { name: 'me', size: DESIGN, show: async (page) => void (await page.goto('/me')) },
  { name: 'settings', size: DESIGN, show: async (page) => void (await page.goto('/settings')) },
  { name: 'records', size: DESIGN, show: records },
  { name: 'records-phone', size: PHONE, show: records },
  { name: 'plan-phone', size: PHONE, show: (page) => openJob(page, DOME, 'plan') },
  { name: 'sign-phone', size: PHONE, show: (page) => openJob(page, 'Chiller control box K1', 'sign') },
  {
    name: 'check',
    size: DESIGN,
    show: async (page) => {
      await openJob(page, 'Chiller control box K1', 'sign');
      await page.getByRole('button', { name: 'Record a check' }).click();
    },
  },
  { name: 'template', size: DESIGN, show: template },
  { name: 'template-phone', size: PHONE, show: template },
  { name: 'layout', size: DESIGN, show: layOut },
  { name: 'layout-phone', size: PHONE, show: layOut },
  { name: 'layout-dark', size: DESIGN, theme: 'dark', show: layOut },
  { name: 'try-out', size: DESIGN, show: tryOut },
  { name: 'try-out-phone', size: PHONE, show: tryOut },
  { name: 'tighten', size: DESIGN, show: tightenOne },
  { name: 'tighten-phone', size: PHONE, show: tightenOne },
  { name: 'screw', size: DESIGN, show: askScrew },
  { name: 'screw-phone', size: PHONE, show: askScrew },
  { name: 'import-phone', size: PHONE, show: importDoubts },
  { name: 'device', size: DESIGN, show: pullLive },
  { name: 'device-phone', size: PHONE, show: pullLive },
  { name: 'memory', size: DESIGN, show: readMemory },
  { name: 'memory-phone', size: PHONE, show: readMemory },
  { name: 'memory-dark', size: DESIGN, theme: 'dark', show: readMemory },
  { name: 'jobs-phone', size: PHONE, show: async (page) => void (await page.goto('/jobs')) },
];
/** The pictures that the README shows; the others are for looking. */
const KEPT: ReadonlySet<string> = new Set([
  'jobs',
  'import',
  'plan',
  'bench',
  'layout',
  'bench-phone',
  'sign',
  'tools',
  'sums',
  'settings',
  'records',
  'specs',
  'people',
  'device',
  'conflicts',
  'tool',
  'calibrate',
  'recall',
  'memory',
]);

const take = async (browser: Browser, address: string, shot: Shot, file: string): Promise<void> => {
  const context = await browser.newContext({
    baseURL: address,
    viewport: shot.size,
    reducedMotion: 'reduce',
    colorScheme: shot.theme ?? 'light',
  });
  const page = await context.newPage();
  if (shot.signedIn !== false) {
    const [lead] = demoPeople();
    const people: { id: string; name: string }[] = await (await context.request.get('/api/v1/people')).json();
    const personId = people.find(({ name }) => name === lead?.name)?.id;
    await context.request.post('/api/v1/sessions', { data: { personId, pin: lead?.pin } });
  }
  await shot.show(page);
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: file });
  await context.close();
};

const [folder, ...names] = process.argv.slice(2);
const target = folder ?? inProject('docs', 'screenshots');
const wanted = SHOTS.filter(({ name }) =>
  names.length > 0 ? names.includes(name) : folder !== undefined || KEPT.has(name),
);

ensureDebianPackage('chromium', CHROMIUM);
await ensureBuilt();
const home = inProject('.jentik', 'screenshots');
rmSync(home, { recursive: true, force: true });
mkdirSync(target, { recursive: true });
const database = await openSiteDatabase(home, 'Bukit Lintang Observatory');
await fillDemo();
const application = await startApplication(home, database.appUrl, await freePort());
const browser = await chromium.launch({ executablePath: CHROMIUM, args: [...CHROMIUM_ARGS] });
try {
  for (const shot of wanted) await take(browser, application.address, shot, join(target, `${shot.name}.png`));
} finally {
  await browser.close();
  await application.stop();
  await database.stop();
}
