import type { Page } from '@playwright/test';
import {
  atRest,
  betweenPulses,
  cautionsAsked,
  cautionsDone,
  chooseFile,
  eventsOf,
  expect,
  HEADER,
  pinOf,
  plainList,
  plannedJob,
  provedDead,
  readyBench,
  setBench,
  signedIn,
  takeTool,
  test,
} from './site.ts';

test.beforeEach(async ({ page }) => {
  await signedIn(page, 'Eko');
});

const pulls = async (page: Page, job: string): Promise<number> => {
  await expect(page.getByText('all sent')).toBeVisible();
  return (await eventsOf(page, job)).filter(({ kind }) => kind === 'pull-made').length;
};

/** Two pulses so close that no person makes them. */
const bounce = (page: Page): Promise<void> =>
  page.evaluate(() => {
    // Both of one moment, however slow the page is.
    const moment = { value: performance.now() };
    for (const _ of [1, 2])
      window.dispatchEvent(
        Object.defineProperty(new KeyboardEvent('keydown', { key: ' ' }), 'timeStamp', moment),
      );
  });

test('Space does what the control that has the focus says', async ({ page }) => {
  const job = await setBench(page, 'Focus');
  await page.getByRole('button', { name: /^Over-shot/ }).focus();
  await page.keyboard.press('Space');
  await expect(page.locator('[data-position=P1]')).toHaveAttribute('data-status', 'high');
  expect(await pulls(page, job)).toBe(1);
});

test('a tap leaves no focus behind: the next pulse of a pedal is the bench’s', async ({ page }) => {
  await setBench(page, 'Pedal');
  await page.getByRole('button', { name: /^Else/ }).click();
  await page.getByRole('button', { name: 'No torque tool: by feel' }).click();
  await expect(page.getByTestId('current-position')).toHaveText('P2');
  await page.keyboard.press('Space');
  await expect(page.locator('[data-position=P2]')).toHaveAttribute('data-status', 'in');
  // Also after a fastener was chosen along the foot of the drawing.
  await page.getByRole('button', { name: /terminal 4/ }).click();
  await expect(page.getByTestId('current-position')).toHaveText('P4');
  await page.keyboard.press('Space');
  await expect(page.locator('[data-position=P4]')).toHaveAttribute('data-status', 'in');
});

test('a second pulse within 400 ms is the first one bouncing', async ({ page }) => {
  const job = await setBench(page, 'Bounce');
  await betweenPulses(page);
  await bounce(page);
  await expect(page.getByTestId('current-position')).toHaveText('P2');
  await page.waitForTimeout(500);
  expect(await pulls(page, job)).toBe(1);
});

test('a likely mix-up can’t be walked past: nothing else goes on until it is answered', async ({ page }) => {
  const job = await setBench(page, 'Asked');
  await page.keyboard.type('180');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('Is that the right unit?');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('o');
  await page.keyboard.press('Space');
  await page.locator('[data-position=P3]').click();
  await expect(page.getByTestId('current-position')).toHaveText('P1');
  await expect(page.getByRole('alert')).toContainText('Is that the right unit?');
  expect(await pulls(page, job)).toBe(0);
});

test('an offset adapter asks at which angle it stands before any tool is taken', async ({ page }) => {
  const job = await plannedJob(page, 'Angle', plainList(1, '9.5 to 10.5 Nm'));
  await page.goto(`/jobs/${job}/plan`);
  await atRest(page);
  await page.locator('select[name=adapter]').selectOption({ label: 'OH-17, open offset head, 28 mm off' });
  await expect(page.getByRole('group', { name: /At which angle to the tool/ })).toBeVisible();
  for (const take of await page.getByRole('button', { name: /^Take / }).all())
    await expect(take).toBeDisabled();
  await page.getByRole('button', { name: '90°', exact: true }).click();
  const take = page.getByRole('button', { name: /^Take / }).first();
  await expect(take).toBeEnabled();
  await take.click();
  await expect(page.getByText('all sent')).toBeVisible();
  await cautionsDone(page, job);
  // The adapter and its angle stand beside the setting.
  await expect(page.getByTestId('adapter')).toContainText('at 90°, by eye');
});

