import { v7 as uuidv7 } from 'uuid';
import { beforeAll, describe, expect, test, vi } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import type { Person, Role } from '#core/people/person.ts';
import { database } from '#server/database/pool.ts';
import { misstated } from '#server/sealing/stated.ts';
import { addPerson } from '#server/services/add-person.ts';
import { changePin, changeRole, comeBack, endSessionsOf, leave } from '#server/services/change-person.ts';
import { changeSite } from '#server/services/change-site.ts';
import { invite, invited, join } from '#server/services/invite.ts';
import { members } from '#server/services/members.ts';
import { planJob } from '#server/services/plan-job.ts';
import { everyone, siteChoices } from '#server/services/read-site.ts';
import { signedIn, signedInBy } from '#server/services/session.ts';
import { allTokens, makeToken, newCalendarSecret, programBy, revokeToken } from '#server/services/tokens.ts';
import { KNOCK, newJob, person } from './sample-site.ts';

const code = (result: { ok: boolean; refusal?: unknown }) =>
  (result as { refusal?: { code: string } }).refusal?.code;
const PIN = '640283';

const added = async (role: Role = 'technician'): Promise<Person> =>
  valueOrThrow(await addPerson({ name: `P ${uuidv7().slice(-8)}`, role, pin: PIN }, await person('Lea')));
const entered = async ({ id }: Person, pin = PIN) => signedIn(id, pin, KNOCK);
const standing = async ({ id }: Person) => (await members()).members.find((each) => each.person.id === id);

let lea: Person;
beforeAll(async () => {
  lea = await person('Lea');
});

describe('a PIN', () => {
  test('is at least six digits and none that is tried first', async () => {
    const asked = { name: 'Short', role: 'technician' as const };
    expect(code(await addPerson({ ...asked, pin: '64028' }, lea))).toBe('pin-too-short');
    expect(code(await addPerson({ ...asked, pin: '123456' }, lea))).toBe('pin-weak');
    expect((await everyone()).some(({ name }) => name === 'Short')).toBe(false);
  });

  test('is longer by choice of the site; a person with a shorter one is let in and asked for another', async () => {
    const member = await added();
    const site = await siteChoices();
    valueOrThrow(await changeSite({ ...site, pinDigits: 8 }, '', lea));
    const { asksNewPin, token, device } = valueOrThrow(await entered(member));
    expect(asksNewPin).toBe(true);
    expect((await standing(member))?.isPinShort).toBe(true);
    const change = (newPin: string) =>
      changePin(member, { pin: PIN, newPin }, { knock: { ...KNOCK, device }, token });
    expect(code(await change('7301944'))).toBe('pin-too-short');
    expect((await change('73019448')).ok).toBe(true);
    expect((await standing(member))?.isPinShort).toBe(false);
    valueOrThrow(await changeSite(site, '', lea));
  });

  test('is changed by whoever proves the one they have: other sessions end, this one goes on', async () => {
    const member = await added();
    const [here, other] = [valueOrThrow(await entered(member)), valueOrThrow(await entered(member))];
    const at = { knock: { ...KNOCK, device: here.device }, token: here.token };
    expect(code(await changePin(member, { pin: '730195', newPin: '915362' }, at))).toBe('wrong-pin');
    expect(code(await changePin(member, { pin: PIN, newPin: PIN }, at))).toBe('pin-same');
    expect((await changePin(member, { pin: PIN, newPin: '915362' }, at)).ok).toBe(true);
    expect(await signedInBy(here.token)).not.toBeNull();
    expect(await signedInBy(other.token)).toBeNull();
    expect((await entered(member, '915362')).ok).toBe(true);
  });
});

describe('an invitation', () => {
  test('lets a person choose a PIN, once; the PIN before and its sessions are over', async () => {
    const member = await added();
    const before = valueOrThrow(await entered(member));
    const { code: first } = valueOrThrow(await invite(member.id, lea));
    expect(await signedInBy(before.token)).toBeNull();
    expect(code(await entered(member))).toBe('pin-not-chosen');
    const { code: second } = valueOrThrow(await invite(member.id, lea));
    expect(code(await invited(first))).toBe('invitation-unknown');
    expect(await invited(second.toLowerCase())).toMatchObject({
      value: { name: member.name, pinDigits: 6 },
    });
    expect(code(await join(second, '111111', KNOCK))).toBe('pin-weak');
    const { token } = valueOrThrow(await join(` ${second} `, '915362', KNOCK));
    expect(await signedInBy(token)).toMatchObject({ person: { id: member.id } });
    expect(code(await join(second, '730194', KNOCK))).toBe('invitation-unknown');
    expect((await entered(member, '915362')).ok).toBe(true);
  });

  test('is over after half an hour, and opens whatever strangers tried', async () => {
    const member = valueOrThrow(
      await addPerson({ name: `P ${uuidv7().slice(-8)}`, role: 'technician', pin: null }, lea),
    );
    expect((await standing(member))?.hasPin).toBe(false);
    const { code: given } = valueOrThrow(await invite(member.id, lea));
    vi.useFakeTimers({ now: Date.now() + 31 * 60_000, toFake: ['Date'] });
    expect(code(await join(given, PIN, KNOCK))).toBe('invitation-unknown');
    vi.useRealTimers();
    expect((await join(given, PIN, KNOCK)).ok).toBe(true);
  });

  test('is kept as a hash', async () => {
    const member = await added();
    const { code: given } = valueOrThrow(await invite(member.id, lea));
    const [rows] = await database().query('SELECT code_hash FROM invitations');
    for (const { code_hash } of rows as { code_hash: string }[]) {
      expect(code_hash).toMatch(/^[0-9a-f]{64}$/);
      expect(code_hash).not.toContain(given.slice(0, 5).toLowerCase());
    }
  });
});

