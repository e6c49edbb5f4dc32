import { readFileSync } from 'node:fs';
import { Agent, get, request as post } from 'node:http';
import { join } from 'node:path';
import { request as newRequest } from '@playwright/test';
import { TOOL } from '../core/job/sample-job.ts';
import { address, atRest, expect, PICTURE, pinOf, plainList, plannedJob, signedIn, test } from './site.ts';

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

test('only the routes of this project answer', async () => {
  const context = await newRequest.newContext({ baseURL: address() });
  for (const path of [
    '/_image?href=%2Ficon.svg&w=20000&h=20000&f=png',
    '/_server-islands/Header',
    '/_actions/any',
    '/api/v1/no-such-thing',
    '/api/v2/jobs',
  ])
    for (const method of ['GET', 'POST']) {
      const answer = await context.fetch(path, { method, maxRedirects: 0 });
      expect(`${method} ${path} ${answer.status()}`).toBe(`${method} ${path} 404`);
    }
  await context.dispose();
});

test('a connection that is kept gathers nothing up', async () => {
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  const asked = (path: string) =>
    new Promise((resolve, reject) => {
      get(`${address()}${path}`, { agent }, (answer) => answer.resume().on('end', resolve)).on(
        'error',
        reject,
      );
    });
  for (let round = 0; round < 14; round += 1)
    for (const path of ['/api/v1/people', '/api/v1/none', '/sign-in', '/none']) await asked(path);
  agent.destroy();
  // Node says so in the log once more than ten listeners wait on one connection.
  const log = readFileSync(join(process.env['JENTIK_TEST_FOLDER'] ?? '', 'application.log'), 'utf8');
  expect(log).not.toContain('MaxListenersExceededWarning');
});

