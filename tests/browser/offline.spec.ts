import { createServer, request } from 'node:http';
import type { BrowserContext, Page } from '@playwright/test';
import type { LedgerEvent } from '#core/event/lifted.ts';
import { firstBreak } from '#core/ledger/hash-chain.ts';
import { freePort } from '../../scripts/site/free-port.ts';
import {
  address,
  benchApart,
  eventsOf,
  expect,
  PICTURE,
  patient,
  pinOf,
  plainList,
  plannedJob,
  sameHands,
  signedIn,
  startOwn,
  test,
} from './site.ts';

/** Ends a tab as a system short of memory does: nothing of it gets to say anything more. */
const killTab = async (context: BrowserContext, page: Page): Promise<void> => {
  const session = await context.newCDPSession(page);
  const gone = page.waitForEvent('crash');
  await Promise.race([gone, session.send('Page.crash').catch(() => {})]);
};

const pull = async (bench: Page, position: string): Promise<void> => {
  await expect(bench.getByTestId('current-position')).toHaveText(position);
  await bench.keyboard.press('Space');
  await expect(bench.getByTestId('verdict')).toContainText(`${position}: in`);
};

test('a whole job off line: server stopped, tab killed and opened cold, server back; every pull once, in order, the chain whole', async ({
  page,
  browser,
}) => {
  const apart = await benchApart(browser, page, 'In the basement', 6, 'allow');
  const { port, job, context, bench } = apart;
  let { server } = apart;
  await bench.keyboard.press('Space');
  await pull(bench, 'P1');
  await expect(bench.getByTestId('waiting')).toHaveText('all sent · opens off line');

  await server.stop();
  await pull(bench, 'P2');
  await pull(bench, 'P3');
  await expect(bench.getByTestId('waiting')).toContainText('2 waiting to send, no connection');
  await killTab(context, bench);

  const cold = patient(await context.newPage());
  await cold.goto(`/jobs/${job}/bench`);
  await expect(cold.getByTestId('main-action')).toBeEnabled();
  // What the site had placed after this page was made is there as well as what waits.
  await expect(cold.getByText('3 of 6 in')).toBeVisible();
  for (const position of ['P4', 'P5', 'P6']) await pull(cold, position);
  await expect(cold.getByText('6 of 6 in')).toBeVisible();
  await expect(cold.getByTestId('waiting')).toContainText('5 waiting to send, no connection');

  server = await startOwn(port);
  await cold.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(cold.getByTestId('waiting')).toContainText('all sent');
  const events = await eventsOf(page, job);
  expect(events.filter(({ kind }) => kind === 'pull-made').map(({ body }) => body.position)).toEqual([
    'P1',
    'P2',
    'P3',
    'P4',
    'P5',
    'P6',
  ]);
  expect(firstBreak(events as unknown as readonly LedgerEvent[])).toBeNull();
  await context.close();
  await server.stop();
});

test('without the site an address that this device has not leads to what it has, and back once the site answers', async ({
  page,
  browser,
}) => {
  const port = await freePort();
  let server = await startOwn(port);
  await signedIn(page, 'Dewi');
  const job = await plannedJob(page, 'Kept on the tablet', plainList(2));
  const context = await sameHands(browser, page, server.address, 'allow');
  const tab = patient(await context.newPage());
  await tab.goto(`/jobs/${job}/bench`);
  await expect(tab.getByTestId('waiting')).toHaveText('all sent · opens off line');
  await server.stop();

  await tab.goto('/tools/nowhere');
  await expect(tab.getByRole('heading', { name: 'The site can’t be reached' })).toBeVisible();
  // It is nobody's page: whoever is signed in is not named on it.
  await expect(tab.getByText('Dewi')).toHaveCount(0);
  const kept = tab.getByTestId('kept-jobs').getByRole('link', { name: /Kept on the tablet/ });
  await expect(kept).toContainText('nothing waits to be sent');
  await kept.click();
  await expect(tab.getByTestId('main-action')).toBeEnabled();
  // Its other pages were kept with it.
  await tab.getByRole('link', { name: 'Plan', exact: true }).click();
  await expect(tab.getByRole('button', { name: 'Take TS-07', exact: true })).toBeVisible();
  await tab.getByRole('link', { name: 'Sign', exact: true }).click();
  await expect(tab.getByText('0 of 2 in')).toBeVisible();

  server = await startOwn(port);
  await tab.goto('/tools');
  await expect(tab.getByRole('heading', { name: 'Tools' })).toBeVisible();
  await context.close();
  await server.stop();
});

