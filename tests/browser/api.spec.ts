import { request as newRequest } from '@playwright/test';
import { address, expect, pinOf, plainList, plannedJob, signedIn, test } from './site.ts';

const compute = async (name: string, data: unknown) => {
  const context = await newRequest.newContext({ baseURL: address() });
  const answer = await context.post(`/api/v1/compute/${name}`, { data: data as object });
  const body = await answer.json();
  await context.dispose();
  return { status: answer.status(), type: answer.headers()['content-type'], body };
};

const SCALE = {
  form: 'barrel',
  unit: 'lbf.in',
  minimum: 5,
  maximum: 40,
  perTurn: 5,
  graduation: 0.5,
  mainStart: 5,
  raisedBy: 'clockwise',
};
const inch = (value: number) => ({ value, unit: 'lbf.in' });

test.describe('calculations are public, stateless and checked both ways', () => {
  test('parse-torque', async () => {
    expect(await compute('parse-torque', { text: '15-20 in-lb (1.7-2.3 Nm)' })).toMatchObject({
      status: 200,
      body: { requirement: { kind: 'range', low: { text: '15', unit: 'lbf.in' } }, disagreements: [] },
    });
    expect(await compute('parse-torque', { text: '18 pounds' })).toMatchObject({
      status: 422,
      type: 'application/problem+json',
      body: {
        type: 'urn:jentik:problem:ambiguous-unit',
        retry: false,
        problem: { candidates: [{ text: '18 lbf·in' }, { text: '18 lbf·ft' }] },
      },
    });
  });

  test('convert', async () => {
    const { body } = await compute('convert', { torque: inch(250), to: 'lbf.ft', sourceDigits: 3 });
    expect(body).toMatchObject({ text: '20.83', torque: { unit: 'lbf.ft' } });
  });

  test('resolve-requirement', async () => {
    const { body } = await compute('resolve-requirement', { requirement: 'max 12 Nm' });
    expect(body.target.value).toBeCloseTo(9.6, 9);
    expect(body.steps).toContainEqual(expect.objectContaining({ gives: 'low', assumed: true }));
    expect((await compute('resolve-requirement', { requirement: '22 ft-lb + 90°' })).body.problem.code).toBe(
      'angle-not-recordable',
    );
    expect(
      (await compute('resolve-requirement', { requirement: '14 in-lb / 2.6 Nm' })).body.problem.code,
    ).toBe('statements-disagree');
  });

  test('tool-setting', async () => {
    const wanted = { target: inch(12.5), low: inch(11), high: inch(14), scale: SCALE };
    expect((await compute('tool-setting', wanted)).body).toMatchObject({
      setting: { text: '12.5' },
      main: 10,
      sub: 2.5,
      turns: 1.5,
    });
    expect((await compute('tool-setting', { ...wanted, target: inch(60) })).body.problem.code).toBe(
      'outside-tool-range',
    );
    expect(
      (await compute('tool-setting', { ...wanted, scale: { ...SCALE, graduation: 0.7 } })).body.problem.code,
    ).toBe('scale-turn-not-whole-marks');
  });

  test('verdict: JCGM 106:2012, 7.4', async () => {
    const newtonMetres = (value: number) => ({ value, unit: 'N.m' });
    const asked = {
      reading: newtonMetres(5.4),
      low: newtonMetres(4.5),
      high: newtonMetres(5.5),
      standardUncertainty: newtonMetres(0.15),
    };
    const { body } = await compute('verdict', asked);
    expect(body.outcome).toBe('in');
    expect(body.probability).toBeCloseTo(0.7475, 4);
    expect((await compute('verdict', { ...asked, decisionRule: 'guarded' })).body.outcome).toBe('too-close');
    expect((await compute('verdict', { ...asked, standardUncertainty: null })).body.problem.code).toBe(
      'tool-needed',
    );
  });

  test('conductor: ASTM B258', async () => {
    const { body } = await compute('conductor', { text: '4/0 AWG' });
    expect(body.areaSquareMillimetres).toBeCloseTo(107.2, 1);
    expect((await compute('conductor', { text: 'thick' })).body.problem.code).toBe('unreadable-conductor');
  });

  test('an unknown calculation, a field too many and a wrong unit are refused', async () => {
    expect((await compute('guess', {})).status).toBe(404);
    expect((await compute('toString', {})).status).toBe(404);
    expect((await compute('convert', { torque: inch(1), to: 'N.m', extra: 1 })).body.problem.code).toBe(
      'body-invalid',
    );
    expect((await compute('convert', { torque: { value: 1, unit: 'lbs' }, to: 'N.m' })).status).toBe(400);
  });
});

