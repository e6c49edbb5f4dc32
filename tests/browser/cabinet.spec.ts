import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { inProject } from '../../scripts/site/paths.ts';
import { atRest, expect, patient, pinOf, signedIn, test } from './site.ts';

const verify = (file: string, ...args: readonly string[]) => {
  const run = spawnSync('npm', ['run', '--silent', 'verify', '--', file, ...args], {
    cwd: inProject(),
    encoding: 'utf8',
  });
  return { status: run.status, said: run.stdout + run.stderr };
};

test('a cabinet from its list to a verified record, by keyboard alone', async ({
  page,
  browser,
}, testInfo) => {
  const press = (...keys: readonly string[]) =>
    keys.reduce((done, key) => done.then(() => page.keyboard.press(key)), Promise.resolve());
  const focused = (name: string | RegExp) => expect(page.locator(':focus')).toHaveAccessibleName(name);
  const tabTo = async (name: string) => {
    for (let count = 0; count < 80; count += 1) {
      const isThere = await page.evaluate((wanted) => {
        const element = document.activeElement as HTMLInputElement | null;
        const label =
          element?.labels?.[0]?.textContent ??
          element?.getAttribute('aria-label') ??
          element?.textContent ??
          '';
        return element !== document.body && new RegExp(wanted).test(label);
      }, name);
      if (isThere) return;
      await press('Tab');
    }
    await focused(new RegExp(name));
  };

  await test.step('sign in by tile and PIN', async () => {
    await page.goto('/');
    await expect(page).toHaveURL(/sign-in/);
    await atRest(page);
    await tabTo('Bram');
    await press('Enter');
    await page.keyboard.type(pinOf('Bram'));
    await press('Enter');
    await expect(page).toHaveURL(/\/jobs$/);
  });

  await test.step('import the list', async () => {
    await atRest(page);
    await tabTo('New job');
    await press('Enter');
    await expect(page).toHaveURL(/jobs\/new/);
    await expect(page.getByLabel('What is it')).toBeEnabled();
    // Asked for well before the key: the browser starts to hand choosers over only some time after it is asked.
    const choosing = page.waitForEvent('filechooser', { timeout: 30_000 });
    await tabTo('What is it');
    await page.keyboard.type('Keyboard cabinet');
    await tabTo('Where the values are printed');
    await page.keyboard.type('Terminal schedule');
    await tabTo('Choose the list');
    await press('Space');
    const chooser = await choosing;
    await chooser.setFiles(inProject('demo', 'lists', 'dome-drive-x3.csv'));
    await expect(page.getByText('All 24 lines are settled.')).toBeVisible();
    await tabTo('Import all 24');
    await press('Enter');
    await expect(page).toHaveURL(/plan$/);
  });

  await test.step('take the tool and make safe', async () => {
    await atRest(page);
    await tabTo('Take TS-07');
    await press('Enter');
    await tabTo('Go to the Bench');
    await press('Enter');
    await expect(page).toHaveURL(/bench$/);
    await expect(page.getByTestId('main-action')).toHaveText(/Make safe first/);
    await expect(page.getByTestId('main-action')).toBeEnabled();
    await press('Space');
    await expect(page.getByRole('dialog').getByRole('checkbox').first()).toBeVisible();
    const boxes = await page.getByRole('dialog').getByRole('checkbox').count();
    for (let count = 0; count < boxes; count += 1) await press('Space', 'Tab');
    await focused(/All done/);
    await press('Enter');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  });

  await test.step('prove it dead', async () => {
    await tabTo('Measured with');
    await page.keyboard.type('VT-02');
    await press('Enter');
    const measure = async (title: string, volts: string): Promise<void> => {
      await expect(page.getByTestId('step')).toContainText(title);
      await page.keyboard.type(volts);
      await press('Enter');
    };
    await measure('Tester proved', '231');
    await measure('Tested dead', '0');
    await measure('Tester proved again', '230');
    await expect(page.getByTestId('step')).toContainText('Stored energy drains');
    await tabTo('Pass over');
    await press('Enter');
    await measure('Stored energy gone', '3');
  });

  await test.step('set and pull every terminal', async () => {
    for (let pulls = 0, guard = 0; pulls < 24 && guard < 80; guard += 1) {
      const action = page.getByTestId('main-action');
      const words = (await action.textContent()) ?? '';
      const position = await page
        .getByTestId('current-position')
        .textContent()
        .catch(() => null);
      if (words.startsWith('It clicked')) {
        // One by a reading, one with a pedal's key, the rest by the space bar.
        if (pulls === 3) {
          await page.keyboard.type('21.5');
          await press('Enter');
        } else await press(pulls === 5 ? 'PageDown' : 'Space');
        await expect(page.getByTestId('verdict')).toContainText(`${position}: in`);
        await press('w');
        pulls += 1;
      } else {
        await press('Space');
        await expect(action).not.toHaveText(words);
      }
    }
    await expect(page.getByText('24 of 24 in')).toBeVisible();
    await expect(page.getByTestId('main-action')).toHaveText(/Wound down: TS-07 to/);
    await press('Space');
    await expect(page.getByTestId('main-action')).toHaveText(/sign/);
    await expect(page.getByText('all sent')).toBeVisible();
  });

  await test.step('sign, and let another person sign', async () => {
    await press('Space');
    await expect(page).toHaveURL(/sign$/);
    await atRest(page);
    await tabTo('PIN');
    await page.keyboard.type(pinOf('Bram'));
    await press('Enter');
    await expect(page.getByText('done · Bram, technician')).toBeVisible();
    await tabTo('Who signs');
    await page.keyboard.type('Citra');
    await tabTo('PIN');
    await page.keyboard.type(pinOf('Citra'));
    await press('Enter');
    await expect(page.getByText('inspected · Citra, inspector')).toBeVisible();
  });

  const file = testInfo.outputPath('record.json');
  await test.step('export and verify', async () => {
    await tabTo('JSON');
    const [download] = await Promise.all([page.waitForEvent('download'), press('Enter')]);
    await download.saveAs(file);
    const key = (await page.getByTestId('fingerprint').textContent()) ?? '';
    const { status, said } = verify(file, '--key', key);
    expect(said).toContain('Signed: done by Bram, inspected by Citra.');
    expect(said).toContain('24 pulls, every verdict worked out again');
    expect(status).toBe(0);
  });

  await test.step('one digit flipped is found, with its event', async () => {
    const text = readFileSync(file, 'utf8');
    const at = text.indexOf('"text": "21.5"', text.indexOf('"events"')) + '"text": "2'.length;
    writeFileSync(file, `${text.slice(0, at)}2${text.slice(at + 1)}`);
    const { status, said } = verify(file);
    expect(status).toBe(1);
    expect(said).toMatch(/does NOT hold: event \d+ \([0-9a-f-]{36}\)/);
  });

  await test.step('the pulls as CSV', async () => {
    const other = patient(await browser.newPage());
    await signedIn(other, 'Bram');
    const csv = await (
      await other.request.get(page.url().replace(/\/jobs\/(.*)\/sign$/, '/api/v1/jobs/$1/pulls.csv'))
    ).text();
    expect(csv.trimEnd().split('\r\n')).toHaveLength(25);
    await other.close();
  });
});