test('what was assumed is asked before the first pull and said on Plan, Bench, Sign and in the record', async ({
  page,
}) => {
  const job = await plannedJob(page, 'Assumed', `${HEADER}\nA1,feed,0,0,14 AWG,max 32 in-lb`);
  await page.goto(`/jobs/${job}/plan`);
  await expect(page.getByTestId('assumed')).toContainText('Drive assumed: slot');
  await expect(page.getByTestId('assumed')).toContainText('Limits assumed');
  await takeTool(page, 'TS-07');
  const dialog = await cautionsAsked(page, job);
  await expect(dialog.getByRole('checkbox', { name: /Drive assumed/ })).toBeVisible();
  const boxes = await dialog.getByRole('checkbox').all();
  for (const box of boxes.slice(0, -1)) await box.check();
  await expect(dialog.getByRole('button', { name: '1 still to tick' })).toBeDisabled();
  await boxes.at(-1)?.check();
  await dialog.getByRole('button', { name: 'All done' }).click();
  await page.goto(`/jobs/${job}/sign`);
  await expect(page.getByTestId('sign-summary')).toContainText('Limits assumed');
  await expect(page.getByText(/Confirmed by Eko/)).toContainText(
    'that a drive is assumed, that limits are assumed',
  );
  await page.goto(`/jobs/${job}/bench`);
  await expect(page.getByTestId('main-action')).toBeEnabled();
  await provedDead(page);
  await expect(page.getByText('drive assumed:')).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByTestId('main-action')).toContainText('It clicked');
  await page.keyboard.press('Space');
  await expect(page.getByText('all sent')).toBeVisible();
  const csv = await (await page.request.get(`/api/v1/jobs/${job}/pulls.csv`)).text();
  expect(csv).toContain('drive acceptance');
});

/** Plans a self-locking nut whose run-on torque is to be measured; answers the job. */
const runOnJob = async (page: Page): Promise<string> => {
  await page.goto('/jobs/new');
  await page.getByLabel('What is it').fill('Run-on');
  await page.getByLabel('Where the values are printed').fill('Spec book');
  await chooseFile(page, {
    name: 'list.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`${HEADER}\nN1,panel nut,0,0,14 AWG,R-14\n`),
  });
  await expect(page.locator('[data-line="2"]')).toContainText('R-14, Survey glider maintenance notes');
  await page.getByRole('button', { name: /^Import/ }).click();
  await expect(page).toHaveURL(/plan$/);
  return /jobs\/([^/]+)/.exec(page.url())?.[1] ?? '';
};

test('run-on torque is asked for with a tool that shows it, within its scale and its limit, added, and measured again', async ({
  page,
}) => {
  const job = await runOnJob(page);
  await takeTool(page, 'TD-01');
  await cautionsDone(page, job);
  // AC 43.13-1B, Table 7-2 (from memory): a used self-locking nut of 10-32 still needs 2 lbf·in; the scale of TD-01 begins at 0.5 N·m.
  await expect(page.getByTestId('run-on-limit')).toBeVisible();
  await page.keyboard.type('0.3');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/TD-01 .*0\.5/).first()).toBeVisible();
  await page.keyboard.press('Escape');
  for (const typed of ['0.8', '1']) {
    await page.keyboard.type(typed);
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('run-on')).toContainText(`Run-on torque ${typed} N·m, added.`);
    if (typed === '0.8') await page.getByRole('button', { name: 'Measure it again' }).click();
  }
  // 26 to 34 lbf·in are 2.94 to 3.84 N·m, and 1 N·m of run-on more.
  await expect(page.getByTestId('current-fastener').locator('..')).toContainText('34.9 to 42.9');
});