describe('people come and go', () => {
  test('another role holds at once, also in a session that is open', async () => {
    const member = await added();
    const { token } = valueOrThrow(await entered(member));
    expect((await changeRole(member.id, 'inspector', 'trained', lea)).ok).toBe(true);
    expect((await signedInBy(token))?.person.role).toBe('inspector');
  });

  test('who leaves signs in no more, stays in the records, and can come back with a new PIN', async () => {
    const member = await added();
    const { token } = valueOrThrow(await entered(member));
    await newCalendarSecret(member);
    expect((await leave(member.id, 'to another shop', lea)).ok).toBe(true);
    expect(await signedInBy(token)).toBeNull();
    expect(code(await entered(member))).toBe('not-found');
    expect((await everyone()).some(({ id }) => id === member.id)).toBe(false);
    expect((await standing(member))?.leftAt).not.toBeNull();
    expect(code(await invite(member.id, lea))).toBe('not-found');
    expect(code(await addPerson({ name: member.name, role: 'technician', pin: PIN }, lea))).toBe(
      'name-taken',
    );
    valueOrThrow(await comeBack(member.id, lea));
    expect(code(await entered(member))).toBe('pin-not-chosen');
    const { code: given } = valueOrThrow(await invite(member.id, lea));
    expect((await join(given, PIN, KNOCK)).ok).toBe(true);
  });

  test('the last lead neither leaves nor steps down; of two who do so at once one stays', async () => {
    expect(code(await leave(lea.id, 'tired', lea))).toBe('last-lead');
    expect(code(await changeRole(lea.id, 'inspector', 'tired', lea))).toBe('last-lead');
    const other = await added('lead');
    const both = await Promise.all([
      changeRole(lea.id, 'inspector', 'tired', lea),
      changeRole(other.id, 'inspector', 'tired', other),
    ]);
    expect(both.filter(({ ok }) => ok)).toHaveLength(1);
    if (both[0].ok) await changeRole(lea.id, 'lead', 'back', other);
    else await changeRole(other.id, 'technician', 'a try', lea);
  });

  test('a lead ends every session of somebody', async () => {
    const member = await added();
    const { token } = valueOrThrow(await entered(member));
    expect((await standing(member))?.sessions).toBe(1);
    expect((await endSessionsOf(member.id, lea)).ok).toBe(true);
    expect(await signedInBy(token)).toBeNull();
    expect(code(await endSessionsOf(uuidv7(), lea))).toBe('not-found');
  });

  test('all of it is in the log, which says how each was left', async () => {
    expect((await misstated(database())).filter(({ what }) => what === 'person')).toEqual([]);
  });
});

describe('a token of a program', () => {
  test('is shown once, kept as a hash, and names the program in the records', async () => {
    const { token, secret } = valueOrThrow(
      await makeToken({ name: 'Stock system', scope: 'import', days: 30 }, lea),
    );
    const [rows] = await database().query('SELECT * FROM tokens');
    expect(JSON.stringify(rows)).not.toContain(secret);
    const program = await programBy(secret);
    expect(program).toMatchObject({ scope: 'import', person: { name: 'Stock system', role: 'technician' } });
    const planned = await planJob(newJob(), program?.person as Person);
    expect(planned).toMatchObject({ value: { person: { name: 'Stock system' } } });
    expect((await everyone()).some(({ name }) => name === 'Stock system')).toBe(false);
    expect((await allTokens())[0]).toMatchObject({ name: 'Stock system', madeBy: 'Lea' });
    expect((await revokeToken(token.id, lea)).ok).toBe(true);
    expect(await programBy(secret)).toBeNull();
    expect(await allTokens()).toEqual([]);
    expect(code(await revokeToken(uuidv7(), lea))).toBe('not-found');
  });

  test('is over when it is over, and nobody signs in as a program', async () => {
    const { secret } = valueOrThrow(await makeToken({ name: 'Night export', scope: 'export', days: 1 }, lea));
    const program = await programBy(secret);
    expect(code(await signedIn(program?.person.id ?? '', '000000', KNOCK))).toBe('not-found');
    vi.useFakeTimers({ now: Date.now() + 25 * 3_600_000, toFake: ['Date'] });
    expect(await programBy(secret)).toBeNull();
    vi.useRealTimers();
    expect(await programBy(await newCalendarSecret(lea))).toBeNull();
  });
});
