import type { Browser, BrowserContext, Page } from '@playwright/test';
import jsQR from 'jsqr';
import { address, atRest, expect, patient, signedIn, test } from './site.ts';

const PIN = '482615';

const leadAt = async (browser: Browser, path: string): Promise<{ lead: Page; context: BrowserContext }> => {
  const context = await browser.newContext({ baseURL: address() });
  const lead = patient(await context.newPage());
  await signedIn(lead, 'Ayu');
  await lead.goto(path);
  await atRest(lead);
  return { lead, context };
};

/** A telephone that nobody has used. */
const telephone = (browser: Browser): Promise<BrowserContext> =>
  browser.newContext({
    baseURL: address(),
    viewport: { width: 390, height: 844 },
    isMobile: true,
    hasTouch: true,
    userAgent: 'Mozilla/5.0 (Linux; Android 14) AppleWebKit/537.36 Chrome/140.0 Mobile Safari/537.36',
  });

/** What a camera reads of the code that a page shows. */
const scanned = async (page: Page): Promise<string> => {
  const code = page.getByTestId('qr');
  await expect(code).toBeVisible();
  const { data, width, height } = await code.evaluate(async (image: HTMLImageElement) => {
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = 480;
    canvas.height = 480;
    const context = canvas.getContext('2d') as CanvasRenderingContext2D;
    context.drawImage(image, 0, 0, 480, 480);
    return { data: [...context.getImageData(0, 0, 480, 480).data], width: 480, height: 480 };
  });
  return jsQR(Uint8ClampedArray.from(data), width, height)?.data ?? '';
};

/** Adds somebody and answers the address on the code that the lead holds up. */
const invitedAs = async (lead: Page, name: string): Promise<string> => {
  await lead.getByLabel('Name, as records will say it').fill(name);
  await lead.getByRole('button', { name: 'Add and invite' }).click();
  return scanned(lead);
};

const chosen = async (phone: Page, pin: string, again = pin): Promise<void> => {
  await phone.getByLabel('Your PIN').fill(pin);
  await phone.getByLabel('Once more').fill(again);
  await phone.getByRole('button', { name: 'Begin' }).click();
};

test('a lead brings a second technician with a telephone onto the site: a name, a code, a PIN', async ({
  browser,
}) => {
  const began = performance.now();
  const { lead, context } = await leadAt(browser, '/settings/people');
  const name = `Gita ${Date.now()}`;
  const scan = await invitedAs(lead, name);
  const phoneContext = await telephone(browser);
  const phone = await phoneContext.newPage();
  await phone.goto(scan);
  await expect(phone.getByText(`Welcome, ${name}`)).toBeVisible();
  // Not left behind for whoever has the device next.
  expect(phone.url()).toMatch(/\/join$/);
  await chosen(phone, '123456');
  await expect(phone.getByRole('alert')).toContainText('PIN easily guessed');
  await chosen(phone, PIN, '482616');
  await expect(phone.getByText('is not the same').first()).toBeVisible();
  await chosen(phone, PIN);
  await phone.waitForURL(/\/jobs$/);
  await expect(phone.getByTestId('signed-in')).toHaveText(name);
  expect(performance.now() - began).toBeLessThan(120_000);
  // It works once.
  await lead.goto(scan);
  await expect(lead.getByRole('alert')).toContainText('This invitation is over');
  await context.close();
  await phoneContext.close();
});

test('a lead gives another role, signs somebody out everywhere, and lets them go; what they did stays theirs', async ({
  browser,
}) => {
  const { lead, context } = await leadAt(browser, '/settings/people');
  const name = `Hasan ${Date.now()}`;
  const scan = await invitedAs(lead, name);
  const phoneContext = await telephone(browser);
  const phone = await phoneContext.newPage();
  await phone.goto(scan);
  await expect(phone.getByText(`Welcome, ${name}`)).toBeVisible();
  await chosen(phone, PIN);
  await phone.waitForURL(/\/jobs$/);
  await lead.keyboard.press('Escape');
  const row = lead.getByTestId('member').filter({ hasText: name });
  await expect(row).toContainText('signed in on 1 device');

  await row.getByRole('button', { name: 'Role…' }).click();
  await lead.getByRole('dialog').getByLabel('Role').selectOption('inspector');
  await lead.getByRole('dialog').getByLabel('Why').fill('passed the course');
  await lead.getByRole('button', { name: 'Change it; it holds at once' }).click();
  await expect(row).toContainText('inspector');
  await phone.goto('/me');
  await expect(phone.getByRole('heading', { level: 1 })).toContainText('inspector');

  await row.getByRole('button', { name: 'Sign out everywhere' }).click();
  await expect(row).toContainText('not signed in');
  await phone.goto('/jobs');
  await expect(phone).toHaveURL(/sign-in/);

  await row.getByRole('button', { name: 'Leaves…' }).click();
  await lead.getByRole('button', { name: 'Works elsewhere now' }).click();
  await lead
    .getByRole('dialog')
    .getByRole('button', { name: `${name} leaves` })
    .click();
  await expect(row).toContainText('left');
  await phone.goto('/sign-in');
  await expect(phone.getByText(name)).toHaveCount(0);
  await context.close();
  await phoneContext.close();
});

