import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { database } from '#server/database/pool.ts';
import { addPerson } from '#server/services/add-person.ts';
import { addTool } from '#server/services/add-tool.ts';
import { changeSite } from '#server/services/change-site.ts';
import { everyone, siteChoices } from '#server/services/read-site.ts';
import { signedIn, signedInBy, signOut } from '#server/services/session.ts';
import { TOOL } from '../core/job/sample-job.ts';
import { PINS, person, tool } from './sample-site.ts';

const code = (result: { ok: boolean; refusal?: unknown }) =>
  (result as { refusal?: { code: string } }).refusal?.code;

describe('people', () => {
  test('the first is a lead whatever was asked, and nobody adds another without signing in', async () => {
    expect((await person('Lea')).role).toBe('lead');
    expect(code(await addPerson({ name: 'Nia', role: 'lead', pin: '9999' }, null))).toBe('site-has-people');
  });

  test('only a lead adds people, and names can be told apart', async () => {
    const [lea, tam] = [await person('Lea'), await person('Tam')];
    expect(code(await addPerson({ name: 'Nia', role: 'technician', pin: '9999' }, tam))).toBe('role-may-not');
    expect(code(await addPerson({ name: 'Tam', role: 'technician', pin: '9999' }, lea))).toBe('name-taken');
    expect((await everyone()).filter(({ name }) => name === 'Tam')).toHaveLength(1);
  });

  test('a PIN is kept as an argon2id hash', async () => {
    await person('Tam');
    const [rows] = await database().query('SELECT pin_hash FROM people');
    for (const { pin_hash } of rows as { pin_hash: string }[]) expect(pin_hash).toMatch(/^\$argon2id\$/);
  });
});

describe('sessions', () => {
  test('the right PIN opens one, which ends when it is closed', async () => {
    const tam = await person('Tam');
    const { token, person: who } = valueOrThrow(await signedIn(tam.id, PINS.Tam));
    expect(who).toEqual(tam);
    expect(await signedInBy(token)).toMatchObject({ person: tam });
    await signOut(token);
    expect(await signedInBy(token)).toBeNull();
  });

  test('the token itself is not in the database', async () => {
    const tam = await person('Tam');
    const { token } = valueOrThrow(await signedIn(tam.id, PINS.Tam));
    const [rows] = await database().query('SELECT token_hash FROM sessions');
    expect((rows as { token_hash: string }[]).map(({ token_hash }) => token_hash)).not.toContain(token);
  });

  test('a session that is over, or was never there, is nobody’s', async () => {
    const tam = await person('Tam');
    const { token } = valueOrThrow(await signedIn(tam.id, PINS.Tam));
    await database().query("UPDATE sessions SET expires_at = '2020-01-01'");
    expect(await signedInBy(token)).toBeNull();
    expect(await signedInBy('never there')).toBeNull();
  });

  test('wrong PINs count down, lock for a while even for the right one, and longer after that', async () => {
    const ines = await person('Ines');
    const tries = [];
    for (let count = 0; count < 5; count += 1) tries.push(await signedIn(ines.id, '0000'));
    expect(tries.map((result) => (result.ok ? null : result.refusal))).toEqual([
      { code: 'wrong-pin', triesLeft: 4 },
      { code: 'wrong-pin', triesLeft: 3 },
      { code: 'wrong-pin', triesLeft: 2 },
      { code: 'wrong-pin', triesLeft: 1 },
      { code: 'pin-locked', untilSeconds: 60 },
    ]);
    expect(code(await signedIn(ines.id, PINS.Ines))).toBe('pin-locked');
    await database().query('UPDATE people SET locked_until = UTC_TIMESTAMP(6) WHERE id = ?', [ines.id]);
    expect(await signedIn(ines.id, '0000')).toMatchObject({
      refusal: { code: 'pin-locked', untilSeconds: 120 },
    });
    await database().query('UPDATE people SET locked_until = UTC_TIMESTAMP(6) WHERE id = ?', [ines.id]);
    expect((await signedIn(ines.id, PINS.Ines)).ok).toBe(true);
    expect(await signedIn(ines.id, '0000')).toMatchObject({ refusal: { triesLeft: 4 } });
  });

  test('wrong tries at once all count', async () => {
    const lea = await person('Lea');
    await Promise.all(Array.from({ length: 6 }, () => signedIn(lea.id, '0000')));
    expect(code(await signedIn(lea.id, PINS.Lea))).toBe('pin-locked');
    await database().query('UPDATE people SET locked_until = NULL, wrong_tries = 0');
  });

  test('an unknown person is not found', async () => {
    expect(code(await signedIn('0190a000-0000-7000-8000-00000000dead', '1234'))).toBe('not-found');
  });
});

describe('tools and the site', () => {
  const { id: _, limitPercent: _l, calibration: _c, ...described } = TOOL;
  const newTool = { ...described, limitPercent: null };

  test('a tool comes back as it was added, its limit by its class', async () => {
    const added = await tool();
    expect(added).toEqual({ ...TOOL, id: added.id, limitPercent: 6 });
  });

  test.each([
    { name: 'a code that is taken', change: {}, expected: 'tool-code-taken' },
    {
      name: 'dates the wrong way round',
      change: { code: 'T-9', calibrationDueOn: '2026-01-09' },
      expected: 'calibration-dates-reversed',
    },
    {
      name: 'a scale that can’t be',
      change: { code: 'T-9', scale: { ...TOOL.scale, maximum: 1 } },
      expected: 'scale-limits-reversed',
    },
  ])('$name is refused', async ({ change, expected }) => {
    await tool();
    expect(code(await addTool({ ...newTool, ...change }, await person('Lea')))).toBe(expected);
  });

  test('only a lead adds a tool or changes the site', async () => {
    const tam = await person('Tam');
    expect(code(await addTool({ ...newTool, code: 'T-9' }, tam))).toBe('role-may-not');
    expect(code(await changeSite(await siteChoices(), '', tam))).toBe('role-may-not');
  });

  test('the site’s choices come back as they were changed', async () => {
    const site = await siteChoices();
    const changed = { ...site, schools: { ...site.schools, rangeTarget: 'low-end' as const } };
    valueOrThrow(await changeSite(changed, 'a try', await person('Lea')));
    expect(await siteChoices()).toEqual(changed);
    valueOrThrow(await changeSite(site, 'back again', await person('Lea')));
  });
});
