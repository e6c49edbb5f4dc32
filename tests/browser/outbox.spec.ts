import type { Browser, BrowserContext, Page } from '@playwright/test';
import { createConnection } from 'mysql2/promise';
import {
  atRest,
  benchApart,
  eventsOf,
  expect,
  patient,
  plainList,
  plannedJob,
  readyBench,
  setBench,
  signedIn,
  startOwn,
  test,
} from './site.ts';

const pulledPositions = (events: Awaited<ReturnType<typeof eventsOf>>) =>
  events.filter(({ kind }) => kind === 'pull-made').map(({ body }) => body.position);

/** Another device at the same bench, with somebody else signed in. */
const ekosBench = async (
  browser: Browser,
  page: Page,
  job: string,
): Promise<{ readonly context: BrowserContext; readonly other: Page }> => {
  const context = await browser.newContext({ baseURL: new URL(page.url()).origin });
  const other = patient(await context.newPage());
  await signedIn(other, 'Eko');
  await other.goto(`/jobs/${job}/bench`);
  await expect(other.getByTestId('main-action')).toBeEnabled();
  return { context, other };
};

test('the server is killed between two pulls: neither is lost, and each is in the record once', async ({
  page,
  browser,
}) => {
  const apart = await benchApart(browser, page, 'Killed between', 4);
  const { port, job, context, bench } = apart;
  let { server } = apart;
  await bench.keyboard.press('Space');
  await bench.keyboard.press('Space');
  await expect(bench.getByTestId('verdict')).toContainText('P1: in');
  await expect(bench.getByText('all sent')).toBeVisible();

  process.kill(server.pid, 'SIGKILL');
  await server.exited;
  await bench.keyboard.press('Space');
  await expect(bench.getByTestId('verdict')).toContainText('P2: in');
  await bench.keyboard.press('Space');
  await expect(bench.getByTestId('verdict')).toContainText('P3: in');
  await expect(bench.getByTestId('waiting')).toHaveText('2 waiting to send, no connection');

  server = await startOwn(port);
  await expect(bench.getByTestId('waiting')).toHaveText('all sent', { timeout: 45_000 });
  expect(pulledPositions(await eventsOf(page, job))).toEqual(['P1', 'P2', 'P3']);
  await context.close();
  await server.stop();
});

test('the tab is closed while the server is away: what waited is sent when a page is opened again', async ({
  page,
  browser,
}) => {
  const apart = await benchApart(browser, page, 'Closed in between', 2);
  const { port, job, context, bench } = apart;
  let { server } = apart;
  await bench.keyboard.press('Space');
  await expect(bench.getByTestId('main-action')).toContainText('It clicked');
  await expect(bench.getByText('all sent')).toBeVisible();
  await server.stop();
  await bench.keyboard.press('Space');
  await expect(bench.getByTestId('waiting')).toContainText('1 waiting');
  await bench.close();

  server = await startOwn(port);
  const later = patient(await context.newPage());
  await later.goto('/tools');
  await expect
    .poll(async () => pulledPositions(await eventsOf(page, job)), { timeout: 30_000 })
    .toEqual(['P1']);
  await later.goto(`/jobs/${job}/bench`);
  await expect(later.getByText('1 of 2 in')).toBeVisible();
  await context.close();
  await server.stop();
});

test('an answer that was lost is sent again and counts once', async ({ page }) => {
  await signedIn(page, 'Dewi');
  const job = await setBench(page, 'Lost answer', plainList(2));
  let lost = 0;
  await page.route('**/events', async (route) => {
    if (route.request().method() !== 'POST' || lost > 0) return route.continue();
    lost += 1;
    await route.fetch();
    await route.abort();
  });
  await page.keyboard.press('Space');
  await expect(page.getByTestId('verdict')).toContainText('P1: in');
  await expect(page.getByTestId('waiting')).toHaveText('all sent', { timeout: 20_000 });
  expect(lost).toBe(1);
  expect(pulledPositions(await eventsOf(page, job))).toEqual(['P1']);
});

