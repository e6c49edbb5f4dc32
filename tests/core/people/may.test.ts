import { describe, expect, test } from 'vitest';
import { type Action, may, ROLES_FOR, whoMay } from '#core/people/may.ts';
import { ROLES, type Role } from '#core/people/person.ts';

// Written down apart from the code: what product.md and the trade expect of each role.
const ANYBODY: readonly Action[] = [
  'see',
  'plan-job',
  'work-on-job',
  'sign-done',
  'check-fastener',
  'write-book',
  'attach-file',
  'report-tool',
  'check-tool',
  'own-account',
];
const NOT_TECHNICIANS: readonly Action[] = [
  'sign-inspected',
  'reopen-job',
  'calibrate-tool',
  'release-quarantine',
];

const expected = (action: Action, role: Role): boolean =>
  ANYBODY.includes(action) || role === 'lead' || (role === 'inspector' && NOT_TECHNICIANS.includes(action));

describe('who may do what, decided in one place', () => {
  const cells = (Object.keys(ROLES_FOR) as Action[]).flatMap((action) =>
    ROLES.map((role) => ({ action, role, is: expected(action, role) })),
  );
  test.each(cells)('$role, $action: $is', ({ action, role, is }) => {
    expect(may({ role }, action)).toBe(is);
  });

  test('a refusal names the least role that may', () => {
    expect(whoMay({ role: 'technician' }, 'reopen-job')).toMatchObject({ refusal: { needed: 'inspector' } });
    expect(whoMay({ role: 'inspector' }, 'add-tool')).toMatchObject({ refusal: { needed: 'lead' } });
  });
});