test('a person changes their PIN, sees where they are signed in, ends it, and signs out', async ({
  browser,
}) => {
  const { lead, context } = await leadAt(browser, '/settings/people');
  const name = `Indah ${Date.now()}`;
  const scan = await invitedAs(lead, name);
  const [first, second] = [await telephone(browser), await telephone(browser)];
  const [phone, other] = [await first.newPage(), await second.newPage()];
  await phone.goto(scan);
  await expect(phone.getByText(`Welcome, ${name}`)).toBeVisible();
  await chosen(phone, PIN);
  await phone.waitForURL(/\/jobs$/);
  // On another device somebody tried before.
  await other.goto('/sign-in');
  await atRest(other);
  const typed = async (pin: string): Promise<void> => {
    await other.getByLabel('PIN').fill(pin);
    await other.getByRole('button', { name: 'Sign in' }).click();
  };
  await other.getByRole('button', { name }).click();
  for (const triesLeft of ['4 more', '3 more', '2 more', 'One more', 'Too many']) {
    await typed('482617');
    await expect(other.getByRole('alert')).toContainText(triesLeft);
  }
  // The person's own device is not kept out by that, and says it before the work.
  await phone.goto('/sign-in');
  await atRest(phone);
  await phone.getByRole('button', { name }).click();
  await phone.getByLabel('PIN').fill(PIN);
  await phone.getByRole('button', { name: 'Sign in' }).click();
  await phone.waitForURL(/\/me$/);
  await expect(phone.getByTestId('wrong-since')).toContainText('5 wrong PINs were typed for you');
  // A lead sees from where they came, and lets new devices there in again.
  await lead.reload();
  await lead.getByTestId('tried').getByRole('button', { name: 'Forget them' }).first().click();
  await expect(lead.getByTestId('tried')).toHaveCount(0);
  await typed(PIN);
  await other.waitForURL(/\/jobs$/);

  await phone.reload();
  await atRest(phone);
  await expect(phone.getByTestId('session')).toHaveCount(2);
  await expect(phone.getByTestId('session').filter({ hasText: 'this one' })).toContainText(
    'Chrome on Android',
  );
  await phone.getByLabel('The PIN you have').fill(PIN);
  await phone.getByLabel(/^A new one/).fill('915362');
  await phone.getByLabel('The new one again').fill('915362');
  await phone.getByRole('button', { name: 'Change my PIN' }).click();
  await expect(phone.getByRole('button', { name: /^Changed/ })).toBeVisible();
  await other.goto('/jobs');
  await expect(other).toHaveURL(/sign-in/);

  await phone.getByRole('button', { name: 'Make an address' }).click();
  const calendar = await phone.getByLabel('Address of the calendar').inputValue();
  expect((await phone.request.get(calendar)).status()).toBe(200);
  await phone.getByRole('button', { name: 'Revoke it' }).click();
  await expect(phone.getByRole('button', { name: 'Make an address' })).toBeVisible();
  expect((await phone.request.get(calendar)).status()).toBe(404);

  await phone.getByRole('main').getByRole('button', { name: 'Sign out', exact: true }).click();
  await phone.waitForURL(/sign-in/);
  expect((await phone.request.get('/api/v1/jobs')).status()).toBe(401);
  for (const each of [context, first, second]) await each.close();
});

test('a program’s token is shown once, reads what it is good for, and ends at a touch', async ({
  browser,
}) => {
  const { lead, context } = await leadAt(browser, '/settings/people');
  const name = `Stock ${Date.now()}`;
  await lead.getByLabel('What the program is called, in records too').fill(name);
  await lead.getByRole('button', { name: 'Make a token' }).click();
  const secret = await lead.getByLabel('Secret of the token').inputValue();
  const asked = async (path: string, method = 'GET') =>
    (await fetch(`${address()}${path}`, { method, headers: { authorization: `Bearer ${secret}` } })).status;
  expect(await asked('/api/v1/requirements.csv')).toBe(200);
  expect(await asked('/api/v1/sources', 'POST')).toBe(403);
  await lead.reload();
  await expect(lead.getByTestId('token').filter({ hasText: name })).toContainText('used');
  await expect(lead.getByTestId('secret')).toHaveCount(0);
  await lead.getByTestId('token').filter({ hasText: name }).getByRole('button', { name: 'Revoke' }).click();
  await expect(lead.getByTestId('token').filter({ hasText: name })).toHaveCount(0);
  expect(await asked('/api/v1/requirements.csv')).toBe(401);
  await context.close();
});

test('without a connection nobody is signed out, and the button says so', async ({ page }) => {
  await signedIn(page, 'Bram');
  await page.goto('/me');
  await atRest(page);
  await page.context().setOffline(true);
  const button = page.getByRole('main').getByRole('button', { name: 'Sign out', exact: true });
  await button.click();
  await expect(page.getByText('No connection')).toBeVisible();
  await page.context().setOffline(false);
  expect((await page.request.get('/api/v1/jobs')).status()).toBe(200);
});