test('two devices on one job: the one that is behind catches up, and both pulls are in the record, and the person is told', async ({
  page,
  browser,
}) => {
  await signedIn(page, 'Dewi');
  const job = await setBench(page, 'Two devices', plainList(3));

  // This one hears nothing of what the other does: it is behind.
  await page.route('**/events?after=*', (route) => route.abort());
  const { context, other } = await ekosBench(browser, page, job);
  await other.keyboard.press('o');
  await expect(other.getByTestId('verdict')).toContainText('P1: above');
  await expect(other.getByText('all sent')).toBeVisible();

  await page.keyboard.press('Space');
  await expect(page.getByText('P1: in')).toBeVisible();
  const told = page.getByTestId('told');
  await expect(told).toContainText('was shown to you as in; the site recorded it as no verdict');
  await expect(told).toContainText('it had gone past its limit or been pulled by feel, and was not loosened');
  await expect(told).toContainText('Eko had pulled it meanwhile');
  // A page opened again still tells it, until the person says that they have seen it.
  await page.reload();
  await expect(told).toContainText('was shown to you as in');
  await told.getByRole('button', { name: 'Seen' }).click();
  await expect(told).toBeHidden();
  await page.reload();
  await expect(page.getByTestId('main-action')).toBeEnabled();
  await expect(told).toBeHidden();
  expect((await eventsOf(page, job)).filter(({ kind }) => kind === 'pull-made')).toHaveLength(2);
  await context.close();
});

test('the site answers that it takes nothing just now: the page says that, not that there is no connection', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signedIn(page, 'Dewi');
  const job = await plannedJob(page, 'Held up', plainList(2));
  await readyBench(page, job);
  await page.keyboard.press('Space');
  await expect(page.getByTestId('main-action')).toContainText('It clicked');
  const tabs = page.getByRole('navigation', { name: 'Job' });
  await expect(page.getByText('all sent')).toBeVisible();
  const before = await tabs.boundingBox();
  const holder = await createConnection({ uri: process.env['JENTIK_TEST_APP_URL'] ?? '' });
  await holder.beginTransaction();
  await holder.query('SELECT head_sequence FROM jobs WHERE id = ? FOR UPDATE', [job]);
  await page.keyboard.press('Space');
  await expect(page.getByTestId('waiting')).toHaveText('1 waiting to send, the site can’t take it now', {
    timeout: 45_000,
  });
  // What the head says more does not push the work away from under a finger.
  expect((await tabs.boundingBox())?.y).toBeLessThan((before?.y ?? 0) + 48);
  await holder.rollback();
  await holder.end();
  await expect(page.getByTestId('waiting')).toHaveText('all sent', { timeout: 45_000 });
  expect(pulledPositions(await eventsOf(page, job))).toEqual(['P1']);
});

test('what one person did is not sent by another; it waits until they sign in again', async ({
  page,
  context,
}) => {
  await signedIn(page, 'Dewi');
  const job = await setBench(page, 'Another person', plainList(2));
  await context.clearCookies();
  await page.keyboard.press('Space');
  await expect(page.getByTestId('waiting')).toHaveText('1 waiting to send, sign in again');

  // The bench is still open and tries again, by now with somebody else's sign-in.
  const tried = page.waitForResponse(
    async (answer) =>
      answer.request().method() === 'POST' && (await answer.text()).includes('not-your-event'),
  );
  await signedIn(page, 'Eko');
  await tried;
  await expect(page.getByTestId('waiting')).toHaveText('1 waiting to send, sign in again');
  await expect(page.getByTestId('refused-line')).toHaveCount(0);
  await page.goto('/tools');
  await atRest(page);
  expect(pulledPositions(await eventsOf(page, job))).toEqual([]);
  await signedIn(page, 'Dewi');
  await page.goto('/tools');
  await expect.poll(async () => pulledPositions(await eventsOf(page, job))).toEqual(['P1']);
});