/** How many of a kind are in the browser's own database. */
const waitingPictures = (tab: Page): Promise<number> =>
  tab.evaluate(
    () =>
      new Promise<number>((done) => {
        const asked = indexedDB.open('jentik-pictures');
        asked.onsuccess = () => {
          const count = asked.result.transaction('pictures').objectStore('pictures').count();
          count.onsuccess = () => {
            asked.result.close();
            done(count.result);
          };
        };
      }),
  );

test('two tabs of one job off line, one of them killed: every pull once, in the order they were made', async ({
  page,
  browser,
}) => {
  const apart = await benchApart(browser, page, 'Two tabs', 6, 'allow');
  const { port, job, context, bench: one } = apart;
  let { server } = apart;
  await one.keyboard.press('Space');
  await expect(one.getByTestId('waiting')).toHaveText('all sent · opens off line');
  process.kill(server.pid, 'SIGKILL');
  await server.exited;
  const other = patient(await context.newPage());
  await other.goto(`/jobs/${job}/bench`);
  await expect(other.getByTestId('main-action')).toBeEnabled();
  for (const [tab, position] of [
    [one, 'P1'],
    [other, 'P2'],
    [one, 'P3'],
    [other, 'P4'],
  ] as const) {
    await tab.bringToFront();
    await pull(tab, position);
  }
  // A verdict stands a moment before its disk has it, and the head of the page says so until then.
  await expect(other.getByTestId('waiting')).toContainText('4 waiting to send');
  await killTab(context, other);
  await one.bringToFront();
  // All of Playwright's pages have the focus all the time.
  await one.evaluate(() => window.dispatchEvent(new Event('focus')));
  await pull(one, 'P5');
  server = await startOwn(port);
  await one.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(one.getByTestId('waiting')).toContainText('all sent');
  const pulled = (await eventsOf(page, job)).filter(({ kind }) => kind === 'pull-made');
  expect(pulled.map(({ body }) => body.position)).toEqual(['P1', 'P2', 'P3', 'P4', 'P5']);
  await context.close();
  await server.stop();
});

test('a photograph taken off line waits through a killed tab and a server that dies on it, and is there once', async ({
  page,
  browser,
}) => {
  const apart = await benchApart(browser, page, 'Photographed', 2, 'allow');
  const { port, job, context, bench: first } = apart;
  let { server } = apart;
  await expect(first.getByTestId('waiting')).toHaveText('all sent · opens off line');
  await server.stop();
  await first.keyboard.press('e');
  await first.getByRole('button', { name: 'Note or photograph' }).click();
  await first.getByLabel('Note', { exact: true }).fill('as found');
  await first
    .locator('input[type=file]')
    .setInputFiles({ name: 'found.png', mimeType: 'image/png', buffer: PICTURE });
  await expect(first.getByText('Photograph kept; take another')).toBeVisible();
  await first.getByRole('button', { name: 'Put it into the record' }).click();
  await expect(first.getByTestId('waiting')).toContainText('1 waiting to send');
  await killTab(context, first);

  const cold = patient(await context.newPage());
  await cold.goto(`/jobs/${job}/sign`);
  await expect(cold.getByTestId('notes-made')).toContainText('as found');
  expect(await waitingPictures(cold)).toBe(1);
  // The first answer never comes: the server dies on it.
  server = await startOwn(port);
  const asked = cold.waitForRequest(/attachments/);
  await cold.evaluate(() => window.dispatchEvent(new Event('online')));
  await asked;
  process.kill(server.pid, 'SIGKILL');
  await server.exited;
  server = await startOwn(port);
  await cold.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(cold.getByTestId('waiting')).toContainText('all sent');
  await expect.poll(() => waitingPictures(cold)).toBe(0);
  const link = cold.getByTestId('notes-made').getByRole('link', { name: 'photograph' });
  const kept = await cold.request.get(`${await link.getAttribute('href')}?original=1`);
  expect((await kept.body()).equals(PICTURE)).toBe(true);
  await context.close();
  await server.stop();
});

