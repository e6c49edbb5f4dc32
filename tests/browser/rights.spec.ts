import { type Action, may } from '../../src/core/people/may.ts';
import { OPERATIONS } from '../../src/wire/api.ts';
import { mayProgram, type Operation } from '../../src/wire/operation.ts';
import { address, expect, pinOf, test } from './site.ts';

const operations = Object.entries<Operation>(OPERATIONS);
const ROLES = ['technician', 'inspector', 'lead'] as const;
const SCOPES = ['export', 'import'] as const;
type Asking = 'nobody' | (typeof ROLES)[number] | `token: ${(typeof SCOPES)[number]}`;
const ASKING: readonly Asking[] = ['nobody', ...ROLES, 'token: export', 'token: import'];
// People of this test's own: what is asked here ends sessions and revokes what they have.
const PIN = '482615';

const pathOf = (path: string): string => path.replace(/\{\w+\}/g, '0190a000-0000-7000-8000-00000000dead');

const sent = (path: string, body: object, cookie = '') =>
  fetch(`${address()}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', cookie },
    body: JSON.stringify(body),
  });

const cookieAs = async (name: string, pin: string): Promise<string> => {
  const people: { id: string; name: string }[] = await (await fetch(`${address()}/api/v1/people`)).json();
  const personId = people.find((each) => each.name === name)?.id;
  const entered = await sent('/api/v1/sessions', { personId, pin });
  expect(entered.status).toBe(200);
  const { asksNewPin: _, wrongSince: _w, ...person } = (await entered.json()) as Record<string, unknown>;
  expect(person).toMatchObject({ name });
  return entered.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ');
};

/** What somebody sends to be known by. */
const headersOf = async (asking: Asking): Promise<Record<string, string>> => {
  if (asking === 'nobody') return {};
  const lead = await cookieAs('Ayu', pinOf('Ayu'));
  const name = `R ${asking} ${Date.now()}`;
  const [, scope] = asking.split(': ');
  if (scope !== undefined) {
    const made = await sent('/api/v1/tokens', { name, scope, days: 1 }, lead);
    expect(made.status).toBe(200);
    const { secret } = (await made.json()) as { secret: string };
    return { authorization: `Bearer ${secret}` };
  }
  const added = await sent('/api/v1/people', { name, role: asking, pin: PIN }, lead);
  expect(added.status).toBe(200);
  return { cookie: await cookieAs(name, PIN) };
};

const isAllowed = (operation: Operation, asking: Asking): boolean => {
  if (operation.who === 'anyone') return true;
  if (asking === 'nobody') return false;
  const scope = SCOPES.find((each) => asking === `token: ${each}`);
  if (scope) return mayProgram(operation, scope);
  return may({ role: asking as (typeof ROLES)[number] }, operation.who as Action);
};

test.describe('every operation by who asks, as docs/rights.md has it', () => {
  for (const asking of ASKING)
    test(`${asking}: each cell of the table`, async () => {
      const known = await headersOf(asking);
      const wrong: string[] = [];
      // Signing out comes last, or nobody would be signed in for the rest.
      for (const [name, operation] of operations.filter(([each]) => each !== 'signOut')) {
        const { method, path } = operation;
        const isRead = method === 'GET';
        // The body is never right: whoever may is told so, whoever may not is told that first.
        const answer = await fetch(`${address()}${pathOf(path)}`, {
          method,
          redirect: 'manual',
          headers: { ...known, ...(isRead ? {} : { 'content-type': 'application/json' }) },
          ...(isRead ? {} : { body: JSON.stringify({ nothing: 'of use' }) }),
        });
        // A stream goes on for ever; what it says first is enough.
        await answer.body?.cancel();
        const { status } = answer;
        const expected = asking === 'nobody' ? 401 : 403;
        if (isAllowed(operation, asking) ? status === 401 || status === 403 : status !== expected)
          wrong.push(`${name}: ${status}`);
      }
      expect(wrong).toEqual([]);
    });

  test('a token that is none opens nothing, not even what is open to everybody', async () => {
    for (const secret of ['jentik_none', 'x', '']) {
      const headers = { authorization: `Bearer ${secret}` };
      expect((await fetch(`${address()}/api/v1/people`, { headers })).status).toBe(401);
    }
  });

  test('a token is no session: no page is shown for one', async () => {
    const headers = await headersOf('token: export');
    const answer = await fetch(`${address()}/jobs`, { headers, redirect: 'manual' });
    expect(answer.status).toBe(302);
    expect((await fetch(`${address()}/api/v1/jobs`, { headers })).status).toBe(200);
  });
});
