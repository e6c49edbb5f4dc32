import { atRest, expect, fillDay, plainList, plannedJob, signedIn, test } from './site.ts';

test.beforeEach(async ({ page }) => {
  await signedIn(page, 'Ayu');
});

test('a form that is sent with nothing in it: a summary takes the focus and leads to the field', async ({
  page,
}) => {
  await page.goto('/specs/sources');
  await page.getByRole('button', { name: 'Add a source' }).click();
  const form = page.getByRole('region', { name: 'Add a source' });
  await form.getByRole('button', { name: 'Add this source' }).click();
  const summary = form.getByTestId('error-summary');
  await expect(summary).toBeFocused();
  await expect(summary).toContainText('What you typed is kept');
  await expect(form.getByLabel('Document')).toHaveAttribute('aria-invalid', 'true');
  await summary.getByRole('button', { name: 'Document' }).click();
  await expect(form.getByLabel('Document')).toBeFocused();
  await page.keyboard.type('Card');
  await expect(summary).toHaveCount(0);
});

test('what is typed outlives a reload, a day too; a day is typed part by part', async ({ page }) => {
  await page.goto('/specs/sources');
  await page.getByRole('button', { name: 'Add a source' }).click();
  await page.getByLabel('Document').fill('Kept card');
  await fillDay(page, 'datedOn', '2026-03-02');
  await page.reload();
  await page.getByRole('button', { name: 'Add a source' }).click();
  await expect(page.getByLabel('Document')).toHaveValue('Kept card');
  await expect(page.locator('[data-day=datedOn]')).toContainText('02/03/2026');
});

test('what is typed before the page listens is not lost', async ({ page }) => {
  await page.route('**/_astro/ImportScreen*.js', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1_500));
    await route.continue();
  });
  await page.goto('/jobs/new', { waitUntil: 'domcontentloaded' });
  await page.getByLabel('What is it').fill('Typed early');
  await expect(page.locator('astro-island[ssr]').filter({ has: page.getByLabel('What is it') })).toHaveCount(
    1,
  );
  await atRest(page);
  await expect(page.locator('input[type=file]')).toBeEnabled();
  await expect(page.getByLabel('What is it')).toHaveValue('Typed early');
  await page.reload();
  await expect(page.locator('input[type=file]')).toBeEnabled();
  await expect(page.getByLabel('What is it')).toHaveValue('Typed early');
});

test('what is typed into a lone field before the page listens is not lost either', async ({ page }) => {
  let wake = (): void => {};
  const sleep = async (): Promise<void> => {
    const awake = new Promise<void>((resolve) => {
      wake = resolve;
    });
    await page.unrouteAll();
    await page.route('**/_astro/*.js', async (route) => {
      await awake;
      await route.continue();
    });
  };
  const wakesUp = async (): Promise<void> => {
    await expect(page.locator('main astro-island[ssr]').first()).toBeAttached();
    wake();
    await expect(page.locator('main astro-island[ssr]')).toHaveCount(0);
  };
  const stage = page.getByRole('combobox', { name: /^Stage/ });
  const isMine = page.getByLabel('mine: I worked on it last');
  await sleep();
  await page.goto('/jobs', { waitUntil: 'commit' });
  await page.getByLabel('Find in jobs').fill('chiller');
  await stage.selectOption({ index: 1 });
  const chosen = await stage.inputValue();
  await isMine.press('Space');
  await wakesUp();
  await expect(page.getByRole('link', { name: 'Azimuth junction box J2' })).toHaveCount(0);
  await expect(page.getByLabel('Find in jobs')).toHaveValue('chiller');
  await expect(stage).toHaveValue(chosen);
  await expect(isMine).toBeChecked();
  await sleep();
  await page.goto('/sums', { waitUntil: 'commit' });
  for (const name of ['Load current, A', 'Continuous rating, A']) await page.getByLabel(name).fill('12');
  await wakesUp();
  await expect(page.getByText(/100 %/)).toBeVisible();
  await expect(page.getByLabel('Load current, A')).toHaveValue('12');
});

test('what the server draws of a list is of now, and nothing of what it drew before', async ({ page }) => {
  const title = `Planned a moment ago, ${Date.now()}`;
  const isDrawn = async (): Promise<boolean> =>
    (await (await page.request.get('/jobs')).text()).includes(`${title}</a>`);
  expect(await isDrawn()).toBe(false);
  await plannedJob(page, title, plainList(1));
  expect(await isDrawn()).toBe(true);
});

