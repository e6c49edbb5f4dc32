import {
  type Browser,
  type BrowserContext,
  test as base,
  expect,
  type Locator,
  type Page,
} from '@playwright/test';
import { v7 as uuidv7 } from 'uuid';
import { valueOrThrow } from '#core/fault.ts';
import { fastenerLines } from '#core/job/fastener-list.ts';
import { demoPeople } from '../../scripts/site/fill-demo.ts';
import { freePort } from '../../scripts/site/free-port.ts';
import { type Application, startApplication } from '../../scripts/site/run-site.ts';

export { expect };

export const address = (): string => process.env['JENTIK_TEST_ADDRESS'] ?? '';

/** The template of the demo for a ring. */
export const DEMO_TEMPLATE = '0190a000-0000-7000-8000-0000000e0001';

/** A picture of one point: PNG, RFC 2083. */
export const PICTURE = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);

/** A process of a test's own that serves the same site, to be stopped, killed and started where it was. */
export const startOwn = (port: number): Promise<Application> =>
  startApplication(process.env['JENTIK_TEST_FOLDER'] ?? '', process.env['JENTIK_TEST_APP_URL'] ?? '', port);

/** Another browser on a site, on which the person of a page is signed in. */
export const sameHands = async (
  browser: Browser,
  page: Page,
  baseURL: string,
  serviceWorkers: 'allow' | 'block' = 'block',
): Promise<BrowserContext> =>
  browser.newContext({ baseURL, serviceWorkers, storageState: await page.context().storageState() });

export const pinOf = (name: string): string => demoPeople().find((person) => person.name === name)?.pin ?? '';

/** How long a person takes at least from one pulse to the next; sooner it is the first one bouncing. */
const PULSE_MS = 450;

/** Waits until a moment of the clock that only goes forward. */
const until = async (page: Page, momentMs: number): Promise<void> => {
  while (performance.now() < momentMs) await page.waitForTimeout(momentMs - performance.now());
};

/** Waits for as long as a person takes at least from one pulse to the next. */
export const betweenPulses = (page: Page): Promise<void> => until(page, performance.now() + PULSE_MS);

const AWAKE_MS = 5_000;

/** A page worked as by a person. It is looked at before it is touched: what is chosen in the moment in which it comes alive moves what is pressed next, and a press that
 *  goes down on one thing and up on another is none (kit.spec touches pages earlier, by `waitUntil`). And its large action is pulsed by Space and Page Down never twice
 *  within a bounce; the pause begins when the browser has taken a pulse: one that a stalled browser stamps late would else come too close before the next. */
export const patient = (page: Page): Page => {
  const go = page.goto.bind(page);
  page.goto = async (url, options) => {
    const answer = await go(url, options);
    // One that never comes alive is what its own test is about.
    if (!options?.waitUntil)
      await page
        .waitForFunction(() => !document.querySelector('astro-island[ssr]'), null, { timeout: AWAKE_MS })
        .catch(() => undefined);
    return answer;
  };
  const press = page.keyboard.press.bind(page.keyboard);
  let nextAt = 0;
  page.keyboard.press = async (key, options) => {
    const isPulse = key === 'Space' || key === 'PageDown';
    if (isPulse) await until(page, nextAt);
    await press(key, options);
    if (isPulse) nextAt = performance.now() + PULSE_MS;
  };
  return page;
};

/** Waits until a page is at rest and listens: each of its islands has come alive, and nothing is being fetched. */
export const atRest = async (page: Page): Promise<void> => {
  await expect(page.locator('astro-island[ssr]')).toHaveCount(0);
  await page.waitForLoadState('networkidle');
};

export const test = base.extend({
  // biome-ignore lint/correctness/noEmptyPattern: the runner reads which fixtures a fixture needs from this pattern
  baseURL: async ({}, use) => use(address()),
  page: async ({ page }, use) => use(patient(page)),
});

/** Signs a browser in through the interface of programs, for tests that are not about signing in. */
export const signedIn = async (page: Page, name: string): Promise<void> => {
  const people = (await (await page.request.get(`${address()}/api/v1/people`)).json()) as {
    id: string;
    name: string;
  }[];
  const personId = people.find((person) => person.name === name)?.id;
  const answer = await page.request.post(`${address()}/api/v1/sessions`, {
    data: { personId, pin: pinOf(name) },
  });
  expect(answer.status()).toBe(200);
};

/** The id of the first job of the demo whose title holds these words. */
export const demoJob = async (page: Page, title: string): Promise<string> => {
  const jobs = (await (await page.request.get('/api/v1/jobs')).json()) as { id: string; title: string }[];
  return jobs.find((job) => job.title.startsWith(title))?.id ?? '';
};

/** The id of the tool of that code. */
export const toolId = async (page: Page, code: string): Promise<string> => {
  const tools = (await (await page.request.get('/api/v1/tools')).json()) as {
    readonly tool: { readonly id: string; readonly code: string };
  }[];
  return tools.find(({ tool }) => tool.code === code)?.tool.id ?? '';
};

export const HEADER = 'position,label,x_mm,y_mm,conductor,requirement';

/** A terminal list of so many plain lines. */
export const plainList = (count: number, requirement = '13 to 17 in-lb'): string =>
  [
    HEADER,
    ...Array.from(
      { length: count },
      (_, index) =>
        `P${index + 1},terminal ${index + 1},${(index % 40) * 8},${Math.floor(index / 40) * 24},14 AWG,${requirement}`,
    ),
  ].join('\n');