test('another’s pull of the fastener in hand is shown before one’s own is recorded, and both stay in the record', async ({
  page,
  browser,
}) => {
  await signedIn(page, 'Dewi');
  const job = await setBench(page, 'Meanwhile', plainList(3));
  const { context, other } = await ekosBench(browser, page, job);
  await other.keyboard.press('Space');
  await expect(other.getByTestId('verdict')).toContainText('P1: in');
  await expect(other.getByText('all sent')).toBeVisible();

  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('P1 was pulled by Eko');
  await dialog.getByRole('button', { name: 'Seen' }).click();
  await context.close();
  await page.keyboard.press('Space');
  // It is in: the tool gives at its setting however tight it is, so that a click alone says nothing new.
  const again = page.getByRole('dialog', { name: 'P1 is in already' });
  await again.getByRole('button', { name: /It was loosened/ }).click();
  await page.keyboard.press('Space');
  await expect.poll(async () => pulledPositions(await eventsOf(page, job))).toEqual(['P1', 'P1']);
});

test('a full disk: the pull is sent from memory, and the person is told before the next one', async ({
  page,
}) => {
  await signedIn(page, 'Dewi');
  const job = await setBench(page, 'Full disk', plainList(3));
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  await page.keyboard.press('Space');
  await expect(page.getByRole('dialog')).toContainText('Not kept on this device');
  await page.keyboard.press('Space');
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect(page.getByText('all sent')).toBeVisible();
  expect(pulledPositions(await eventsOf(page, job))).toEqual(['P1']);
  await page.keyboard.press('Space');
  await expect.poll(async () => pulledPositions(await eventsOf(page, job))).toEqual(['P1', 'P2']);
});

/** What a page runs so that its store answers only once it is let: what is asked of `IDBObjectStore.put` or `IDBFactory.open` succeeds at the event `let-store`. */
const holdStore = (what: 'put' | 'open'): void => {
  const held = (what === 'put' ? IDBObjectStore.prototype : IDBFactory.prototype) as never as Record<
    string,
    (...given: unknown[]) => IDBRequest
  >;
  const asked = held[what];
  held[what] = function (...given) {
    const request = asked?.apply(this, given) as IDBRequest;
    const hold = (event: Event): void => {
      event.stopImmediatePropagation();
      request.removeEventListener('success', hold);
      window.addEventListener('let-store', () => request.dispatchEvent(new Event('success')));
    };
    request.addEventListener('success', hold);
    return request;
  };
};

const letStore = (page: Page): Promise<boolean> =>
  page.evaluate(() => window.dispatchEvent(new Event('let-store')));

test('a disk that is late with a pull: nothing is asked, and the next pull waits only until the site has it', async ({
  page,
}) => {
  await signedIn(page, 'Dewi');
  const job = await setBench(page, 'Late disk', plainList(3));
  await page.evaluate(holdStore, 'put' as const);
  await page.keyboard.press('Space');
  await expect(page.getByTestId('verdict')).toContainText('P1: in');
  await page.keyboard.press('Space');
  await expect(page.getByTestId('verdict')).toContainText('P2: in');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect.poll(async () => pulledPositions(await eventsOf(page, job))).toEqual(['P1', 'P2']);
  await letStore(page);
  await page.keyboard.press('Space');
  await expect(page.getByTestId('verdict')).toContainText('P3: in');
  await letStore(page);
  await expect(page.getByText('all sent')).toBeVisible();
  expect(pulledPositions(await eventsOf(page, job))).toEqual(['P1', 'P2', 'P3']);
});

test('a disk that does not answer, without a network: it is said before the next pull', async ({
  page,
  context,
}) => {
  await signedIn(page, 'Dewi');
  const job = await setBench(page, 'Hung disk', plainList(3));
  await page.evaluate(holdStore, 'put' as const);
  await context.setOffline(true);
  await page.keyboard.press('Space');
  await expect(page.getByTestId('verdict')).toContainText('P1: in');
  await expect(page.getByRole('dialog')).toContainText('Not kept on this device');
  await page.keyboard.press('Space');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('Space');
  await expect(page.getByTestId('verdict')).toContainText('P2: in');
  await context.setOffline(false);
  await expect.poll(async () => pulledPositions(await eventsOf(page, job))).toEqual(['P1', 'P2']);
});

