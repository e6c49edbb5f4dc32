import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type BrowserContext, chromium } from '@playwright/test';
import { freePort } from '../../scripts/site/free-port.ts';
import type { Application } from '../../scripts/site/run-site.ts';
import { CHROMIUM, CHROMIUM_ARGS } from '../../scripts/test/chromium.ts';
import { HOST, startProxy, trustedHome } from './proxy.ts';
import {
  eventsOf,
  expect,
  patient,
  pinOf,
  plainList,
  plannedJob,
  readyBench,
  signedIn,
  startOwn,
  test,
} from './site.ts';

// The site as docs/deploy.md puts it on a shop's network: behind Debian's nginx with a certificate of the shop's own, and a browser that trusts its authority.

let folder: string;
let port: number;
let application: Application;
let stopProxy: () => Promise<void>;
let browser: BrowserContext;
const startAgain = async (): Promise<void> => {
  stopProxy = await startProxy(folder, Number(new URL(application.address).port), port);
};

test.beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'jentik-proxy-'));
  const home = trustedHome(folder);
  port = await freePort();
  process.env['JENTIK_ADDRESS'] = `https://${HOST}:${port}`;
  process.env['JENTIK_PROXY'] = '127.0.0.1';
  application = await startOwn(await freePort());
  for (const name of ['JENTIK_ADDRESS', 'JENTIK_PROXY']) delete process.env[name];
  await startAgain();
  // A browser of its own, for it reads what it trusts from its home.
  browser = await chromium.launchPersistentContext(join(folder, 'profile'), {
    executablePath: CHROMIUM,
    args: [...CHROMIUM_ARGS, `--host-resolver-rules=MAP ${HOST} 127.0.0.1`],
    env: { ...process.env, HOME: home } as Record<string, string>,
    baseURL: `https://${HOST}:${port}`,
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'allow',
  });
});

test.afterAll(async () => {
  await browser.close();
  await stopProxy();
  await application.stop();
  rmSync(folder, { recursive: true, force: true });
});

test('sign-in, bench, streams and the installed page, through Debian’s nginx and a certificate of the shop’s own', async ({
  page: direct,
}) => {
  test.setTimeout(180_000);
  const page = patient(await browser.newPage());
  const refused: string[] = [];
  page.on('console', (said) => {
    if (said.type() === 'error') refused.push(said.text());
  });

  await test.step('sign-in', async () => {
    await page.goto('/');
    await page.getByRole('button', { name: /Dewi/ }).click();
    await page.getByLabel('PIN').fill(pinOf('Dewi'));
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.waitForURL(/\/jobs$/);
    const cookies = (await browser.cookies()).filter(({ name }) => name.includes('jentik_'));
    expect(cookies.map(({ name }) => name).sort()).toEqual(['__Host-jentik_device', '__Host-jentik_session']);
    for (const cookie of cookies)
      expect(cookie).toMatchObject({
        secure: true,
        httpOnly: true,
        sameSite: 'Strict',
        path: '/',
        domain: HOST,
      });
  });

  await test.step('what every answer says', async () => {
    for (const path of ['/jobs', '/api/v1/people', '/icon.svg', '/service-worker.js', '/nowhere']) {
      const headers = await page.evaluate(async (asked) => {
        const answer = await fetch(asked);
        return Object.fromEntries(answer.headers);
      }, path);
      expect(headers['strict-transport-security'], path).toBe('max-age=31536000');
      expect(headers['content-security-policy'], path).toBeTruthy();
    }
  });

  await test.step('who asks is whom the proxy sees, whatever the asker writes', async () => {
    const shown = await page.evaluate(async () => {
      await fetch('/api/v1/people', { headers: { 'x-forwarded-for': '6.6.6.6' } });
      return (await (await fetch('/api/v1/me/sessions')).json()) as {
        address: string;
        isThis: boolean;
      }[];
    });
    expect(shown.find(({ isThis }) => isThis)?.address).toBe('127.0.0.1');
  });

  const job = await test.step('bench', async () => {
    await signedIn(direct, 'Dewi');
    const planned = await plannedJob(direct, 'Behind a proxy', plainList(3));
    await readyBench(page, planned);
    await page.keyboard.press('Space');
    await expect(page.getByTestId('main-action')).toContainText('It clicked');
    await page.keyboard.press('Space');
    await expect(page.getByText('all sent')).toBeVisible();
    await expect
      .poll(async () => (await eventsOf(direct, planned)).filter(({ kind }) => kind === 'pull-made').length)
      .toBe(1);
    return planned;
  });

  await test.step('streams come as they happen', async () => {
    const firstAfterMs = await page.evaluate(
      () =>
        new Promise<number>((resolve, reject) => {
          const began = performance.now();
          const source = new EventSource('/api/v1/devices/lines');
          source.onmessage = () => {
            source.close();
            resolve(performance.now() - began);
          };
          setTimeout(() => reject(new Error('nothing came')), 15_000);
        }),
    );
    expect(firstAfterMs).toBeGreaterThan(0);
  });

  await test.step('the page opens without the proxy, once it is installed', async () => {
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => null));
    await page.reload();
    await expect(page.getByTestId('main-action')).toBeVisible();
    await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
    await page.reload();
    await expect(page.getByTestId('main-action')).toBeVisible();
    await stopProxy();
    await page.goto(`/jobs/${job}/bench`);
    await expect(page.getByTestId('main-action')).toBeVisible({ timeout: 20_000 });
    await startAgain();
  });
  expect(refused.filter((text) => /Content Security Policy|certificate/i.test(text))).toEqual([]);
});
