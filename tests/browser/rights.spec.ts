import { request } from '@playwright/test';
import { demoPeople } from '../../scripts/site/fill-demo.ts';
import { type Action, may } from '../../src/core/people/may.ts';
import { OPERATIONS } from '../../src/wire/api.ts';
import type { Operation } from '../../src/wire/operation.ts';
import { expect, test } from './site.ts';

const operations = Object.entries<Operation>(OPERATIONS);
const ROLES = ['technician', 'inspector', 'lead'] as const;

const pathOf = (path: string): string => path.replace(/\{\w+\}/g, '0190a000-0000-7000-8000-00000000dead');

test.describe('every operation by role, as docs/rights.md has it', () => {
  for (const role of ['anyone', ...ROLES] as const)
    test(`${role}: each cell of the table`, async ({ baseURL }) => {
      const context = await request.newContext({ ...(baseURL ? { baseURL } : {}) });
      if (role !== 'anyone') {
        const person = demoPeople().find((each) => each.role === role);
        const people: { id: string; name: string }[] = await (await context.get('/api/v1/people')).json();
        const personId = people.find(({ name }) => name === person?.name)?.id;
        const entered = await context.post('/api/v1/sessions', { data: { personId, pin: person?.pin } });
        expect(entered.ok()).toBe(true);
      }
      const wrong: string[] = [];
      // Signing out comes last, or nobody would be signed in for the rest.
      for (const [name, { method, path, who }] of operations.filter(([each]) => each !== 'signOut')) {
        // The body is never right: whoever may is told so, whoever may not is told that first.
        const answer = await context.fetch(pathOf(path), {
          method,
          ...(method === 'GET' || name === 'testerReadings' ? {} : { data: { nothing: 'of use' } }),
          timeout: 20_000,
        });
        const mayDo = who === 'anyone' || (role !== 'anyone' && may({ role }, who as Action));
        const said = answer.status();
        const expected = role === 'anyone' ? 401 : 403;
        if (mayDo ? said === 401 || said === 403 : said !== expected) wrong.push(`${name}: ${said}`);
      }
      expect(wrong).toEqual([]);
      await context.dispose();
    });
});