test('a body that is too large is answered, also when its length is not said', async () => {
  const status = await new Promise((resolve, reject) => {
    const headers = { 'content-type': 'application/json', 'transfer-encoding': 'chunked' };
    const sent = post(
      `${address()}/api/v1/compute/parse-torque`,
      { method: 'POST', headers },
      ({ statusCode }) => resolve(statusCode),
    );
    sent.on('error', reject);
    for (let chunk = 0; chunk < 60; chunk += 1) sent.write('x'.repeat(64_000));
    sent.end();
  });
  expect(status).toBe(413);
});

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
    const turned = await compute('resolve-requirement', { requirement: '22 ft-lb + 90° + 45°' });
    // 22 lbf·ft, NIST SP 811.
    expect(turned.body.target.value).toBeCloseTo(29.827994863, 8);
    expect(turned.body.anglesDegrees).toEqual([90, 45]);
    expect((await compute('resolve-requirement', { requirement: 'snug + 60°' })).body.problem.code).toBe(
      'snug-then-angle',
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

  test('adapter: the lever rule, and refused without the lever it needs', async () => {
    const crowfoot = {
      id: TOOL.id,
      code: 'A-1',
      kind: 'offset-head',
      driveIn: 'square-3/8',
      driveOut: '10 mm',
      offsetMillimetres: 50,
    };
    const asked = {
      torque: { value: 20, unit: 'N.m' },
      leverMillimetres: 200,
      chain: [{ adapter: crowfoot, angleDegrees: 0 }],
    };
    // T_w = T·L/(L + E): 20·200/250 = 16. The lever rule is in every handbook of mechanics.
    const { body } = await compute('adapter', asked);
    expect(body.setting).toEqual({ value: expect.closeTo(16, 9), unit: 'N.m' });
    expect(body.factor).toBeCloseTo(1.25, 9);
    const square = { ...asked, chain: [{ adapter: crowfoot, angleDegrees: 90 }] };
    expect((await compute('adapter', square)).body.setting.value).toBeCloseTo(20, 9);
    expect((await compute('adapter', { ...asked, leverMillimetres: null })).status).toBe(422);
    expect((await compute('adapter', { ...asked, chain: Array(7).fill(asked.chain[0]) })).status).toBe(400);
  });

  test('choose-tool: what fits comes first, what is out says why', async () => {
    const asked = { target: inch(20), low: inch(18), high: inch(22) };
    const tools = [
      { tool: TOOL, blocks: [], standsAt: null },
      { tool: { ...TOOL, code: 'T-2' }, blocks: ['quarantined'], standsAt: null },
    ];
    const { body } = await compute('choose-tool', { ...asked, tools });
    expect(body.fits.map(({ code }: { code: string }) => code)).toEqual(['T-1']);
    expect(body.fits[0]).toMatchObject({ setting: '20.0', unit: 'lbf.in' });
    expect(body.out).toEqual([{ code: 'T-2', because: ['quarantined'] }]);
  });

  test('calibration: JCGM 100:2008, 4.2.2', async () => {
    // Readings 9.9, 10.0, 10.1 at 10: deviations +1.0101, 0, −0.9901 %; s of them 1.0001 %.
    const points = [{ shown: 3, references: [2.97, 3, 3.03] }];
    const { body } = await compute('calibration', { tool: TOOL, referenceExpandedPercent: 0.5, points });
    expect(body.hasPassed).toBe(true);
    expect(body.points[0].deviationPercent).toBeCloseTo(1.0001, 3);
    expect(body.points[0].repeatabilityPercent).toBeCloseTo(2.0002, 3);
    expect(
      (await compute('calibration', { tool: TOOL, referenceExpandedPercent: 0.5, points: [] })).status,
    ).toBe(400);
  });

  test('read-label, then look-up in what it read', async () => {
    const text = 'Wire size\tTorque\n18-10 AWG\t20 lb-in\n8 AWG\t25 lb-in\n6-4 AWG\t35 lb-in';
    const { body: label } = await compute('read-label', { text });
    expect(label.doubts).toEqual([]);
    const { name: _, ...rest } = label.table;
    const table = { ...rest, name: 'Lug', subject: 'lug' };
    expect((await compute('look-up', { table, keys: ['4 AWG'] })).body).toMatchObject({
      outcome: 'found',
      rows: [2],
      printed: expect.stringContaining('35 lbf·in'),
    });
    expect((await compute('look-up', { table, keys: ['2 AWG'] })).body).toMatchObject({
      outcome: 'none',
      whyNot: [{ column: 0, nearest: [2] }],
    });
    // A label of a thousand lines is long work: that asks for a sign-in.
    expect((await compute('read-label', { text: 'x'.repeat(100_001) })).status).toBe(401);
  });

  test('relubricate: torque goes with the nut factor', async () => {
    const newtonMetres = (value: number) => ({ value, unit: 'N.m' });
    const asked = { target: newtonMetres(40), low: newtonMetres(36), high: newtonMetres(44) };
    // T = K·D·F: for one preload and one diameter torque is proportional to K.
    const { body } = await compute('relubricate', { ...asked, fromNutFactor: 0.2, toNutFactor: 0.15 });
    expect(body.ratio).toBeCloseTo(0.75, 9);
    expect([body.low.value, body.target.value, body.high.value]).toEqual(
      [27, 30, 33].map((n) => expect.closeTo(n, 9)),
    );
    expect((await compute('relubricate', { ...asked, fromNutFactor: 0, toNutFactor: 0.15 })).status).toBe(
      400,
    );
  });

  test('order: ASME PCC-1, legacy pattern of eight (memory)', async () => {
    const places = Array.from({ length: 8 }, (_, index) => ({
      position: `${index + 1}`,
      xMm: 50 * Math.sin((index / 4) * Math.PI),
      yMm: -50 * Math.cos((index / 4) * Math.PI),
    }));
    const { body } = await compute('order', { places, order: 'crosswise' });
    expect(body.positions).toEqual(['1', '5', '3', '7', '2', '6', '4', '8']);
    // One pull of eight at 50 mm: 50/8, and nothing does better.
    expect(body.largestEccentricityMm).toBeCloseTo(6.25, 6);
    expect(body.bestEccentricityMm).toBeCloseTo(6.25, 6);
    expect((await compute('order', { places: [...places, places[0]], order: 'crosswise' })).status).toBe(400);
    const many = Array.from({ length: 101 }, (_, index) => ({ position: `${index}`, xMm: index, yMm: 0 }));
    expect((await compute('order', { places: many, order: 'reading' })).status).toBe(401);
  });

  test('preload: ISO 898-1 (memory), the stress area of M8; no pitch, no answer', async () => {
    const torque = { value: 22, unit: 'N.m' };
    const { body } = await compute('preload', { thread: 'M8', torque });
    expect(body.stressAreaMm2).toBeCloseTo(36.6, 1);
    expect(body.forceNewtons.low).toBeLessThan(body.forceNewtons.high);
    expect((await compute('preload', { thread: 'M13', torque })).status).toBe(422);
  });

  test('simulate is long work: it asks for a sign-in', async () => {
    const places = [
      { position: '1', xMm: 0, yMm: 0 },
      { position: '2', xMm: 10, yMm: 0 },
    ];
    expect((await compute('simulate', { places, shares: [1] })).status).toBe(401);
    expect((await compute('simulate', { places: [places[0]], shares: [1] })).status).toBe(400);
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
    // Much is worked out for whoever is signed in.
    expect((await post({ data: { text: 'x'.repeat(30_000) } })).status()).toBe(401);
  });

  test('another origin is one of another scheme, port or name too; a page that says where it comes from is believed to its harm', async () => {
    const own = new URL(address());
    const sent = async (headers: Record<string, string>) =>
      (
        await fetch(`${address()}/api/v1/compute/convert`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', ...headers },
          body: JSON.stringify({ torque: inch(1), to: 'N.m' }),
        })
      ).status;
    for (const origin of [
      `https://${own.host}`,
      `http://${own.hostname}:1`,
      `http://x.${own.host}`,
      'null',
      '',
    ])
      expect(await sent({ origin }), origin).toBe(403);
    for (const origin of [own.origin, `http://localhost:${own.port}`])
      expect(await sent({ origin }), origin).toBe(200);
    for (const site of ['cross-site', 'same-site']) expect(await sent({ 'sec-fetch-site': site })).toBe(403);
  });

  test('a request that names another host is nobody’s', async () => {
    const { hostname, port } = new URL(address());
    const status = (host: string, path: string) =>
      new Promise<number | undefined>((resolve, reject) => {
        get({ hostname, port, path, headers: { host } }, (answer) => {
          answer.resume();
          resolve(answer.statusCode);
        }).on('error', reject);
      });
    for (const path of ['/api/v1/people', '/sign-in', '/jobs']) {
      for (const host of ['elsewhere.example', `elsewhere.example:${port}`, '127.0.0.1', 'a:b:c'])
        expect(await status(host, path), `${host} ${path}`).toBe(421);
      expect(await status(`localhost:${port}`, path)).toBeLessThan(400);
    }
  });

  test('every answer says what a browser may do with it: pages, problems, files, streams', async ({
    page,
  }) => {
    await signedIn(page, 'Ayu');
    const [tool] = (await (await page.request.get('/api/v1/tools')).json()) as { tool: { id: string } }[];
    const attached = await page.request.post(`/api/v1/attachments/tool/${tool?.tool.id}`, {
      data: { name: 'p.png', contentBase64: PICTURE.toString('base64'), thumbnailBase64: null },
    });
    expect(attached.status()).toBe(200);
    const { id } = (await attached.json()) as { id: string };
    const paths = [
      '/jobs',
      '/sign-in',
      '/me',
      '/no-such-page',
      '/jobs/0190a000-0000-7000-8000-00000000dead/bench',
      '/icon.svg',
      '/service-worker.js',
      '/app.webmanifest',
      '/api/v1/people',
      '/api/v1/none',
      '/api/v1/requirements.csv',
      '/api/v1/recalls',
      `/api/v1/attachments/${id}`,
      `/api/v1/attachments/${id}?original=1`,
    ];
    for (const path of paths) {
      const answer = await page.request.get(path, { maxRedirects: 0 });
      const headers = answer.headers();
      const policy = headers['content-security-policy'] ?? '';
      const scripts = /script-src ([^;]*)/.exec(policy)?.[1] ?? /default-src ([^;]*)/.exec(policy)?.[1] ?? '';
      expect(scripts, path).not.toBe('');
      expect(scripts, path).not.toMatch(/unsafe|\*|https?:/);
      expect(policy, path).toContain("frame-ancestors 'none'");
      expect(policy, path).toMatch(/form-action '(?:self|none)'/);
      expect(headers['x-content-type-options'], path).toBe('nosniff');
      expect(headers['x-powered-by'], path).toBeUndefined();
      // Here it is reached by http: a browser told otherwise would find nothing.
      expect(headers['strict-transport-security'], path).toBeUndefined();
      if (headers['content-type']?.includes('html') || path.startsWith('/api/'))
        expect(headers['cache-control'], path).toContain('no-store');
    }
    for (const [query, shown] of [
      ['', 'inline'],
      ['?original=1', 'attachment'],
    ] as const) {
      const headers = (await page.request.get(`/api/v1/attachments/${id}${query}`)).headers();
      expect(headers['content-disposition']).toContain(shown);
      expect(headers['content-security-policy']).toContain('sandbox');
      expect(headers['content-type']).toBe(query === '' ? 'image/jpeg' : 'application/octet-stream');
    }
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

  test('a tile that does not listen yet takes no tap', async ({ page }) => {
    await page.route(/_astro\/SignIn/, async (route) => {
      await new Promise((resolve) => setTimeout(resolve, 1500));
      await route.continue();
    });
    await page.goto('/sign-in', { waitUntil: 'domcontentloaded' });
    await page.getByRole('button', { name: /Farah/ }).click();
    await expect(page.getByLabel('PIN')).toBeVisible();
  });

  test('signing in leads nowhere but to this site', async ({ page }) => {
    for (const to of ['//elsewhere.example', 'https://elsewhere.example', '/\\elsewhere.example']) {
      await page.goto(`/sign-in?to=${encodeURIComponent(to)}`);
      expect(await page.content()).not.toContain('elsewhere');
    }
  });

  test('every job of the demo gives its record and its pulls: 1,200 over six months, and jobs in every state', async ({
    page,
  }) => {
    await signedIn(page, 'Ayu');
    const jobs = (await (await page.request.get('/api/v1/jobs')).json()) as {
      readonly id: string;
      readonly title: string;
      readonly stage: string;
      readonly lastEventAt: string;
    }[];
    expect(new Set(jobs.map(({ stage }) => stage))).toEqual(
      new Set(['planned', 'under-way', 'ready-to-sign', 'done', 'inspected']),
    );
    let pulls = 0;
    for (const { id, title } of jobs) {
      const record = await page.request.get(`/api/v1/jobs/${id}/record.json`);
      expect(record.status(), title).toBe(200);
      const csv = await page.request.get(`/api/v1/jobs/${id}/pulls.csv`);
      expect(csv.status(), title).toBe(200);
      // One line is the heading.
      pulls += (await csv.text()).trim().split('\n').length - 1;
    }
    expect(pulls).toBeGreaterThanOrEqual(1_200);
    const times = jobs.map(({ lastEventAt }) => Date.parse(lastEventAt));
    expect(Math.max(...times) - Math.min(...times)).toBeGreaterThan(150 * 86_400_000);
  });

  test('a job that does not exist', async ({ page }) => {
    await signedIn(page, 'Eko');
    const missing = '0190a000-0000-7000-8000-00000000dead';
    expect((await page.request.get(`${address()}/api/v1/jobs/${missing}/record.json`)).status()).toBe(404);
    await page.goto(`/jobs/${missing}/bench`);
    await expect(page.getByText('There is no such job here')).toBeVisible();
  });

  test('pages carry a policy that runs only their own scripts, and the cookie is out of scripts’ reach', async ({
    page,
  }) => {
    const problems: string[] = [];
    page.on('console', (message) => message.type() === 'error' && problems.push(message.text()));
    await signedIn(page, 'Eko');
    const job = await plannedJob(page, 'Policy', plainList(1));
    const response = await page.goto(`/jobs/${job}/bench`);
    await atRest(page);
    const policy = response?.headers()['content-security-policy'] ?? '';
    expect(policy).toContain("default-src 'self'");
    expect(policy).toMatch(/script-src 'self'/);
    expect(policy).not.toMatch(/script-src[^;]*unsafe/);
    expect(await page.evaluate(() => document.cookie)).not.toContain('jentik_session');
    expect(problems).toEqual([]);
  });
});
