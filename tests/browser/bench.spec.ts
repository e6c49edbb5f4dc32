import { eventsOf, expect, plainList, plannedJob, readyBench, setBench, signedIn, test } from './site.ts';

test.beforeEach(async ({ page }) => {
  await signedIn(page, 'Eko');
});

test('a reading twelve times off asks before it is recorded', async ({ page }) => {
  const job = await setBench(page, 'Twelve times');
  await page.keyboard.type('180');
  await page.keyboard.press('Enter');
  const question = page.getByRole('alert');
  await expect(question).toContainText('Is that the right unit?');
  await expect(question).toContainText('lbf·in and lbf·ft are mixed up');
  await expect(page.getByText('No pull yet')).toHaveCount(0);
  expect((await eventsOf(page, job)).some(({ kind }) => kind === 'pull-made')).toBe(false);

  await page.keyboard.press('Escape');
  await expect(question).toHaveCount(0);
  await page.keyboard.type('15,5');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('verdict')).toContainText('P1: in, 15.5 lbf·in');

  await page.keyboard.type('180');
  await page.keyboard.press('Enter');
  // Only a question that is on screen is answered: before a pull the bench may look for a moment at what others did.
  await expect(question).toContainText('Is that the right unit?');
  await page.keyboard.press('y');
  await expect(page.getByTestId('verdict')).toContainText(
    /P2: above, 180 lbf·in, 158 lbf·in above 17 lbf·in/,
  );
});

test('past the click: loosened, inspected, pulled again', async ({ page }) => {
  await setBench(page, 'Past the click');
  await page.keyboard.press('o');
  await expect(page.getByTestId('verdict')).toContainText('went past the click; nobody knows by how much.');
  // What comes next is led through, and said in one place.
  await expect(page.getByTestId('verdict')).not.toContainText('Next:');
  await expect(page.getByTestId('remedy')).toContainText('Loosen it and look');
  await expect(page.locator('[data-position=P1]')).toHaveAttribute('data-status', 'high');
  await expect(page.getByTestId('main-action')).toContainText('P1 is loosened');
  await page.keyboard.press('Space');
  await expect(page.getByTestId('remedy')).toContainText('look at it');
  await expect(page.getByTestId('main-action')).toContainText('Good: thread, head and seat of P1');
  await page.keyboard.press('Space');
  await expect(page.getByTestId('main-action')).toContainText('It clicked');
  await page.keyboard.press('Space');
  await expect(page.getByTestId('verdict')).toContainText('P1: in');
  await expect(page.getByTestId('current-position')).toHaveText('P2');
});

test('the last pull is voided with a reason and stays in the record', async ({ page }) => {
  const job = await setBench(page, 'Voided');
  await page.keyboard.press('Space');
  await expect(page.getByTestId('current-position')).toHaveText('P2');
  // Never another fastener's: P2 has no pull yet.
  await page.keyboard.press('Backspace');
  await page.keyboard.press('r');
  await expect(page.getByTestId('current-position')).toHaveText('P1');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('Backspace');
  const dialog = page.getByRole('dialog', { name: 'Void the pull on P1' });
  await dialog.getByRole('button', { name: 'wrong fastener' }).click();
  await dialog.getByRole('button', { name: 'Void it' }).click();
  await expect(page.locator('[data-position=P1]')).toHaveAttribute('data-status', 'voided');
  await expect(page.getByTestId('current-position')).toHaveText('P1');
  await expect(page.getByText('all sent')).toBeVisible();
  expect((await eventsOf(page, job)).map(({ kind }) => kind).slice(-2)).toEqual(['pull-made', 'pull-voided']);
});

test('by feel stays open; re-pull, witness mark and arrows do what their keys say', async ({ page }) => {
  await setBench(page, 'Keys');
  await page.keyboard.press('b');
  await expect(page.getByTestId('verdict')).toContainText('By feel, no torque tool. It stays open');
  await expect(page.getByTestId('current-position')).toHaveText('P2');
  await page.keyboard.press('r');
  await expect(page.getByTestId('current-position')).toHaveText('P1');
  // A click on top of it would say nothing: it is loosened first.
  await expect(page.getByRole('button', { name: 'P1 is loosened, thread inspected' })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.locator('[data-position=P1]')).toHaveAttribute('data-status', 'by-feel');
  await page.keyboard.press('Space');
  await expect(page.locator('[data-position=P1]')).toHaveAttribute('data-status', 'in');
  await page.keyboard.press('w');
  await expect(page.locator('[data-position=P1] title')).toContainText('witness marked');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByTestId('current-position')).toHaveText('P3');
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByTestId('current-position')).toHaveText('P2');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText(
    'void the last pull of the fastener in front',
  );
});

