import { hash, verify } from '@node-rs/argon2';
import {
  leftOver,
  NEVER_TRIED,
  STRANGE_AFTER,
  type Tries,
  triedWrong,
  type Wait,
  waitOfStranger,
  waitOnDevice,
} from '#core/people/guessing.ts';
import type { Person } from '#core/people/person.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Connection } from '../database/pool.ts';
import type { Knock } from '../knock.ts';
import { type Credentials, selectCredentials, updateStrangers } from '../queries/people.ts';
import {
  deleteKnownDevice,
  keepStrangerTries,
  selectKnownDevice,
  selectStrangerTries,
  updateKnownDevice,
} from '../queries/pin-tries.ts';
import { insertLogEntry } from '../queries/site-log.ts';
import { secretHash } from '../secret.ts';
import { now } from './clock.ts';

/** The argon2id hash of a PIN. */
export const pinHash = (pin: string): Promise<string> => hash(pin);

/** Where tries are counted: how long the next one waits now, and what is kept of one that was right or wrong. */
type Gate = {
  readonly wait: (nowMs: number) => Wait;
  readonly wrong: (nowMs: number) => Promise<Wait>;
  readonly right: () => Promise<void>;
};

const deviceGate = (db: Connection, deviceHash: string, personId: string, tries: Tries): Gate => ({
  wait: (nowMs) => waitOnDevice(tries, nowMs),
  wrong: async (nowMs) => {
    const after = triedWrong(tries, nowMs);
    if (after.wrong >= STRANGE_AFTER) await deleteKnownDevice(db, deviceHash, personId);
    else await updateKnownDevice(db, deviceHash, personId, after);
    return waitOnDevice(after, nowMs);
  },
  right: async () => {
    if (tries.wrong > 0) await updateKnownDevice(db, deviceHash, personId, NEVER_TRIED);
  },
});

const strangerGate = async (
  db: Connection,
  address: string,
  { person: { id }, strangers }: Credentials,
): Promise<Gate> => {
  const at = await selectStrangerTries(db, address, id);
  return {
    wait: (nowMs) => waitOfStranger({ ...at, person: strangers }, nowMs),
    wrong: async (nowMs) => {
      const after = { here: triedWrong(at.here, nowMs), address: triedWrong(at.address, nowMs) };
      const person = { wrong: leftOver(strangers, nowMs) + 1, lastAtMs: nowMs };
      await keepStrangerTries(db, address, id, after);
      await updateStrangers(db, id, person);
      return waitOfStranger({ ...after, person }, nowMs);
    },
    // Only their own wrong tries are forgotten: whoever knows one PIN does not win new tries at another.
    right: async () => {
      if (at.here.wrong === 0) return;
      const wrong = Math.max(0, at.address.wrong - at.here.wrong);
      await keepStrangerTries(db, address, id, {
        here: NEVER_TRIED,
        address: { wrong, lastAtMs: at.address.lastAtMs },
      });
    },
  };
};

/** The person whose PIN this is. Wrong tries are counted where they are made (core/people/guessing): what one device or address tries keeps nobody out elsewhere.
 *  Run it in a transaction that commits also when it refuses, or wrong tries are not counted.
 *  Refuses: not-found, pin-not-chosen, pin-locked, wrong-pin. */
export const checkPin = async (
  db: Connection,
  personId: string,
  pin: string,
  { address, device }: Pick<Knock, 'address' | 'device'>,
): Promise<Result<Credentials, Problem>> => {
  const credentials = await selectCredentials(db, personId);
  if (!credentials) return refused({ code: 'not-found', what: 'person' });
  if (credentials.pinHash === '') return refused({ code: 'pin-not-chosen' });
  const { person } = credentials;
  const deviceHash = device === null ? null : secretHash(device);
  const known = deviceHash === null ? null : await selectKnownDevice(db, deviceHash, personId);
  const gate =
    deviceHash !== null && known
      ? deviceGate(db, deviceHash, personId, known)
      : await strangerGate(db, address, credentials);
  const time = now();
  const nowMs = Date.parse(time);
  const { seconds } = gate.wait(nowMs);
  // A try that must wait is not read: it counts nothing, and whoever tries a million times fills no log.
  if (seconds > 0) return refused({ code: 'pin-locked', untilSeconds: seconds });
  if (await verify(credentials.pinHash, pin)) {
    await gate.right();
    return accepted(credentials);
  }
  const after = await gate.wrong(nowMs);
  await noteRefused(db, time, person, address, known !== null);
  return after.seconds > 0
    ? refused({ code: 'pin-locked', untilSeconds: after.seconds })
    : refused({ code: 'wrong-pin', triesLeft: after.triesLeft });
};

const noteRefused = (
  db: Connection,
  at: string,
  by: Person,
  address: string,
  isKnown: boolean,
): Promise<void> =>
  insertLogEntry(db, {
    at,
    by,
    kind: 'sign-in-refused',
    subject: by.id,
    why: '',
    body: { address, isKnown },
  });