/** A site before another one of it, whose worker is a newer build's from a moment on. */
const behindNewer = async (
  port: number,
): Promise<{ readonly address: string; readonly becomeNewer: () => void; readonly stop: () => void }> => {
  let isNewer = false;
  const proxy = createServer((incoming, response) => {
    const { url = '/', method } = incoming;
    const {
      'accept-encoding': _e,
      'if-none-match': _n,
      'if-modified-since': _m,
      ...headers
    } = incoming.headers;
    // It answers to its own name alone.
    const host = `127.0.0.1:${port}`;
    const named = { ...headers, host, ...(headers.origin ? { origin: `http://${host}` } : {}) };
    const asked = request({ port, path: url, method, headers: named }, (answer) => {
      const { 'content-length': _, ...rest } = answer.headers;
      response.writeHead(answer.statusCode ?? 502, url === '/service-worker.js' ? rest : answer.headers);
      answer.pipe(response, { end: false });
      answer.on('end', () => {
        response.end(isNewer && url === '/service-worker.js' ? '\n// newer' : '');
      });
    });
    asked.on('error', () => response.destroy());
    incoming.pipe(asked);
  });
  const own = await freePort();
  await new Promise<void>((listening) => proxy.listen(own, '127.0.0.1', listening));
  return {
    address: `http://127.0.0.1:${own}`,
    becomeNewer: () => {
      isNewer = true;
    },
    stop: () => proxy.close(),
  };
};

test('a page that is older than its site says so, and begins anew when it is told to', async ({
  page,
  browser,
}) => {
  await signedIn(page, 'Dewi');
  const job = await plannedJob(page, 'Older page', plainList(2));
  const proxy = await behindNewer(Number(new URL(address()).port));
  const context = await sameHands(browser, page, proxy.address, 'allow');
  const tab = patient(await context.newPage());
  await tab.goto(`/jobs/${job}/bench`);
  await expect(tab.getByTestId('waiting')).toHaveText('all sent · opens off line');
  await expect(tab.getByText('The site is newer')).toHaveCount(0);
  proxy.becomeNewer();
  await tab.evaluate(() => window.dispatchEvent(new Event('online')));
  await tab.getByRole('button', { name: 'Begin with the new page' }).click();
  await expect(tab.getByText('The site is newer')).toHaveCount(0);
  await expect(tab.getByTestId('waiting')).toHaveText('all sent · opens off line');
  await context.close();
  proxy.stop();
});

test('who signs in on a device sees nothing that was kept of the person before', async ({
  page,
  browser,
}) => {
  const port = await freePort();
  const server = await startOwn(port);
  await signedIn(page, 'Dewi');
  const job = await plannedJob(page, 'Kept of Dewi', plainList(2));
  const context = await sameHands(browser, page, server.address, 'allow');
  const tab = await context.newPage();
  await tab.goto(`/jobs/${job}/bench`);
  await expect(tab.getByTestId('waiting')).toHaveText('all sent · opens off line');
  await tab.goto('/sign-in');
  await tab.getByRole('button', { name: /Eko/ }).click();
  await tab.keyboard.type(pinOf('Eko'));
  await tab.keyboard.press('Enter');
  await tab.waitForURL('**/jobs');
  await server.stop();
  await tab.goto(`/jobs/${job}/bench`);
  await expect(tab.getByRole('heading', { name: 'The site can’t be reached' })).toBeVisible();
  await context.close();
});

