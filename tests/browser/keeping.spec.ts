import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { expect, signedIn, test } from './site.ts';

test('a lead checks everything and backs it up while the site works; others see what came of it', async ({
  page,
}) => {
  await signedIn(page, 'Ayu');
  await page.goto('/settings/keeping');
  await page.getByRole('button', { name: 'Check everything now' }).click();
  await expect(page.getByTestId('ledger-check')).toContainText('Everything holds.', { timeout: 60_000 });
  await expect(page.getByTestId('ledger-check')).toContainText(/Looked at: \d+ jobs with \d+ events/);
  await page.getByRole('button', { name: 'Back up now' }).click();
  const link = page.getByTestId('backups').getByRole('link').first();
  await expect(link).toBeVisible({ timeout: 60_000 });
  const [download] = await Promise.all([page.waitForEvent('download'), link.click()]);
  const lines = gunzipSync(readFileSync(await download.path()))
    .toString('utf8')
    .trim()
    .split('\n');
  expect(JSON.parse(lines[0] ?? '')).toMatchObject({ archive: 'jentik-backup', version: 1 });
  expect(JSON.parse(lines.at(-1) ?? '')).toMatchObject({ end: true });

  await signedIn(page, 'Dewi');
  await page.goto('/settings/keeping');
  await expect(page.getByText('A lead can check it at any time.')).toBeVisible();
  await expect(page.getByTestId('ledger-check')).toContainText('by Ayu');
  await expect(page.getByTestId('backups')).toHaveCount(0);
  await expect(page.getByTestId('this-device')).toContainText('Everything that happened here is sent.');
});