test('run-on torque waits for a tool that shows it, and counts what the adapter adds', async ({ page }) => {
  const job = await runOnJob(page);
  await takeTool(page, 'TS-07');
  await cautionsDone(page, job);
  await expect(page.getByText('a tool that clicks shows nothing then')).toBeVisible();
  await page.goto(`/jobs/${job}/plan`);
  await atRest(page);
  await page.getByRole('button', { name: 'Take one beside it' }).click();
  await page.locator('select[name=adapter]').selectOption({ label: 'OH-17, open offset head, 28 mm off' });
  await page.getByRole('button', { name: '45°', exact: true }).click();
  await page.getByRole('button', { name: 'It is 45°: correct the setting' }).click();
  await takeTool(page, 'TE-01');
  await page.goto(`/jobs/${job}/bench`);
  await expect(page.getByTestId('main-action')).toBeEnabled();
  await page.keyboard.type('2');
  await page.keyboard.press('Enter');
  // (230 + 28·cos 45°)/230 = 1.0861 (FAA AC 43.13-1B, fig. 7-2): 2 N·m on the tool are 2.17 at the nut.
  await expect(page.getByTestId('run-on')).toContainText('Run-on torque 2.17');
});

test('which way it tightens stands beside the target, in words and as an arrow', async ({ page }) => {
  const list =
    'position,label,x_mm,y_mm,conductor,requirement,direction\nL1,pedal,0,0,14 AWG,13 to 17 in-lb,left\nL2,pedal,9,0,14 AWG,13 to 17 in-lb,right';
  const job = await plannedJob(page, 'Direction', list);
  await readyBench(page, job);
  await expect(page.getByTestId('direction')).toHaveText('left-hand thread: tighten anticlockwise');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByTestId('direction')).toHaveText('tighten clockwise');
});

test('the large action keeps its place as the work goes on: after a good pull, a low one, an over-shot one', async ({
  page,
}) => {
  await setBench(page, 'Still');
  const place = async () => (await page.getByTestId('main-action').boundingBox())?.y;
  const before = await place();
  await page.keyboard.press('Space');
  await expect(page.getByTestId('current-position')).toHaveText('P2');
  expect(await place()).toBe(before);
  await page.keyboard.type('12.5');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('verdict')).toContainText('Next: pull it again');
  expect(await place()).toBe(before);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('o');
  await expect(page.getByTestId('remedy')).toContainText('Loosen it and look');
  expect(await place()).toBe(before);
});

test('that a pull waits to be sent is said with the pull, and never “all sent” before it is', async ({
  page,
}) => {
  await setBench(page, 'Said with it');
  await betweenPulses(page);
  const said = await page.evaluate(
    () =>
      new Promise<string | null | undefined>((resolve) => {
        const byId = (id: string) => document.querySelector(`[data-testid=${id}]`)?.textContent;
        new MutationObserver((_, observer) => {
          if (byId('current-position') !== 'P2') return;
          observer.disconnect();
          resolve(byId('waiting'));
        }).observe(document.body, { subtree: true, childList: true, characterData: true });
        window.dispatchEvent(new KeyboardEvent('keydown', { key: ' ' }));
      }),
  );
  expect(said).toBe('1 being kept');
});

test('nothing on the drawing moves while pulls follow each other; where the work rests, the ring does', async ({
  page,
}) => {
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await setBench(page, 'Ring');
  /** How old what moves is, in milliseconds: a clock of the page's own, so that a slow machine changes nothing. */
  const moving = (): Promise<readonly number[]> =>
    page.evaluate(() =>
      document
        .getAnimations()
        .filter((each) => typeof each.effect?.getComputedTiming().progress === 'number')
        .map(({ currentTime }) => Number(currentTime)),
    );
  for (const position of ['P2', 'P3']) {
    await page.keyboard.press('Space');
    await expect(page.locator(`[data-position=${position}] .ring-next`)).toBeVisible();
    expect((await moving()).filter((age) => age < 2_000)).toEqual([]);
  }
  await expect.poll(async () => (await moving()).length).toBe(1);
});

test('at 200 % and on a phone the fastener, its target and the action are in view together', async ({
  page,
}) => {
  await setBench(page, 'In view', plainList(24));
  for (const size of [
    { width: 640, height: 400 },
    { width: 390, height: 844 },
  ]) {
    await page.setViewportSize(size);
    // Whole, but for the air above and below its letters.
    for (const part of [
      page.getByTestId('current-position'),
      page.getByText('15', { exact: true }).first(),
      page.getByTestId('main-action'),
    ])
      await expect(part).toBeInViewport({ ratio: 0.8 });
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(wide).toBeLessThanOrEqual(size.width);
  }
});

