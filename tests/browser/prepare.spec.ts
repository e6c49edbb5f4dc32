import { createHash } from 'node:crypto';
import type { Page } from '@playwright/test';
import { inspected, waited } from '#core/joint/written-step.ts';
import { SAMPLE_CABINET } from '../core/job/sample-job.ts';
import {
  address,
  cautionsAsked,
  cautionsDone,
  expect,
  PICTURE,
  pinOf,
  plannedJob,
  signedIn,
  takeTool,
  test,
} from './site.ts';

/** A kind of joint with a step of every act, whose wait is over soon. */
const TRIAL = {
  ...SAMPLE_CABINET,
  code: 'own-every-act',
  revision: 1,
  name: 'Every act',
  words: { ...SAMPLE_CABINET.words, part: 'clamp' },
  steps: [
    ...SAMPLE_CABINET.steps.slice(0, 1),
    waited(0.08, {
      id: 'cured',
      stage: 'prepare',
      scope: 'group',
      title: 'Cured',
      detail: 'As the tube says.',
    }),
    {
      ...inspected({
        id: 'pictured',
        stage: 'prepare',
        scope: 'group',
        title: 'As found',
        detail: 'The whole strip in one picture.',
      }),
      act: { kind: 'photograph' },
    },
    inspected({
      id: 'looked',
      stage: 'prepare',
      scope: 'part',
      title: 'Clamp looked at',
      detail: 'No crack.',
    }),
  ],
} as const;

const withTrialKind = async (page: Page): Promise<void> => {
  const answer = await page.request.post(`${address()}/api/v1/joint-kinds`, {
    data: { kind: TRIAL, basedOn: 0 },
  });
  expect([200, 409]).toContain(answer.status());
};

const main = (page: Page) => page.getByTestId('main-action');
const step = (page: Page) => page.getByTestId('step');
const pictured = (page: Page) =>
  page
    .locator('input[type=file]')
    .last()
    .setInputFiles({ name: 'strip.png', mimeType: 'image/png', buffer: PICTURE });

