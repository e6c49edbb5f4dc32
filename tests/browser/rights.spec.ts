import { demoPeople } from '../../scripts/site/fill-demo.ts';
import { type Action, may } from '../../src/core/people/may.ts';
import { OPERATIONS } from '../../src/wire/api.ts';
import type { Operation } from '../../src/wire/operation.ts';
import { address, expect, test } from './site.ts';

const operations = Object.entries<Operation>(OPERATIONS);
const ROLES = ['technician', 'inspector', 'lead'] as const;

const pathOf = (path: string): string => path.replace(/\{\w+\}/g, '0190a000-0000-7000-8000-00000000dead');

const json = (body: object) => ({
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
});

/** The cookie of somebody of a role; nothing for anyone. */
const cookieOf = async (role: (typeof ROLES)[number] | 'anyone'): Promise<string> => {
  if (role === 'anyone') return '';
  const person = demoPeople().find((each) => each.role === role);
  const people: { id: string; name: string }[] = await (await fetch(`${address()}/api/v1/people`)).json();
  const personId = people.find(({ name }) => name === person?.name)?.id;
  const entered = await fetch(`${address()}/api/v1/sessions`, json({ personId, pin: person?.pin }));
  expect(entered.status).toBe(200);
  return entered.headers.getSetCookie()[0]?.split(';')[0] ?? '';
};

test.describe('every operation by role, as docs/rights.md has it', () => {
  for (const role of ['anyone', ...ROLES] as const)
    test(`${role}: each cell of the table`, async () => {
      const cookie = await cookieOf(role);
      const wrong: string[] = [];
      // Signing out comes last, or nobody would be signed in for the rest.
      for (const [name, { method, path, who }] of operations.filter(([each]) => each !== 'signOut')) {
        // The body is never right: whoever may is told so, whoever may not is told that first.
        const answer = await fetch(`${address()}${pathOf(path)}`, {
          ...(method === 'GET' ? {} : json({ nothing: 'of use' })),
          method,
          redirect: 'manual',
          headers: { cookie, ...(method === 'GET' ? {} : { 'content-type': 'application/json' }) },
        });
        // A stream goes on for ever; what it says first is enough.
        await answer.body?.cancel();
        const mayDo = who === 'anyone' || (role !== 'anyone' && may({ role }, who as Action));
        const { status } = answer;
        const expected = role === 'anyone' ? 401 : 403;
        if (mayDo ? status === 401 || status === 403 : status !== expected) wrong.push(`${name}: ${status}`);
      }
      expect(wrong).toEqual([]);
    });
});