test('a list sorts, is narrowed by a column, by a word and to mine, and shows the columns one chose', async ({
  page,
}) => {
  await page.goto('/jobs');
  await atRest(page);
  const rows = page.locator('tbody tr[data-index]');
  const all = await rows.count();
  await page.getByRole('combobox', { name: 'Stage' }).selectOption('planned');
  await expect.poll(() => rows.count()).toBeLessThan(all);
  for (const row of await rows.all()) await expect(row).toContainText('planned');
  await page.getByRole('combobox', { name: 'Stage' }).selectOption('');
  await page.getByRole('checkbox', { name: /mine/ }).check();
  for (const row of (await rows.all()).slice(0, 5)) await expect(row).toContainText('Ayu');
  await page.getByRole('checkbox', { name: /mine/ }).uncheck();
  await page.getByRole('searchbox').fill('mirror');
  for (const row of await rows.all()) await expect(row).toContainText(/mirror/i);
  await page.getByRole('searchbox').fill('nothing like it');
  await page.getByRole('button', { name: /^Show all/ }).click();
  await expect(rows).toHaveCount(all);
  await page.getByRole('button', { name: 'Job', exact: true }).click();
  await expect(page.getByRole('columnheader', { name: 'Job' })).toHaveAttribute('aria-sort', 'ascending');
  await expect(rows.first()).toContainText('0001');
  await page.getByText('columns', { exact: true }).click();
  await page.getByRole('checkbox', { name: 'Last', exact: true }).uncheck();
  await expect(page.getByRole('columnheader', { name: 'Last' })).toHaveCount(0);
  // What was chosen of a list is there again when one comes back.
  await page.reload();
  await expect(page.getByRole('columnheader', { name: 'Last' })).toHaveCount(0);
  await expect(rows.first()).toContainText('0001');
});

test('tools sort by how much torque they give, whatever unit their scale has', async ({ page }) => {
  await page.goto('/tools');
  await atRest(page);
  await page.getByRole('button', { name: /^Range/ }).click();
  await expect(page.getByRole('columnheader', { name: /^Range/ })).toHaveAttribute('aria-sort', 'ascending');
  const codes = await page.locator('tbody tr[data-index] td:first-child').allTextContents();
  // 40 cN·m, 36 lbf·in, 5 N·m, 12 N·m, 60 lbf·ft: the numbers alone would stand in another order.
  const inOrder = ['TK-40', 'TS-07', 'TK-05', 'TP-12', 'TB-01'];
  expect(codes.filter((code) => inOrder.includes(code))).toEqual(inOrder);
});

test('a list is worked by the arrows, and Enter does the first thing that a row offers', async ({ page }) => {
  await page.goto('/jobs');
  await atRest(page);
  await page.getByRole('region', { name: 'jobs' }).focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await expect(page.locator('tr[data-index="1"]')).toBeFocused();
  await page.keyboard.press('End');
  await page.keyboard.press('Home');
  await expect(page.locator('tr[data-index="0"]')).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/jobs\/[0-9a-f-]+\/(?:plan|bench|sign)$/);
});

test('on a phone a row is a card that says every column, and nothing is cut at the side', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const path of ['/jobs', '/tools', '/specs/sources']) {
    await page.goto(path);
    await atRest(page);
    const row = page.locator('tbody tr[data-index="0"]');
    const names = await row
      .locator('td[data-name]')
      .evaluateAll((cells) => cells.map((cell) => getComputedStyle(cell, '::before').content));
    expect(names.length).toBeGreaterThan(2);
    expect(names.every((name) => name !== 'none')).toBe(true);
    for (const cell of await row.locator('td').all()) {
      const box = await cell.boundingBox();
      expect(box && box.x >= 0 && box.x + box.width <= 390).toBe(true);
    }
  }
});

test('the keys lead past the rail to the work', async ({ page }) => {
  await page.goto('/jobs');
  await atRest(page);
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the work' })).toBeFocused();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'New job' })).toBeFocused();
});

