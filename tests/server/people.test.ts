import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { database } from '#server/database/pool.ts';
import { addPerson } from '#server/services/add-person.ts';
import { addTool } from '#server/services/add-tool.ts';
import { changeSite } from '#server/services/change-site.ts';
import { everyone, siteChoices } from '#server/services/read-site.ts';
import {
  type Entered,
  endOtherSessions,
  endSession,
  ownSessions,
  signedIn,
  signedInBy,
  signOut,
} from '#server/services/session.ts';
import { TOOL } from '../core/job/sample-job.ts';
import { KNOCK, PINS, person, tool } from './sample-site.ts';

const code = (result: { ok: boolean; refusal?: unknown }) =>
  (result as { refusal?: { code: string } }).refusal?.code;

/** Lets somebody in on a device, a new one unless its secret is given. */
const enteredAs = async (name: keyof typeof PINS, device: string | null = null): Promise<Entered> =>
  valueOrThrow(await signedIn((await person(name)).id, PINS[name], { ...KNOCK, device }));

describe('people', () => {
  test('the first is a lead whatever was asked, and nobody adds another without signing in', async () => {
    expect((await person('Lea')).role).toBe('lead');
    expect(code(await addPerson({ name: 'Nia', role: 'lead', pin: '640283' }, null))).toBe('site-has-people');
  });

  test('only a lead adds people, and names can be told apart', async () => {
    const [lea, tam] = [await person('Lea'), await person('Tam')];
    expect(code(await addPerson({ name: 'Nia', role: 'technician', pin: '640283' }, tam))).toBe(
      'role-may-not',
    );
    expect(code(await addPerson({ name: 'Tam', role: 'technician', pin: '640283' }, lea))).toBe('name-taken');
    expect((await everyone()).filter(({ name }) => name === 'Tam')).toHaveLength(1);
  });

  test('a PIN is kept as an argon2id hash', async () => {
    await person('Tam');
    const [rows] = await database().query("SELECT pin_hash FROM people WHERE pin_hash <> ''");
    for (const { pin_hash } of rows as { pin_hash: string }[]) expect(pin_hash).toMatch(/^\$argon2id\$/);
  });
});

describe('sessions', () => {
  test('the right PIN opens one, which ends when it is closed', async () => {
    const tam = await person('Tam');
    const { token, person: who } = await enteredAs('Tam');
    expect(who).toEqual(tam);
    expect(await signedInBy(token)).toMatchObject({ person: tam });
    await signOut(token);
    expect(await signedInBy(token)).toBeNull();
  });

  test('no secret itself is in the database', async () => {
    const { token, device } = await enteredAs('Tam');
    const [rows] = await database().query('SELECT token_hash, device_hash FROM sessions');
    const kept = (rows as Record<string, string>[]).flatMap((row) => Object.values(row));
    expect(kept).not.toContain(token);
    expect(kept).not.toContain(device);
  });

  test('a session that is over, or was never there, is nobody’s', async () => {
    const { token } = await enteredAs('Tam');
    await database().query("UPDATE sessions SET expires_at = '2020-01-01'");
    expect(await signedInBy(token)).toBeNull();
    expect(await signedInBy('never there')).toBeNull();
  });

  test('one in which nobody does anything ends after the site’s idle minutes; what a page asks by itself is nobody’s doing', async () => {
    const { token } = await enteredAs('Tam');
    const ago = (minutes: number) =>
      database().query('UPDATE sessions SET seen_at = UTC_TIMESTAMP(6) - INTERVAL ? MINUTE', [minutes]);
    await ago(119);
    expect(await signedInBy(token)).not.toBeNull();
    await ago(121);
    expect(await signedInBy(token, true)).toBeNull();
    await ago(119);
    await signedInBy(token, true);
    const [rows] = await database().query('SELECT seen_at FROM sessions');
    expect(Date.now() - Date.parse(`${(rows as { seen_at: string }[])[0]?.seen_at}Z`)).toBeLessThan(60_000);
  });

  test('a new one on a device ends the one before there, whoever’s it was, and none elsewhere', async () => {
    const first = await enteredAs('Tam');
    const elsewhere = await enteredAs('Tam');
    const second = await enteredAs('Ines', first.device);
    expect(second.device).toBe(first.device);
    expect(await signedInBy(first.token)).toBeNull();
    expect(await signedInBy(elsewhere.token)).not.toBeNull();
  });

  test('a person sees where they are signed in, ends one, and ends all the others', async () => {
    const tam = await person('Tam');
    const here = await enteredAs('Tam');
    await enteredAs('Tam');
    const third = await enteredAs('Tam');
    const shown = await ownSessions(tam, here.token);
    expect(shown.filter(({ isThis }) => isThis)).toHaveLength(1);
    const [other] = (await ownSessions(tam, third.token)).filter(({ isThis }) => isThis);
    expect(code(await endSession(await person('Ines'), other?.id ?? ''))).toBe('not-found');
    expect((await endSession(tam, other?.id ?? '')).ok).toBe(true);
    expect(await signedInBy(third.token)).toBeNull();
    await endOtherSessions(tam, here.token);
    expect(await ownSessions(tam, here.token)).toMatchObject([{ isThis: true, agent: 'tests' }]);
  });

  test('an unknown person is not found', async () => {
    expect(code(await signedIn('0190a000-0000-7000-8000-00000000dead', '123456', KNOCK))).toBe('not-found');
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