for (const count of [24, 48, 400])
  test(`a drawing of ${count}: whole rows, heads that can be told apart, the next one in view`, async ({
    page,
  }) => {
    const lines = Array.from(
      { length: count },
      (_, index) =>
        `XT0${1 + Math.floor((index * 2) / count)}-${String(1 + (index % (count / 2))).padStart(3, '0')},t,${(index % 20) * 8},${Math.floor(index / 20) * 26},14 AWG,13 to 17 in-lb`,
    );
    await setBench(page, `Drawing ${count}`, [HEADER, ...lines].join('\n'));
    const frame = await page.getByRole('img', { name: 'Drawing of the fasteners' }).boundingBox();
    const cells = page.locator('g[data-position]');
    for (const box of await cells.evaluateAll((heads) =>
      heads.map((head) => head.getBoundingClientRect().toJSON()),
    )) {
      expect(box.top).toBeGreaterThanOrEqual((frame?.y ?? 0) - 1);
      expect(box.bottom).toBeLessThanOrEqual((frame?.y ?? 0) + (frame?.height ?? 0) + 1);
      expect(box.width).toBeGreaterThan(30);
    }
    await expect(page.locator('[data-position=XT01-001]')).toBeVisible();
    // What is drawn, and not the title of the head, which always says all of it.
    await expect(page.locator('[data-position=XT01-001] text')).toHaveText(['XT01', '001']);
  });

test('what the stripes mean is at hand, by key and by button', async ({ page }) => {
  await setBench(page, 'Legend');
  await page.keyboard.press('l');
  await expect(page.getByRole('dialog', { name: 'Stripes and marks' })).toContainText(
    'left open with a reason',
  );
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^stripes/ }).click();
  await expect(page.getByRole('dialog', { name: 'Stripes and marks' })).toBeVisible();
});

test('fewest settings: what the tool is set to goes on first where the joint allows it', async ({ page }) => {
  const prints = ['13 to 17 in-lb', '20 to 24 in-lb', '13 to 17 in-lb', '20 to 24 in-lb'];
  const list = [
    HEADER,
    ...prints.map((print, index) => `F${index + 1},t,${index * 9},0,14 AWG,${print}`),
  ].join('\n');
  const job = await plannedJob(page, 'Fewest', list);
  await page.goto(`/jobs/${job}/plan`);
  await page.getByRole('button', { name: 'Take TS-07' }).click();
  await expect(page.getByTestId('route')).toContainText('Route: 2 settings');
  await expect(page.getByTestId('route')).toContainText('Fewer is not possible');
  await page.getByRole('checkbox', { name: /same setting first: 2 settings instead of 4/ }).check();
  await cautionsDone(page, job);
  await page.keyboard.press('Space');
  await expect(page.getByTestId('main-action')).toContainText('It clicked');
  await page.keyboard.press('Space');
  await expect(page.getByTestId('current-position')).toHaveText('F3');
});

test('many open items are left open at once with one reason; who signs and as what is asked plainly', async ({
  page,
}) => {
  const job = await setBench(page, 'Many open');
  await page.keyboard.press('Space');
  await expect(page.getByText('all sent')).toBeVisible();
  await page.goto(`/jobs/${job}/sign`);
  await page.getByRole('button', { name: /Leave all 3 open/ }).click();
  await page.getByRole('button', { name: 'no access today' }).click();
  await page.getByRole('button', { name: 'Leave all 3 open', exact: true }).click();
  await expect(page.getByText('Left open: no access today')).toHaveCount(3);
  const summary = page.getByTestId('sign-summary');
  await expect(summary).toContainText('1 in, 3 open, of 4');
  await expect(summary).toContainText('TS-07');
  await expect(page.getByTestId('statement')).toHaveText(
    '“I, Eko, technician, did this work as the record states it.”',
  );
  await page.getByLabel('PIN of Eko').fill(pinOf('Eko'));
  await page.getByRole('button', { name: 'Sign as done' }).click();
  // Whoever inspects is another person: nobody is chosen for them.
  await expect(page.getByRole('heading', { name: 'Sign for the inspection' })).toBeVisible();
  await expect(page.getByLabel('Who signs')).toHaveValue('');
  await page.getByRole('button', { name: 'Sign as inspected' }).click();
  await expect(page.getByTestId('error-summary')).toContainText('Choose who signs.');
});