test.describe('the door', () => {
  test('a JSON post from another page, or of another type, or too large, is refused', async ({ page }) => {
    const post = (options: Parameters<typeof page.request.post>[1]) =>
      page.request.post(`${address()}/api/v1/compute/convert`, options);
    expect(
      (
        await post({ data: { torque: inch(1), to: 'N.m' }, headers: { origin: 'https://elsewhere.example' } })
      ).status(),
    ).toBe(403);
    expect((await post({ data: 'torque=1', headers: { 'content-type': 'text/plain' } })).status()).toBe(415);
    expect((await post({ data: '{', headers: { 'content-type': 'application/json' } })).status()).toBe(400);
    expect((await post({ data: { text: 'x'.repeat(3_100_000) } })).status()).toBe(413);
  });

  test('nothing but people’s tiles and calculations without signing in', async ({ page }) => {
    for (const path of ['jobs', 'tools', 'settings'])
      expect((await page.request.get(`${address()}/api/v1/${path}`)).status()).toBe(401);
    await page.goto('/jobs');
    await expect(page).toHaveURL(/sign-in\?to=%2Fjobs/);
  });

  test('a wrong PIN says how many tries are left; after signing in one is where one was going', async ({
    page,
  }) => {
    await page.goto('/tools');
    await page.getByRole('button', { name: /Farah/ }).click();
    await page.getByLabel('PIN').fill('0000');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toContainText('4 more tries');
    await page.getByLabel('PIN').fill(pinOf('Farah'));
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/tools$/);
  });

  test('signing in leads nowhere but to this site', async ({ page }) => {
    for (const to of ['//elsewhere.example', 'https://elsewhere.example', '/\\elsewhere.example']) {
      await page.goto(`/sign-in?to=${encodeURIComponent(to)}`);
      expect(await page.content()).not.toContain('elsewhere');
    }
  });

  test('a job that does not exist', async ({ page }) => {
    await signedIn(page, 'Eko');
    const missing = '0190a000-0000-7000-8000-00000000dead';
    expect((await page.request.get(`${address()}/api/v1/jobs/${missing}/record.json`)).status()).toBe(404);
    await page.goto(`/jobs/${missing}/bench`);
    await expect(page).toHaveURL(/\/jobs$/);
  });

  test('pages carry a policy that runs only their own scripts, and the cookie is out of scripts’ reach', async ({
    page,
  }) => {
    const problems: string[] = [];
    page.on('console', (message) => message.type() === 'error' && problems.push(message.text()));
    await signedIn(page, 'Eko');
    const job = await plannedJob(page, 'Policy', plainList(1));
    const response = await page.goto(`/jobs/${job}/bench`);
    await page.waitForLoadState('networkidle');
    const policy = response?.headers()['content-security-policy'] ?? '';
    expect(policy).toContain("default-src 'self'");
    expect(policy).toMatch(/script-src 'self'/);
    expect(policy).not.toMatch(/script-src[^;]*unsafe/);
    expect(await page.evaluate(() => document.cookie)).not.toContain('jentik_session');
    expect(problems).toEqual([]);
  });
});