test('search has a button on the wide screen and on the phone, and is in the list of keys', async ({
  page,
}) => {
  for (const size of [
    { width: 1280, height: 800 },
    { width: 390, height: 844 },
  ]) {
    await page.setViewportSize(size);
    await page.goto('/sums');
    await page.getByRole('button', { name: 'Search' }).click();
    const dialog = page.getByRole('dialog', { name: 'Search' });
    await dialog.getByRole('combobox', { name: 'Search everything' }).fill('TS-07');
    await dialog.getByRole('option').first().click();
    await expect(page).toHaveURL(/\/tools\//);
  }
  // The bar of a phone says who is signed in.
  await expect(page.getByTestId('signed-in')).toHaveText('Ayu');
});

test('each answer of the search is marked at its first row, and Enter opens that one', async ({ page }) => {
  const tool = (code: string, refId: string) => ({ kind: 'tool', refId, row: 0, title: code, detail: '' });
  const low = tool('TS-02', '018f0000-0000-7000-8000-000000000002');
  const high = tool('TS-07', '018f0000-0000-7000-8000-000000000007');
  // Answers come late, as from a busy site: the first, one without what was marked, one with another first.
  const answers: Record<string, readonly unknown[]> = { t: [low], ts: [high], 'ts-': [low, high] };
  await page.route('**/api/v1/search?*', async (route) => {
    const hits = answers[new URL(route.request().url()).searchParams.get('q') ?? ''] ?? [];
    await new Promise((resolve) => setTimeout(resolve, 300));
    await route.fulfill({ json: { hits, isPartial: false } });
  });
  await page.goto('/sums');
  await page.getByRole('button', { name: 'Search' }).click();
  const dialog = page.getByRole('dialog', { name: 'Search' });
  const field = dialog.getByRole('combobox', { name: 'Search everything' });
  for (const [typed, first] of [
    ['t', 'TS-02'],
    ['ts', 'TS-07'],
    ['ts-', 'TS-02'],
  ] as const) {
    await field.fill(typed);
    await expect(dialog.getByRole('option').first()).toContainText(first);
    await expect(dialog.getByRole('option').first()).toHaveAttribute('aria-selected', 'true');
  }
  await field.press('ArrowDown');
  await expect(dialog.getByRole('option').last()).toHaveAttribute('aria-selected', 'true');
  await field.press('Enter');
  await expect(page).toHaveURL(`/tools/${high.refId}`);
});

test('a job that is not there is told on a page of ours, with the way back', async ({ page }) => {
  const answer = await page.goto('/jobs/0190a000-0000-7000-8000-00000000dead/bench');
  expect(answer?.status()).toBe(404);
  await expect(page.getByText('There is no such job here')).toBeVisible();
  await page.getByRole('link', { name: 'Jobs' }).click();
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
});

test('from a value to the tools that can do it, each with its setting', async ({ page }) => {
  await page.goto('/sums');
  await page.getByLabel('As it is written').fill('20 to 24 in-lb');
  await expect(page.getByTestId('derivation')).toContainText('Target 22 lbf·in');
  await page.getByRole('button', { name: 'Which tool?' }).click();
  const tools = page.getByTestId('which-tool');
  await expect(tools.getByRole('listitem').filter({ hasText: 'TS-07' }).first()).toContainText(
    'set to 22.0 lbf·in',
  );
  await tools.getByText(/others are out/).click();
  await expect(tools).toContainText('in quarantine');
});

test('on a phone the value that was chosen comes into view', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/specs');
  await atRest(page);
  // From the top of the list and from its end: what it says stands above it.
  for (const chosen of [/coolant pump flange bolt/, /./]) {
    const listed = page.getByRole('region', { name: 'What is tightened' }).getByRole('listitem');
    await listed.getByRole('button', { name: chosen }).last().click();
    await expect(page.getByTestId('printed')).toBeInViewport();
  }
});

test('a tool that was found out shows what awaits a decision, on its page and in the list', async ({
  page,
}) => {
  await page.goto('/tools');
  const waiting = page.getByRole('link', { name: /await(?:s)? a decision/ }).first();
  await expect(waiting).toBeVisible();
  const recall = await waiting.getAttribute('href');
  await page.goto((recall ?? '').replace('/recall', ''));
  await expect(page.getByTestId('undecided')).toContainText('a decision');
});

test('the form of a tool asks only what its kind has', async ({ page }) => {
  await page.goto('/tools');
  await page.getByRole('button', { name: 'Add a tool' }).click();
  await expect(page.getByLabel('One full turn of the handle')).toBeVisible();
  await expect(page.getByLabel('Drive centre to grip mark')).toHaveCount(0);
  await page.locator('select[name=kind]').selectOption('torque-limiting-key');
  await expect(page.getByRole('textbox', { name: /^Its setting/ })).toBeVisible();
  await expect(page.getByLabel('One full turn of the handle')).toHaveCount(0);
  await expect(page.getByLabel('Its scale is')).toHaveCount(0);
  await page.locator('select[name=kind]').selectOption('bending-beam');
  await expect(page.getByLabel('Drive centre to grip mark')).toBeVisible();
  await expect(page.getByLabel('Wound down to')).toHaveCount(0);
});