test.describe('by touch alone, on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('a job from the plan to the signature, a reading by the number pad', async ({ page }) => {
    const job = await plannedJob(page, 'Gloves', plainList(2, '2.2 to 2.8 Nm'));
    await page.goto(`/jobs/${job}/plan`);
    await page
      .getByRole('button', { name: /^why \d+ other/ })
      .or(page.getByText(/^why \d+ other/))
      .first()
      .waitFor();
    await page.getByRole('button', { name: 'Take TD-01' }).tap();
    await expect(page.getByText('all sent')).toBeVisible();
    await page.getByRole('link', { name: 'Go to the Bench' }).tap();
    await expect(page.getByTestId('main-action')).toBeEnabled();
    await page.getByTestId('main-action').tap();
    const dialog = page.getByRole('dialog', { name: 'Make safe' });
    await expect(dialog.getByRole('checkbox').first()).toBeVisible();
    for (const box of await dialog.getByRole('checkbox').all()) await box.tap();
    await dialog.getByRole('button', { name: /All done/ }).tap();
    await page.getByTestId('instrument').fill('VT-02');
    await page.getByTestId('instrument').blur();
    for (const [title, digits] of [
      ['Tester proved', ['2', '3', '0']],
      ['Tested dead', ['0']],
      ['Tester proved again', ['2', '3', '0']],
      ['Stored energy gone', ['3']],
    ] as const) {
      if (title === 'Stored energy gone') await page.getByRole('button', { name: 'Pass over' }).tap();
      await expect(page.getByTestId('step')).toContainText(title);
      const volts = page.getByTestId('number-pad');
      for (const key of digits) await volts.getByRole('button', { name: key, exact: true }).tap();
      await page.getByRole('button', { name: /^Record \d+ V/ }).tap();
    }
    for (const position of ['P1', 'P2']) {
      await expect(page.getByTestId('current-position')).toHaveText(position);
      await betweenPulses(page);
      const action = page.getByTestId('main-action');
      await expect(action).toBeVisible();
      if ((await action.textContent())?.includes('is set to')) await action.tap();
      // A dial shows what it feels: the pad is open without being asked for.
      const pad = page.getByTestId('number-pad');
      await expect(pad).toBeVisible();
      for (const key of ['2', 'decimal point', '5'])
        await pad.getByRole('button', { name: key, exact: true }).tap();
      await page.getByRole('button', { name: /^Record 2\.5 N·m/ }).tap();
      await expect(page.locator(`[data-position=${position}]`)).toHaveAttribute('data-status', 'in');
    }
    await expect(page.getByTestId('main-action')).toContainText('sign');
    await betweenPulses(page);
    await page.getByTestId('main-action').tap();
    await expect(page).toHaveURL(/sign$/);
    await page.getByLabel('PIN of Eko').fill(pinOf('Eko'));
    await page.getByRole('button', { name: 'Sign as done' }).tap();
    await expect(page.getByText('done', { exact: true })).toBeVisible();
  });

  test('a check is read off by the number pad', async ({ page }) => {
    const job = await setBench(page, 'Checked by touch');
    await page.keyboard.press('Space');
    await expect(page.getByText('all sent')).toBeVisible();
    await page.goto(`/jobs/${job}/sign`);
    await page.getByRole('button', { name: 'Record a check' }).tap();
    const pad = page.getByTestId('number-pad');
    for (const key of ['1', '5', '5']) await pad.getByRole('button', { name: key, exact: true }).tap();
    await pad.getByRole('button', { name: 'Take back the last digit' }).tap();
    await expect(page.getByLabel(/^Reading in/)).toHaveValue('15');
  });
});
