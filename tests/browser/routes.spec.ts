import { readdirSync, readFileSync } from 'node:fs';
import { connect } from 'node:net';
import { OPERATIONS } from '#wire/api.ts';
import { inProject } from '../../scripts/site/paths.ts';
import { address, expect, test } from './site.ts';

// Every door of the site. A new page is a line here; a new address of programs is an operation, which docs/rights.md then says who may use.
const PAGES = [
  '/',
  '/first-run',
  '/join',
  '/me',
  '/jobs',
  '/jobs/[job]/bench',
  '/jobs/[job]/memory',
  '/jobs/[job]/plan',
  '/jobs/[job]/sign',
  '/jobs/new',
  '/jobs/new/layout',
  '/jobs/new/one',
  '/jobs/new/templates',
  '/jobs/new/templates/[template]',
  '/offline',
  '/parts/[part]',
  '/settings',
  '/settings/joints',
  '/settings/keeping',
  '/settings/people',
  '/sign-in',
  '/specs',
  '/specs/conflicts',
  '/specs/import',
  '/specs/label',
  '/specs/recalls',
  '/specs/recalls/[kind]/[value]',
  '/specs/sources',
  '/specs/sources/[source]',
  '/specs/tables',
  '/specs/tables/[table]',
  '/sums',
  '/tools',
  '/tools/[tool]',
  '/tools/[tool]/calibrate',
  '/tools/[tool]/recall',
  '/tools/scan',
];
/** What the framework brings along. It is in the build, and answers nobody. */
const CLOSED = ['/_image', '/_server-islands/[name]'];

const builtRoutes = (): readonly string[] => {
  const folder = inProject('dist', 'server');
  const manifest = readdirSync(folder).find((name) => name.startsWith('manifest'));
  const text = readFileSync(`${folder}/${manifest}`, 'utf8');
  return [...new Set([...text.matchAll(/"route":"([^"]*)"/g)].map(([, route]) => route as string))].sort();
};

test('the server has these doors and no others', () => {
  const operations = Object.values(OPERATIONS).map(({ path }) => path.replace(/\{(\w+)\}/g, '[$1]'));
  const expected = new Set([
    ...PAGES,
    ...CLOSED,
    ...operations.map((path) => (path.startsWith('/api/v1/compute/') ? '/api/v1/compute/[name]' : path)),
  ]);
  expect(builtRoutes()).toEqual([...expected].sort());
});

test('what leads nowhere is a page of our own for people and a problem for programs, whatever bytes it is of', async ({
  request,
}) => {
  for (const path of [
    '/none',
    '/%zz',
    '/%ff',
    '/jobs/%C3%A9/bench',
    '/_image?href=/icon.svg',
    '/tools/%00',
    '/é',
    // No lists of folders, and no files of the source.
    '/_astro/',
    '/.git/config',
    '/package.json',
    '/../package.json',
    '/%2e%2e/package.json',
  ]) {
    const answer = await request.get(`${address()}${path}`, { maxRedirects: 0 });
    expect([path, answer.status()]).toEqual([path, 404]);
    expect(await answer.text()).toContain('· Jentik</title>');
  }
  for (const path of ['/api/v1/none', '/api/v1/jobs/%C3%A9/events', '/api/v1/tools/%zz/recall', '/api/%ff']) {
    const answer = await request.get(`${address()}${path}`);
    expect([path, answer.status()]).toEqual([path, 404]);
    expect(await answer.json()).toMatchObject({ problem: { code: 'not-found' } });
  }
  // Nor does a door that is asked as nobody asks it answer with a page of the framework's.
  for (const path of ['/api/v1/ledger/check', '/api/v1/sessions', '/api/v1/compute/verdict']) {
    const answer = await request.get(`${address()}${path}`);
    expect([path, answer.status()]).toEqual([path, 404]);
    expect(await answer.json()).toMatchObject({ problem: { code: 'not-found' } });
  }
});

test('a body of bytes that are no text, or of values that nothing here is, is told so', async ({
  request,
}) => {
  const send = async (data: Buffer) => {
    const headers = { 'content-type': 'application/json' };
    const answer = await request.post(`${address()}/api/v1/compute/parse-torque`, { headers, data });
    return [answer.status(), ((await answer.json()) as { detail: string }).detail];
  };
  expect(await send(Buffer.from([0x7b, 0x22, 0xff, 0x22, 0x7d]))).toEqual([400, 'body: is not UTF-8']);
  expect(await send(Buffer.from('{"text":{"length":{"toString":"x"}}}'))).toEqual([
    400,
    'text: has a key that nothing here has',
  ]);
  expect(await send(Buffer.from('{"text":"\\ud800 12 Nm"}'))).toEqual([
    400,
    'text: holds a control character, or half a character',
  ]);
  expect(await send(Buffer.from('{"text":"12\\u0000 Nm"}'))).toEqual([
    400,
    'text: holds a control character, or half a character',
  ]);
  expect(await send(Buffer.from('['.repeat(300) + ']'.repeat(300)))).toEqual([
    400,
    expect.stringContaining('nested too deep'),
  ]);
});

/** What a raw request is answered first: its status, or nothing where the connection is closed. */
const raw = (text: string): Promise<number | null> =>
  new Promise((resolve) => {
    const { hostname, port } = new URL(address());
    const socket = connect(Number(port), hostname, () => socket.write(text));
    const done = (status: number | null): void => {
      socket.destroy();
      resolve(status);
    };
    socket.once('data', (chunk) => done(Number(/^HTTP\/1\.1 (\d{3})/.exec(chunk.toString())?.[1] ?? 0)));
    socket.once('error', () => done(null));
    socket.once('close', () => done(null));
  });

test('a request whose length is in doubt is no request (RFC 9112, 6.3)', async () => {
  const { host } = new URL(address());
  const post = (headers: string) =>
    raw(
      `POST /api/v1/compute/convert HTTP/1.1\r\nHost: ${host}\r\nContent-Type: application/json\r\n${headers}\r\n\r\n0\r\n\r\n`,
    );
  for (const headers of [
    'Content-Length: 5\r\nTransfer-Encoding: chunked',
    'Content-Length: 5\r\nContent-Length: 6',
    'Transfer-Encoding: chunked, identity',
    'Content-Length: -1',
    'Content-Length: 5 5',
  ])
    expect([null, 400], headers).toContain(await post(headers));
});

test('TRACE is answered by nobody', async () => {
  const { host } = new URL(address());
  for (const path of ['/', '/api/v1/people'])
    expect(await raw(`TRACE ${path} HTTP/1.1\r\nHost: ${host}\r\n\r\n`)).toBe(404);
});