test('a second person takes over off the network: claimed, said in the record, and confirmed by their PIN', async ({
  browser,
  page,
}) => {
  test.setTimeout(180_000);
  const { server, job, context, bench } = await benchApart(browser, page, 'Taken over', 4, 'allow');
  // Somebody who looks on from a device of their own: a sign-in on this one ends whoever’s session it had.
  const elsewhere = await browser.newContext({ baseURL: address() });
  const onlooker = await elsewhere.newPage();
  await signedIn(onlooker, 'Bram');
  await bench.keyboard.press('Space');
  await pull(bench, 'P1');
  await expect(bench.getByTestId('waiting')).toHaveText('all sent · opens off line');
  await server.stop();
  await bench.keyboard.press('e');
  await bench.getByRole('button', { name: /Hand the job over/ }).click();
  await bench.getByLabel('What they must know').fill('P1 is tight');
  await bench.getByRole('button', { name: 'Hand over, and let them sign in' }).click();
  const asked = bench.getByRole('dialog', { name: 'Who takes over?' });
  await asked.getByRole('button', { name: /Eko/ }).click();
  const strip = bench.getByTestId('claimed');
  await expect(strip).toContainText('Eko, as claimed');
  await expect(strip).toContainText('What Dewi did goes first');
  // What was left for the next one is read by the next one, who then pulls.
  await expect(bench.getByTestId('handed-over')).toContainText('P1 is tight');
  await bench.getByTestId('handed-over').getByRole('button', { name: 'Seen' }).click();
  await pull(bench, 'P2');
  // The tab is closed and opened again: it is still Eko’s, as claimed.
  await bench.reload();
  await expect(strip).toContainText('Eko, as claimed');

  const again = await startOwn(Number(new URL(bench.url()).port));
  await bench.evaluate(() => window.dispatchEvent(new Event('online')));
  // The site hears of it by Dewi’s session; of what Eko did it has nothing yet.
  await expect(strip.getByRole('link', { name: 'Confirm with Eko’s PIN' })).toBeVisible({ timeout: 60_000 });
  const by = async (name: string) =>
    ((await eventsOf(onlooker, job)) as readonly { kind: string; person?: { name: string } }[]).filter(
      ({ kind, person }) => person?.name === name && kind === 'pull-made',
    ).length;
  await expect
    .poll(async () => (await eventsOf(onlooker, job)).some(({ kind }) => kind === 'bench-taken-over'))
    .toBe(true);
  expect(await by('Eko')).toBe(0);
  await onlooker.goto(`/jobs/${job}/sign`);
  await expect(onlooker.getByTestId('claims-made')).toContainText('Claimed, not confirmed');

  await strip.getByRole('link', { name: 'Confirm with Eko’s PIN' }).click();
  await bench.getByRole('button', { name: /Eko/ }).click();
  await bench.getByLabel('PIN').fill(pinOf('Eko'));
  await bench.getByRole('button', { name: 'Sign in' }).click();
  await bench.waitForURL(/bench$/);
  await expect(strip).toHaveCount(0);
  await expect.poll(() => by('Eko'), { timeout: 30_000 }).toBe(1);
  // Also where Eko had done nothing since.
  await expect
    .poll(async () => (await eventsOf(onlooker, job)).some(({ kind }) => kind === 'take-over-confirmed'))
    .toBe(true);
  await onlooker.reload();
  await expect(onlooker.getByTestId('claims-made')).toContainText('Confirmed by Eko’s PIN');
  await elsewhere.close();
  await context.close();
  await again.stop();
});
