import { hash, verify } from '@node-rs/argon2';
import type { Person } from '#core/people/person.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Connection } from '../database/pool.ts';
import { selectCredentials, updateTries } from '../queries/people.ts';
import { insertLogEntry } from '../queries/site-log.ts';
import { now, secondsAfter } from './clock.ts';

const TRIES_BEFORE_LOCK = 5;
const FIRST_LOCK_SECONDS = 60;
const LONGEST_LOCK_SECONDS = 15 * 60;

/** The argon2id hash of a PIN. */
export const pinHash = (pin: string): Promise<string> => hash(pin);

const lockSeconds = (wrongTries: number): number =>
  Math.min(FIRST_LOCK_SECONDS * 2 ** (wrongTries - TRIES_BEFORE_LOCK), LONGEST_LOCK_SECONDS);

/** The person whose PIN this is. Every fifth wrong try and each after it locks for a while, twice as long each time.
 *  Run it in a transaction that commits also when it refuses, or wrong tries are not counted.
 *  Refuses: not-found, pin-locked, wrong-pin. */
export const checkPin = async (
  db: Connection,
  personId: string,
  pin: string,
): Promise<Result<Person, Problem>> => {
  const credentials = await selectCredentials(db, personId);
  if (!credentials) return refused({ code: 'not-found', what: 'person' });
  const time = now();
  const { person, lockedUntil, wrongTries } = credentials;
  if (lockedUntil !== null && lockedUntil > time) {
    const untilSeconds = Math.ceil((Date.parse(lockedUntil) - Date.parse(time)) / 1000);
    return refused({ code: 'pin-locked', untilSeconds });
  }
  if (await verify(credentials.pinHash, pin)) {
    if (wrongTries > 0) await updateTries(db, personId, 0, null);
    return accepted(person);
  }
  const tries = wrongTries + 1;
  // Only what is counted is written down: while a person is locked a try is refused unread, and whoever tries a million times fills no log.
  const entry = { at: time, by: person, kind: 'sign-in-refused', subject: person.id, why: '' } as const;
  await insertLogEntry(db, { ...entry, body: { tries } });
  if (tries < TRIES_BEFORE_LOCK) {
    await updateTries(db, personId, tries, null);
    return refused({ code: 'wrong-pin', triesLeft: TRIES_BEFORE_LOCK - tries });
  }
  const untilSeconds = lockSeconds(tries);
  await updateTries(db, personId, tries, secondsAfter(time, untilSeconds));
  return refused({ code: 'pin-locked', untilSeconds });
};