/** Plans a job as the person who is signed in, and answers its id. */
export const plannedJob = async (
  page: Page,
  title: string,
  list: string,
  jointKind = 'control-cabinet',
  irreplaceable: readonly string[] = [],
): Promise<string> => {
  const { lines } = valueOrThrow(fastenerLines(list));
  const answer = await page.request.post(`${address()}/api/v1/jobs`, {
    data: {
      jobId: uuidv7(),
      eventId: uuidv7(),
      deviceTime: new Date().toISOString(),
      title,
      groups: [
        {
          id: 'A',
          title: 'Terminals',
          jointKind,
          seenFrom: 'from the door',
          irreplaceable,
        },
      ],
      asset: null,
      source: { title: 'Test list', revision: '', place: '' },
      lines,
    },
  });
  expect(answer.status()).toBe(200);
  return ((await answer.json()) as { job: string }).job;
};

/** Takes a tool on the plan in front. */
export const takeTool = async (page: Page, tool: string): Promise<void> => {
  await page.getByRole('button', { name: `Take ${tool}`, exact: true }).click();
  await expect(page.getByText('all sent')).toBeVisible();
};

/** Opens a job's bench, and what it asks before the first pull. */
export const cautionsAsked = async (page: Page, job: string): Promise<Locator> => {
  await page.goto(`/jobs/${job}/bench`);
  await expect(page.getByTestId('main-action')).toBeEnabled();
  await page.keyboard.press('Space');
  const dialog = page.getByRole('dialog', { name: 'Make safe' });
  // `all` does not wait: asked before the sheet is drawn it finds no box to tick. What was assumed is asked beside the cautions.
  await expect(dialog.getByRole('checkbox').first()).toBeVisible();
  return dialog;
};

/** Measures what a cabinet asks for before it is touched: the tester proved, dead, the tester proved again, nothing left that is stored. */
export const provedDead = async (page: Page): Promise<void> => {
  const main = page.getByTestId('main-action');
  await page.getByTestId('instrument').fill('VT-02');
  await page.getByTestId('instrument').blur();
  const measure = async (title: string, volts: string): Promise<void> => {
    await expect(page.getByTestId('step')).toContainText(title);
    await page.keyboard.type(volts);
    await page.keyboard.press('Enter');
  };
  await measure('Tester proved', '231');
  await measure('Tested dead', '0');
  await measure('Tester proved again', '230');
  await page.getByRole('button', { name: 'Pass over' }).click();
  await measure('Stored energy gone', '3');
  await expect(main).not.toContainText('Type it, in V');
};

/** Opens a job's bench and confirms all that it asks before the first pull. */
export const cautionsDone = async (page: Page, job: string): Promise<void> => {
  const dialog = await cautionsAsked(page, job);
  for (const box of await dialog.getByRole('checkbox').all()) await box.check();
  await dialog.getByRole('button', { name: 'All done' }).click();
  await expect(dialog).toHaveCount(0);
  if (await page.getByTestId('step').getByText('Tester proved').isVisible()) await provedDead(page);
};

/** Opens a job's bench with the tool taken and the cautions confirmed, by the keys a person would use. */
export const readyBench = async (page: Page, job: string, tool = 'TS-07'): Promise<void> => {
  await page.goto(`/jobs/${job}/plan`);
  await takeTool(page, tool);
  await cautionsDone(page, job);
  await expect(page.getByTestId('main-action')).toContainText('is set to');
};

/** A job of plain terminals, and Dewi at its bench in a browser of its own, on a process of its own that may be ended. */
export const benchApart = async (
  browser: Browser,
  page: Page,
  title: string,
  terminals: number,
  serviceWorkers: 'allow' | 'block' = 'block',
): Promise<{
  readonly port: number;
  readonly server: Application;
  readonly job: string;
  readonly context: BrowserContext;
  readonly bench: Page;
}> => {
  const port = await freePort();
  const server = await startOwn(port);
  await signedIn(page, 'Dewi');
  const job = await plannedJob(page, title, plainList(terminals));
  const context = await sameHands(browser, page, server.address, serviceWorkers);
  const bench = patient(await context.newPage());
  await readyBench(bench, job);
  return { port, server, job, context, bench };
};

/** Plans a job of plain terminals and stands at its bench with the tool set, all of it sent; answers the job. */
export const setBench = async (page: Page, title: string, list = plainList(4)): Promise<string> => {
  const job = await plannedJob(page, title, list);
  await readyBench(page, job);
  await page.keyboard.press('Space');
  await expect(page.getByTestId('main-action')).toContainText('It clicked');
  await expect(page.getByText('all sent')).toBeVisible();
  return job;
};

/** The events of a job as the server has them. */
export const eventsOf = async (
  page: Page,
  job: string,
): Promise<readonly { id: string; kind: string; body: { position?: string; outcome?: string } }[]> =>
  (await (await page.request.get(`${address()}/api/v1/jobs/${job}/events`)).json()) as never;

/** Chooses a file as a person can: once the page takes one. */
export const chooseFile = async (
  page: Page,
  file: Parameters<ReturnType<Page['locator']>['setInputFiles']>[0],
): Promise<void> => {
  const input = page.locator('input[type=file]').first();
  await expect(input).toBeEnabled();
  await input.setInputFiles(file);
};

/** Types a day into a day field, part by part, as `2026-11-01`. */
export const fillDay = async (page: Page, name: string, day: string): Promise<void> => {
  const [year, month, date] = day.split('-');
  await page.locator(`[data-day=${name}]`).getByRole('spinbutton').first().click();
  await page.keyboard.type(`${date}${month}${year}`);
};
