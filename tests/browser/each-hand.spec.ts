import type { Locator, Page } from '@playwright/test';
import { inProject } from '../../scripts/site/paths.ts';
import { atRest, demoJob, expect, pinOf, signedIn, test, toolId } from './site.ts';

/** How a person works a screen: by keys alone, or by a finger alone. */
type Hand = {
  readonly press: (control: Locator) => Promise<void>;
  readonly write: (field: Locator, text: string) => Promise<void>;
  readonly file: (field: Locator, path: string) => Promise<void>;
};

const MOST_TABS = 220;

/** Goes on by Tab until the control has the focus. */
const reach = async (page: Page, control: Locator): Promise<void> => {
  await expect(control).toBeVisible();
  for (let count = 0; count < MOST_TABS; count += 1) {
    if (await control.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`${control} is not reached by Tab`);
};

const byKeys = (page: Page): Hand => ({
  press: async (control) => {
    await reach(page, control);
    const isBox = await control.evaluate(
      (element) => element instanceof HTMLInputElement || element.tagName === 'SUMMARY',
    );
    await page.keyboard.press(isBox ? 'Space' : 'Enter');
  },
  write: async (field, text) => {
    await reach(page, field);
    await page.keyboard.press('ControlOrMeta+a');
    await page.keyboard.type(text);
  },
  file: async (field, path) => {
    const choosing = page.waitForEvent('filechooser');
    await reach(page, field);
    await page.keyboard.press('Space');
    await (await choosing).setFiles(path);
  },
});

const byFinger = (page: Page): Hand => ({
  press: (control) => control.tap(),
  write: async (field, text) => {
    await field.tap();
    await page.keyboard.press('ControlOrMeta+a');
    await page.keyboard.insertText(text);
  },
  file: async (field, path) => {
    const choosing = page.waitForEvent('filechooser');
    // The field itself is hidden behind its words, which is what a finger meets.
    await field.locator('xpath=ancestor::label').tap();
    await (await choosing).setFiles(path);
  },
});

type Work = {
  readonly screen: string;
  readonly address: (page: Page) => string | Promise<string>;
  readonly work: (page: Page, hand: Hand, isFinger: boolean) => Promise<void>;
};

const button = (page: Page, name: string | RegExp): Locator => page.getByRole('button', { name }).first();
const link = (page: Page, name: string | RegExp): Locator => page.getByRole('link', { name }).first();

// The work on a job itself (plan, bench, sign) is done from beginning to end by keys in cabinet.spec and by touch in hands.spec.
const WORKS: readonly Work[] = [
  {
    screen: 'jobs',
    address: () => '/jobs',
    work: async (page, hand) => {
      await hand.write(page.getByLabel('Find in jobs'), 'chiller');
      await expect(link(page, 'Azimuth junction box J2')).toHaveCount(0);
      await hand.press(link(page, 'Chiller control box K1'));
      await expect(page).toHaveURL(/sign$/);
    },
  },
  {
    screen: 'a new job',
    address: () => '/jobs/new',
    work: async (page, hand) => {
      await hand.write(page.getByLabel('What is it'), 'By one hand');
      await hand.file(page.locator('input[type=file]'), inProject('demo', 'lists', 'dome-drive-x3.csv'));
      await expect(page.getByText('All 24 lines are settled.')).toBeVisible();
    },
  },
  {
    screen: 'what is laid out',
    address: () => '/jobs/new/layout',
    work: async (page, hand, isFinger) => {
      const heads = page.locator('[data-id]');
      await hand.write(page.getByLabel('How many', { exact: true }), '6');
      await hand.press(button(page, /^Lay out \d/));
      await expect(heads).toHaveCount(6);
      if (isFinger) await heads.first().tap();
      else {
        await reach(page, page.getByRole('application', { name: 'Drawing of what is laid out' }));
        await page.keyboard.press('n');
      }
      await expect(page.getByTestId('chosen')).toContainText('1');
      await hand.press(button(page, /^Take away/));
      await expect(heads).toHaveCount(5);
      await hand.press(button(page, 'Undo'));
      await expect(heads).toHaveCount(6);
    },
  },
  {
    screen: 'templates',
    address: () => '/jobs/new/templates',
    work: async (page, hand) => {
      await hand.press(link(page, /Secondary mirror cell/));
      await atRest(page);
      await hand.write(page.getByLabel('What is it this time'), ' ');
      await hand.press(button(page, /^Open the job/));
      await expect(page.getByRole('alert').first()).toContainText('What is it this time');
    },
  },
  {
    screen: 'a machine',
    address: () => '/parts/CHL-1',
    work: async (page, hand) => {
      await hand.write(page.getByLabel('Every so many days'), '0');
      await hand.press(button(page, 'Change it'));
      await expect(page.getByRole('alert').first()).toContainText('Every so many days');
    },
  },
  {
    screen: 'one value',
    address: () => '/jobs/new/one',
    work: async (page, hand) => {
      await hand.write(page.getByLabel('Torque, as it is printed'), '36 in-lb');
      await expect(page.getByText('36 lbf·in')).toBeVisible();
      await hand.press(button(page, 'Choose the tool'));
      await expect(page.getByRole('alert')).toContainText('What is it');
    },
  },
  {
    screen: 'plan',
    address: async (page) => `/jobs/${await demoJob(page, 'Azimuth')}/plan`,
    work: async (page, hand) => {
      await hand.write(page.getByLabel('Find in Fasteners'), 'motor');
      await hand.press(
        page
          .locator('summary')
          .filter({ hasText: /^why \d+ other/ })
          .first(),
      );
      await expect(page.getByText(/in quarantine/).first()).toBeVisible();
    },
  },
  {
    screen: 'a part',
    address: () => '/parts/KC16-04',
    work: async (page, hand) => {
      await hand.press(link(page, /Mill holder 3/));
      await expect(page).toHaveURL(/jobs\//);
    },
  },
  {
    screen: 'tools',
    address: () => '/tools',
    work: async (page, hand) => {
      await hand.write(page.getByLabel('Find in Tools'), 'TS-09');
      await hand.press(link(page, 'TS-09'));
      await expect(page).toHaveURL(/tools\/.{36}$/);
    },
  },
  {
    screen: 'a tool',
    address: async (page) => `/tools/${await toolId(page, 'TS-07')}`,
    work: async (page, hand) => {
      await hand.write(page.getByLabel(/^Set to/), '22');
      await expect(page.getByText(/on the shaft/)).toContainText('20.0 on the shaft, 2.0 on the barrel');
      await hand.press(button(page, 'Dropped'));
      await hand.press(page.getByRole('dialog').getByRole('button', { name: 'Close' }));
      await expect(page.getByRole('dialog')).toHaveCount(0);
    },
  },
  {
    screen: 'calibration',
    address: async (page) => `/tools/${await toolId(page, 'TW-20')}/calibrate`,
    work: async (page, hand, isFinger) => {
      if (isFinger) {
        const pad = page.getByTestId('number-pad');
        for (const key of ['2', '4', 'decimal point', '1'])
          await hand.press(pad.getByRole('button', { name: key, exact: true }));
        await hand.press(pad.getByRole('button', { name: 'Next reading' }));
        await hand.press(pad.getByRole('button', { name: '2', exact: true }));
        await expect(page.getByLabel('Reading 2 at 24 N·m')).toHaveValue('2');
        await hand.press(pad.getByRole('button', { name: 'Take back the last digit' }));
      } else await hand.write(page.getByLabel('Reading 1 at 24 N·m'), '24.1');
      await expect(page.getByLabel('Reading 1 at 24 N·m')).toHaveValue('24.1');
      await expect(page.getByLabel('Reading 2 at 24 N·m')).toHaveValue('');
    },
  },
  {
    screen: 'recall by tool',
    address: async (page) => `/tools/${await toolId(page, 'TS-02')}/recall`,
    work: async (page, hand) => {
      await hand.press(button(page, 'Work list'));
      await expect(page.getByTestId('work-list').getByRole('listitem').first()).toBeVisible();
    },
  },
  {
    screen: 'scan',
    address: () => '/tools/scan',
    work: async (page, hand) => {
      await hand.file(page.locator('input[type=file]'), inProject('docs', 'screenshots', 'sums.png'));
      await expect(page.getByText(/no label|can’t be read|no code/i).first()).toBeVisible();
    },
  },
  {
    screen: 'sums',
    address: () => '/sums',
    work: async (page, hand) => {
      await hand.write(page.getByLabel('As it is written'), '20 to 24 in-lb');
      await hand.press(button(page, 'Which tool?'));
      await expect(page.getByTestId('which-tool')).toContainText('TS-07');
      await hand.write(page.getByLabel('Load current, A'), '12');
      await hand.write(page.getByLabel('Continuous rating, A'), '10');
      await expect(page.getByText(/120 %/)).toBeVisible();
    },
  },
  {
    screen: 'specs',
    address: () => '/specs',
    work: async (page, hand) => {
      await hand.press(button(page, /coolant pump flange bolt/));
      await expect(page.getByTestId('printed')).toBeInViewport();
    },
  },
  {
    screen: 'tables',
    address: () => '/specs/tables',
    work: async (page, hand) => {
      await hand.press(link(page, /Collet nut/));
      await atRest(page);
      await hand.press(button(page, '1-3'));
      await hand.press(button(page, 'counterbored'));
      await expect(page.getByTestId('found')).toContainText('9 N·m');
    },
  },
  {
    screen: 'sources',
    address: () => '/specs/sources',
    work: async (page, hand) => {
      await hand.write(page.getByLabel('Find in Sources'), 'BL-114');
      await hand.press(link(page, /BL-114, rev. C/));
      await atRest(page);
      await hand.press(button(page, 'Withdrawn'));
      await hand.press(page.getByRole('dialog').getByRole('button', { name: 'Close' }));
      await expect(page.getByRole('dialog')).toHaveCount(0);
    },
  },
  {
    screen: 'disagreements',
    address: () => '/specs/conflicts',
    work: async (page, hand) => {
      await hand.press(button(page, /governs:/));
      await hand.write(page.getByRole('dialog').getByLabel('Why'), 'only looked at');
      await hand.press(page.getByRole('dialog').getByRole('button', { name: 'Close' }));
      await expect(page.getByRole('dialog')).toHaveCount(0);
    },
  },
  {
    screen: 'changed values',
    address: () => '/specs/recalls',
    work: async (page, hand) => {
      await hand.press(link(page, /R-23/));
      await expect(page.getByTestId('recall-summary')).toBeVisible();
      await hand.press(button(page, 'Accept as it is'));
      await hand.press(page.getByRole('dialog').getByRole('button', { name: 'Close' }));
      await expect(page.getByRole('dialog')).toHaveCount(0);
    },
  },
  {
    screen: 'label',
    address: () => '/specs/label',
    work: async (page, hand) => {
      await hand.write(page.locator('textarea[name=label]'), '#8 19 in-lb');
      await expect(page.getByTestId('doubts')).toBeVisible();
    },
  },
  {
    screen: 'import of the book',
    address: () => '/specs/import',
    work: async (page, hand) => {
      await hand.file(page.locator('input[type=file]'), inProject('demo', 'lists', 'dome-drive-x3.csv'));
      await expect(page.getByRole('alert').first()).toBeVisible();
    },
  },
  {
    screen: 'settings',
    address: () => '/settings',
    work: async (page, hand) => {
      await hand.write(page.getByLabel(/^Name of the site/), 'Written by one hand');
      await expect(page.getByLabel(/^Name of the site/)).toHaveValue('Written by one hand');
      await hand.write(page.getByLabel(/^Name of the site/), 'Observatory workshop');
    },
  },
  {
    screen: 'kinds of joint',
    address: () => '/settings/joints',
    work: async (page, hand) => {
      await hand.press(button(page, 'Write one like it'));
      await hand.write(page.getByLabel('Passes, in percent'), '50, 30');
      await hand.write(page.getByLabel('Name', { exact: true }), 'By one hand');
      await hand.press(button(page, 'Keep it'));
      await expect(page.getByRole('alert')).toContainText('Its passes go back');
    },
  },
  {
    screen: 'what is kept',
    address: () => '/settings/keeping',
    work: async (page, hand) => {
      await hand.press(button(page, 'Check everything now'));
      await expect(page.getByTestId('ledger-check')).toContainText('Everything holds.', { timeout: 90_000 });
    },
  },
  {
    screen: 'search',
    address: () => '/jobs',
    work: async (page, hand) => {
      await hand.press(button(page, /^Search/));
      const dialog = page.getByRole('dialog');
      await hand.write(dialog.getByRole('combobox'), 'TS-07');
      await expect(dialog.getByRole('option').first()).toContainText('TS-07');
      await expect(dialog.getByRole('option').first()).toHaveAttribute('aria-selected', 'true');
      // One row is marked from the start: Enter opens it, and so does a tap.
      if (await page.evaluate(() => navigator.maxTouchPoints > 0))
        await dialog.getByRole('option').first().tap();
      else await page.keyboard.press('Enter');
      await expect(page).toHaveURL(/tools\//);
    },
  },
  {
    screen: 'sign in',
    address: async (page) => {
      await page.context().clearCookies();
      return '/sign-in';
    },
    work: async (page, hand) => {
      await hand.press(button(page, /Bram/));
      await hand.write(page.getByLabel(/^PIN/), pinOf('Bram'));
      await hand.press(button(page, 'Sign in'));
      await expect(page).toHaveURL(/jobs$/);
    },
  },
];

const workedBy = (name: string, handOf: (page: Page) => Hand, isFinger: boolean): void => {
  for (const { screen, address, work } of WORKS)
    test(`${screen}, by ${name} alone`, async ({ page }) => {
      await signedIn(page, 'Ayu');
      await page.goto(await address(page));
      await atRest(page);
      await work(page, handOf(page), isFinger);
    });
};

test.describe('keys', () => workedBy('keys', byKeys, false));

test.describe('a finger on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  workedBy('touch', byFinger, true);
});