test('a step of every act, what goes wrong led through, a part scrapped, a note with its photograph, and handed over', async ({
  page,
}) => {
  await signedIn(page, 'Ayu');
  await withTrialKind(page);
  const list =
    'position,label,x_mm,y_mm,conductor,requirement,part\nP1,one,0,0,14 AWG,13 to 17 in-lb,CL-1\nP2,two,8,0,14 AWG,13 to 17 in-lb,CL-1\n';
  const job = await plannedJob(page, 'Every act', list, TRIAL.code);
  await page.goto(`/jobs/${job}/plan`);
  await takeTool(page, 'TS-07');
  await cautionsDone(page, job);

  await test.step('a wait counts by the record: a page that is opened again goes on counting', async () => {
    await expect(step(page)).toContainText('Cured');
    await expect(main(page)).toContainText('Begin to wait');
    await page.keyboard.press('Space');
    await expect(page.getByTestId('wait-left')).toContainText('left');
    await page.keyboard.press('Space');
    await expect(page.getByRole('alert')).toContainText('Not yet');
    await page.reload();
    await expect(page.getByTestId('wait-left')).toContainText('The time is up');
    // Who looks elsewhere finds it in the list of jobs.
    const jobs = await (await page.request.get(`${address()}/jobs`)).text();
    expect(jobs).toContain('Waiting to go on');
    await expect(main(page)).toContainText('Go on, once the time is up');
    await page.keyboard.press('Space');
  });

  await test.step('a photograph is kept here, hashed, and sent', async () => {
    await expect(step(page)).toContainText('As found');
    await pictured(page);
    await expect(step(page)).toContainText('Clamp looked at');
  });

  await test.step('a part that is not good is scrapped, and its replacement is begun with', async () => {
    await page.getByRole('button', { name: 'Not good' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'crack' }).click();
    await page.getByRole('button', { name: 'Record it as not good' }).click();
    await expect(step(page)).toContainText('Last time: not good: crack');
    await page.keyboard.press('e');
    await page.getByRole('button', { name: 'Scrap clamp CL-1' }).click();
    await page.getByLabel('What is wrong with it').fill('crack');
    await page.getByLabel('Code of the one that takes its place').fill('CL-2');
    await page.getByRole('button', { name: 'Scrap it' }).click();
    await expect(step(page)).toContainText('clamp CL-2');
    await expect(step(page)).not.toContainText('Last time');
    await page.keyboard.press('Space');
    await expect(page.getByText('all sent')).toBeVisible();
    const history = await page.request.get(`${address()}/api/v1/parts/CL-1`);
    expect(await history.text()).toContain('"kind":"scrapped","why":"crack","replacement":"CL-2"');
  });

  await test.step('cross-threaded: loosened, looked at, not good, replaced, pulled again from snug', async () => {
    await expect(main(page)).toContainText('is set to');
    await page.keyboard.press('Space');
    await page.keyboard.press('e');
    await page.getByRole('button', { name: /^Cross-threaded/ }).click();
    await expect(page.getByTestId('remedy')).toContainText('P1: cross-threaded');
    await page.keyboard.press('Space');
    await expect(main(page)).toContainText('Good: thread, head and seat of P1');
    await page.getByRole('button', { name: 'Not good' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'thread damaged' }).click();
    await page.getByRole('button', { name: 'Record it as not good' }).click();
    await expect(main(page)).toContainText('P1 is replaced by a new one');
    await page.keyboard.press('Space');
    await page.getByRole('dialog').getByRole('button', { name: 'thread gone' }).click();
    await page.getByRole('button', { name: 'It is replaced' }).click();
    await expect(page.getByTestId('remedy')).toHaveCount(0);
    await page.keyboard.press('Space');
    await expect(page.getByTestId('verdict')).toContainText('P1: in');
  });

  await test.step('a second click is a check, and is not asked by a pulse that came by itself', async () => {
    await page.keyboard.press('r');
    await page.keyboard.press('Space');
    const dialog = page.getByRole('dialog', { name: 'P1 is in already' });
    await expect(dialog).toContainText('It says nothing about over');
    await page.keyboard.press('Space');
    await expect(dialog).toBeVisible();
    await dialog.getByRole('button', { name: /It was a second click/ }).click();
    // Neither does a pulse choose what went wrong.
    await page.keyboard.press('e');
    await page.keyboard.press('Space');
    await expect(page.getByRole('dialog', { name: /^What else/ })).toBeVisible();
    await expect(page.getByTestId('remedy')).toHaveCount(0);
    await page.keyboard.press('Escape');
    await expect(page.getByTestId('current-position')).toHaveText('P2');
  });

  await test.step('a note with its photograph, and the job handed over', async () => {
    await page.keyboard.press('e');
    await page.getByRole('button', { name: 'Note or photograph' }).click();
    await page.getByLabel('Note', { exact: true }).fill('strip is bent');
    await pictured(page);
    await expect(page.getByText('Photograph kept; take another')).toBeVisible();
    await page.getByRole('button', { name: 'Put it into the record' }).click();
    await page.keyboard.press('e');
    await page.getByRole('button', { name: 'Hand the job over' }).click();
    await page.getByLabel('What they must know').fill('P2 waits for a ferrule');
    await page.getByRole('button', { name: 'Hand over, and let them sign in' }).click();
    await page.waitForURL(/sign-in/);
    await page.getByRole('button', { name: /Eko/ }).click();
    await page.keyboard.type(pinOf('Eko'));
    await page.keyboard.press('Enter');
    await page.waitForURL(/bench$/);
    await expect(page.getByTestId('handed-over')).toContainText('Ayu handed over');
    await expect(page.getByTestId('handed-over')).toContainText('P2 waits for a ferrule');
    await page.getByRole('button', { name: 'Seen' }).click();
    await page.reload();
    await expect(main(page)).toBeEnabled();
    await expect(page.getByTestId('handed-over')).toHaveCount(0);
  });

  await test.step('all of it stands on Sign, and the photographs are the ones that the record names', async () => {
    await page.goto(`/jobs/${job}/sign`);
    await expect(page.getByTestId('notes-made')).toContainText('strip is bent');
    const link = page.getByTestId('notes-made').getByRole('link', { name: 'as it was sent' });
    const kept = await page.request.get(`${address()}${await link.getAttribute('href')}`);
    expect(kept.status()).toBe(200);
    const events = (await (await page.request.get(`${address()}/api/v1/jobs/${job}/events`)).json()) as {
      readonly kind: string;
      readonly body: { readonly picture?: { readonly sha256: string } | null };
    }[];
    const named = events.find(({ kind, body }) => kind === 'note-made' && body.picture)?.body.picture?.sha256;
    expect(
      createHash('sha256')
        .update(await kept.body())
        .digest('hex'),
    ).toBe(named);
  });
});

test('a tester that shows another voltage the second time has proved nothing: the row begins again', async ({
  page,
}) => {
  await signedIn(page, 'Eko');
  const job = await plannedJob(
    page,
    'Tester dies',
    'position,label,conductor,requirement\nP1,one,14 AWG,15 in-lb',
  );
  await page.goto(`/jobs/${job}/plan`);
  await takeTool(page, 'TS-07');
  const dialog = await cautionsAsked(page, job);
  for (const box of await dialog.getByRole('checkbox').all()) await box.check();
  await dialog.getByRole('button', { name: 'All done' }).click();
  await page.getByTestId('instrument').fill('VT-02');
  await page.getByTestId('instrument').press('Enter');
  const measure = async (title: string, volts: string): Promise<void> => {
    await expect(step(page)).toContainText(title);
    await page.keyboard.type(volts);
    await page.keyboard.press('Enter');
  };
  await measure('Tester proved', '231');
  await measure('Tested dead', '0');
  await measure('Tester proved again', '12');
  await expect(step(page).getByRole('heading')).toHaveText('Tester proved');
  await expect(page.getByTestId('row-broken')).toContainText(
    'From the first again: tester proved again came to 12 V, with VT-02',
  );
  await expect(page.getByRole('button', { name: 'Leave it' })).toBeDisabled();
});
