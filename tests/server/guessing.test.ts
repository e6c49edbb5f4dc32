import { afterEach, describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { database } from '#server/database/pool.ts';
import { openAddress, unlock } from '#server/services/change-person.ts';
import { members } from '#server/services/members.ts';
import { signedIn } from '#server/services/session.ts';
import { KNOCK, PINS, person, plannedJob, signatureOf, signJob } from './sample-site.ts';

const WRONG = '000000';
let used = 0;
/** An address that nobody has asked from. */
const newAddress = (): string => {
  used += 1;
  return `10.1.0.${used}`;
};

const outcome = (result: Awaited<ReturnType<typeof signedIn>>) => (result.ok ? 'in' : result.refusal);
const tried = async (name: keyof typeof PINS, pin: string, at: { address: string; device?: string | null }) =>
  outcome(await signedIn((await person(name)).id, pin, { ...KNOCK, device: null, ...at }));

afterEach(async () => {
  await database().query('DELETE FROM stranger_tries');
  await database().query('UPDATE people SET stranger_tries = 0, stranger_tried_at = NULL');
});

describe('wrong PINs of strangers', () => {
  test('count down, then wait, also with the right one; and longer after that', async () => {
    const address = newAddress();
    for (const triesLeft of [4, 3, 2, 1])
      expect(await tried('Ines', WRONG, { address })).toEqual({ code: 'wrong-pin', triesLeft });
    expect(await tried('Ines', WRONG, { address })).toEqual({ code: 'pin-locked', untilSeconds: 60 });
    expect(await tried('Ines', PINS.Ines, { address })).toMatchObject({ code: 'pin-locked' });
    await database().query('UPDATE stranger_tries SET last_tried_at = UTC_TIMESTAMP(6) - INTERVAL 61 SECOND');
    expect(await tried('Ines', WRONG, { address })).toEqual({ code: 'pin-locked', untilSeconds: 120 });
    await database().query(
      'UPDATE stranger_tries SET last_tried_at = UTC_TIMESTAMP(6) - INTERVAL 121 SECOND',
    );
    expect(await tried('Ines', PINS.Ines, { address })).toBe('in');
    expect(await tried('Ines', WRONG, { address })).toEqual({ code: 'wrong-pin', triesLeft: 4 });
  });

  test('keep nobody out at another address, and nobody on a device they have signed in on, also at that address', async () => {
    const [theirs, ours] = [newAddress(), newAddress()];
    const { device } = valueOrThrow(await signedIn((await person('Tam')).id, PINS.Tam, KNOCK));
    for (let round = 0; round < 30; round += 1)
      for (const name of ['Tam', 'Ines', 'Lea'] as const) await tried(name, WRONG, { address: theirs });
    expect(await tried('Tam', PINS.Tam, { address: theirs })).toMatchObject({ code: 'pin-locked' });
    expect(await tried('Tam', PINS.Tam, { address: theirs, device })).toBe('in');
    for (const name of ['Tam', 'Ines', 'Lea'] as const)
      expect(await tried(name, PINS[name], { address: ours })).toBe('in');
  });

  test('at one address over all people wait from the fifteenth; whoever knows one PIN wins no tries at another', async () => {
    const address = newAddress();
    for (const name of ['Tam', 'Ines', 'Lea'] as const)
      for (let count = 0; count < 4; count += 1) await tried(name, WRONG, { address });
    expect(await tried('Tam', PINS.Tam, { address })).toBe('in');
    // Tam's own four are forgotten, the eight of the others are not.
    for (let count = 0; count < 4; count += 1) await tried('Tam', WRONG, { address });
    expect(await tried('Ines', WRONG, { address })).toMatchObject({ code: 'pin-locked' });
    for (const name of ['Lea', 'Tam'] as const) await tried(name, WRONG, { address });
    await database().query(
      "UPDATE stranger_tries SET last_tried_at = UTC_TIMESTAMP(6) - INTERVAL 1 DAY WHERE person_id <> ''",
    );
    expect(await tried('Tam', PINS.Tam, { address })).toMatchObject({ code: 'pin-locked' });
  });

  test('from ever new addresses: fifty for one person, and a lead opens again at once', async () => {
    const [lea, ines] = [await person('Lea'), await person('Ines')];
    for (let count = 0; count < 50; count += 1) await tried('Ines', WRONG, { address: newAddress() });
    expect(await tried('Ines', PINS.Ines, { address: newAddress() })).toMatchObject({
      code: 'pin-locked',
    });
    const of = async () =>
      (await members()).members.find(({ person: { id } }) => id === ines.id)?.strangersWaitSeconds;
    expect(await of()).toBeGreaterThan(0);
    expect((await unlock(ines.id, lea)).ok).toBe(true);
    expect(await of()).toBe(0);
    expect(await tried('Ines', PINS.Ines, { address: newAddress() })).toBe('in');
  });

  test('a lead sees from where they came, and opens that address', async () => {
    const address = newAddress();
    for (const name of ['Tam', 'Ines', 'Lea'] as const)
      for (let count = 0; count < 5; count += 1) await tried(name, WRONG, { address });
    const seen = (await members()).addresses.find((each) => each.address === address);
    expect(seen).toMatchObject({ wrong: 15 });
    expect(seen?.waitSeconds).toBeGreaterThan(0);
    await openAddress(address, await person('Lea'));
    expect(await tried('Tam', PINS.Tam, { address })).toBe('in');
  });

  test('at once all count', async () => {
    const address = newAddress();
    await Promise.all(Array.from({ length: 6 }, () => tried('Lea', WRONG, { address })));
    expect(await tried('Lea', PINS.Lea, { address })).toMatchObject({ code: 'pin-locked' });
  });

  test('are told to the person when they sign in next, and stand in the log with their address', async () => {
    const address = newAddress();
    const told = async () =>
      valueOrThrow(await signedIn((await person('Tam')).id, PINS.Tam, { ...KNOCK, address })).wrongSince;
    await told();
    for (let count = 0; count < 3; count += 1) await tried('Tam', WRONG, { address: newAddress() });
    expect(await told()).toBe(3);
    // One's own slips are no news, and nothing is told twice.
    for (let count = 0; count < 3; count += 1) await tried('Tam', WRONG, { address });
    expect(await told()).toBe(0);
    expect(await told()).toBe(0);
  });
});

describe('wrong PINs on a device that a person knows', () => {
  test('slow that device alone, and after ten it is a stranger’s', async () => {
    const { device } = valueOrThrow(await signedIn((await person('Tam')).id, PINS.Tam, KNOCK));
    const address = newAddress();
    for (let count = 0; count < 5; count += 1) await tried('Tam', WRONG, { address, device });
    expect(await tried('Tam', PINS.Tam, { address, device })).toMatchObject({ code: 'pin-locked' });
    expect(await tried('Tam', PINS.Tam, { address })).toBe('in');
    for (let count = 5; count < 10; count += 1) {
      await database().query('UPDATE known_devices SET last_tried_at = UTC_TIMESTAMP(6) - INTERVAL 1 DAY');
      await tried('Tam', WRONG, { address, device });
    }
    const [rows] = await database().query('SELECT 1 FROM known_devices WHERE wrong_tries > 0');
    expect(rows).toEqual([]);
    // Now its tries are counted where a stranger's are.
    expect(await tried('Tam', WRONG, { address, device })).toEqual({ code: 'wrong-pin', triesLeft: 4 });
  });
});

test('signing with a PIN is limited the same way', async () => {
  const tam = await person('Tam');
  const { job } = await plannedJob();
  const signature = { ...(await signatureOf(job, tam, 'done', { madeNoPull: true })), pin: WRONG };
  const codes = [];
  for (let count = 0; count < 6; count += 1) {
    const result = await signJob(job, signature);
    codes.push(result.ok ? 'signed' : result.refusal.code);
  }
  expect(codes).toEqual([...Array.from({ length: 4 }, () => 'wrong-pin'), 'pin-locked', 'pin-locked']);
  expect(await tried('Tam', PINS.Tam, { address: KNOCK.address })).toMatchObject({ code: 'pin-locked' });
});