test('typed digits show on the tape before they count; a low one stays in front', async ({ page }) => {
  await setBench(page, 'Low');
  await page.keyboard.type('12.5');
  await expect(page.getByRole('button', { name: 'Record 12.5 lbf·in' })).toBeVisible();
  await page.keyboard.press('Backspace');
  await expect(page.getByRole('button', { name: 'Record 12.' })).toBeVisible();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await page.keyboard.type('12.5');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('verdict')).toContainText(
    /P1: low, 12.5 lbf·in, 0.67 lbf·in below 13 lbf·in at the fastener/,
  );
  await expect(page.getByTestId('current-position')).toHaveText('P1');
});

test('another target asks for another setting before the next pull, with the way there', async ({ page }) => {
  await setBench(page, 'Settings', `${plainList(1)}\nQ1,other,40,0,14 AWG,20 to 24 in-lb`);
  await page.keyboard.press('Space');
  await expect(page.getByRole('region', { name: 'Tool setting' })).toContainText('Set TS-07 to 22.0 lbf·in');
  await expect(page.getByRole('region', { name: 'Tool setting' })).toContainText(
    'From 15.0, up 1 turn and 6 marks, clockwise.',
  );
  await page.keyboard.press('Space');
  await expect(page.getByTestId('main-action')).toContainText('It clicked');
});

test('a fastener the tool can’t reach says so and leads to another tool', async ({ page }) => {
  const job = await plannedJob(page, 'Out of reach', plainList(1, '0.28 to 0.34 Nm'));
  await page.goto(`/jobs/${job}/plan`);
  await page.getByText(/^why \d+ others are out$/).click();
  await expect(page.getByTestId('tools-out')).toContainText('TS-07: its range begins above the target');
  await expect(page.getByTestId('tools-out')).toContainText('TW-03: in quarantine');
  await expect(page.getByRole('button', { name: 'Take TS-07' })).toHaveCount(0);
  await readyBench(page, job, 'TS-09');
  await expect(page.getByRole('region', { name: 'Tool setting' })).toContainText('Set TS-09 to 31');
});

test('what is found against the tool in hand is told, and leads to another one', async ({ page }) => {
  // A tool of its own, for the others are everybody's.
  await signedIn(page, 'Ayu');
  const tools: { tool: Record<string, unknown> }[] = await (await page.request.get('/api/v1/tools')).json();
  const { id: _, calibration: __, ...like } = tools.find(({ tool }) => tool['code'] === 'TS-07')?.tool ?? {};
  const added = await page.request.post('/api/v1/tools', {
    data: { ...like, code: 'TS-70', serial: 'BL-7070' },
  });
  expect(added.ok(), await added.text()).toBe(true);
  const { id } = await added.json();
  const job = await plannedJob(page, 'Put away', plainList(4));
  await readyBench(page, job, 'TS-70');
  await page.keyboard.press('Space');
  await expect(page.getByTestId('main-action')).toContainText('It clicked');

  const dropped = await page.request.post(`/api/v1/tools/${id}/happenings`, {
    data: { kind: 'dropped', why: 'off the ladder' },
  });
  expect(dropped.ok(), await dropped.text()).toBe(true);
  await page.keyboard.press('Space');
  await expect(page.getByTestId('told')).toContainText('the site recorded it as no verdict');
  await expect(page.getByText('Put TS-70 away: in quarantine.')).toBeVisible();
  await expect(page.getByTestId('main-action')).toContainText('Choose another tool');
  await page.getByRole('button', { name: 'Seen' }).click();
  await page.keyboard.press('Space');
  await expect(page).toHaveURL(`/jobs/${job}/plan`);
  await expect(page.getByText('in quarantine, found since it was taken')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Go to the Bench' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Take another tool' }).click();
  await page.getByRole('button', { name: 'Take TS-07' }).click();
  await page.getByRole('link', { name: 'Go to the Bench' }).click();
  await expect(page.getByTestId('main-action')).toContainText('TS-07 is set to');
});

test('400 terminals: the drawing follows, and the next action is always in reach', async ({ page }) => {
  const job = await plannedJob(page, 'Four hundred', plainList(400));
  await readyBench(page, job);
  await page.keyboard.press('Space');
  for (let count = 0; count < 45; count += 1) await page.keyboard.press('Space');
  await expect(page.getByText('45 of 400 in')).toBeVisible();
  await expect(page.locator('[data-position=P46]')).toBeInViewport();
  await expect(page.getByText('all sent')).toBeVisible({ timeout: 30_000 });
});

test('why: the derivation with its source, school and what is assumed', async ({ page }) => {
  await setBench(page, 'Why', plainList(1, 'max 30 in-lb'));
  await page.getByText('why', { exact: true }).click();
  const why = page.locator('details');
  await expect(why).toContainText('Printed: max 30 in-lb');
  await expect(why).toContainText('24 lbf·in: a share of the printed maximum, 80 % from 30 lbf·in');
  await expect(why).toContainText('School: 80 % of a maximum.');
  await expect(why).toContainText('Assumed, the source does not say.');
});