test('a browser that keeps nothing: the bench works, sends at once, and says so plainly', async ({
  page,
}) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, 'indexedDB', {
      value: {
        open: () => {
          throw new DOMException('blocked', 'SecurityError');
        },
      },
    });
  });
  await signedIn(page, 'Dewi');
  const job = await plannedJob(page, 'Keeps nothing', plainList(2));
  await readyBench(page, job);
  await expect(page.getByText('This browser keeps nothing')).toBeVisible();
  await page.keyboard.press('Space');
  await page.keyboard.press('Space');
  await expect(page.getByTestId('verdict')).toContainText('P1: in');
  await expect.poll(async () => pulledPositions(await eventsOf(page, job))).toEqual(['P1']);
});

test('a store that took its time to open is not said to keep nothing once it keeps', async ({ page }) => {
  // The bench waits a second and a half for the store; this one is there when it is let.
  await page.addInitScript(holdStore, 'open' as const);
  await signedIn(page, 'Dewi');
  const job = await plannedJob(page, 'Late store', plainList(3));
  await readyBench(page, job);
  const said = page.getByText('This browser keeps nothing');
  await expect(said).toBeVisible();
  await letStore(page);
  await page.keyboard.press('Space');
  await page.keyboard.press('Space');
  await expect(page.getByTestId('verdict')).toContainText('P1: in');
  await expect(said).toHaveCount(0);
  await expect.poll(async () => pulledPositions(await eventsOf(page, job))).toEqual(['P1']);
});

test('two tabs share what is unsent, and what is refused stops the bench at its fastener', async ({
  page,
  context,
}) => {
  await signedIn(page, 'Dewi');
  const job = await setBench(page, 'Two tabs', plainList(3));
  const second = patient(await context.newPage());
  await second.goto(`/jobs/${job}/bench`);
  await expect(second.getByTestId('main-action')).toBeEnabled();
  let isRefusing = true;
  await context.route('**/events', async (route) => {
    if (route.request().method() !== 'POST') return route.continue();
    if (!isRefusing) return route.continue();
    const { events } = route.request().postDataJSON() as { events: { id: string }[] };
    await route.fulfill({
      json: {
        placed: [],
        receivedAt: new Date().toISOString(),
        refused: { eventId: events[0]?.id, problem: { code: 'tool-not-set' } },
      },
    });
  });
  await page.keyboard.press('Space');
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('The site did not take this');
  await expect(dialog).toContainText('a pull, P1');
  // Nothing of it is lost: the other tab has it too, and either may send it again.
  await expect(second.getByTestId('refused-line')).toContainText('a pull, P1');
  isRefusing = false;
  await dialog.getByRole('button', { name: 'Send it again' }).click();
  await expect(dialog).toBeHidden();
  await expect.poll(async () => pulledPositions(await eventsOf(page, job))).toEqual(['P1']);
  await expect(second.getByTestId('refused-line')).toHaveCount(0);
});

test('a site that was restored and lost what this browser had sent: it notices, and offers it', async ({
  page,
}) => {
  await signedIn(page, 'Dewi');
  const job = await plannedJob(page, 'Restored', plainList(2));
  await readyBench(page, job);
  await page.keyboard.press('Space');
  await page.keyboard.press('Space');
  await expect(page.getByTestId('verdict')).toContainText('P1: in');
  await expect(page.getByText('all sent')).toBeVisible();
  // As after a restore: another life of the site, which answers without the pull. The record itself still has it, so that sending it again shows that it counts once.
  await page.evaluate(() => localStorage.setItem('jentik-site-life', 'the one before'));
  await page.route('**/events?after=0', async (route) => {
    const events = (await (await route.fetch()).json()) as { kind: string }[];
    await route.fulfill({ json: events.filter(({ kind }) => kind !== 'pull-made') });
  });
  await page.goto('/tools');
  const offered = page.getByTestId('lost-by-restore');
  await expect(offered).toContainText('This device holds 1 event of 1 job');
  await offered.getByRole('button', { name: 'Send 1 event again' }).click();
  await expect(offered).toBeHidden();
  await expect.poll(async () => pulledPositions(await eventsOf(page, job))).toEqual(['P1']);
  await page.unroute('**/events?after=0');
  await page.goto(`/jobs/${job}/bench`);
  await expect(page.getByText('all sent')).toBeVisible();
  await expect(offered).toBeHidden();
});
