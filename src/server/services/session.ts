import type { Person } from '#core/people/person.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { type Connection, database } from '../database/pool.ts';
import { inTransaction, type Transaction } from '../database/transaction.ts';
import type { Knock } from '../knock.ts';
import { insertKnownDevice } from '../queries/pin-tries.ts';
import {
  deleteSession,
  deleteSessionById,
  deleteSessionsOf,
  insertSession,
  type OpenSession,
  type SignedIn,
  selectSessions,
  selectSignedIn,
  touchSession,
} from '../queries/sessions.ts';
import { selectSite } from '../queries/site.ts';
import { countRefused, insertLogEntry } from '../queries/site-log.ts';
import { newSecret, secretHash } from '../secret.ts';
import { checkPin } from './check-pin.ts';
import { now, secondsAfter } from './clock.ts';

/** How long a session lasts at most: one long shift. */
export const SESSION_SECONDS = 14 * 60 * 60;
/** How often it is written down that somebody does something in a session. */
const TOUCHED_EVERY_MS = 60_000;
const AGENT_MAX = 200;

const noteSigning = (
  db: Connection,
  at: string,
  by: Person,
  kind: 'signed-in' | 'signed-out',
  body: object = {},
): Promise<void> => insertLogEntry(db, { at, by, kind, subject: by.id, why: '', body });

/** What somebody has who is let in: the secret of the session, that of their device, and what they should know. */
export type Entered = {
  readonly person: Person;
  readonly token: string;
  readonly device: string;
  /** Whether their PIN is shorter than the site asks for. */
  readonly asksNewPin: boolean;
  /** How many wrong PINs were typed for them since they last signed in. */
  readonly wrongSince: number;
};

/** Lets a person in on a device: the session that the device had ends, and the device is known from now on. */
export const enter = async (
  db: Transaction,
  { person, pinDigits }: { readonly person: Person; readonly pinDigits: number | null },
  { address, device: given, agent }: Knock,
): Promise<Entered> => {
  const [token, device] = [newSecret(), given ?? newSecret()];
  const time = now();
  const { pinDigits: asked } = await selectSite(db);
  await insertSession(db, {
    tokenHash: secretHash(token),
    personId: person.id,
    deviceHash: secretHash(device),
    address,
    agent: agent.slice(0, AGENT_MAX),
    now: time,
    expiresAt: secondsAfter(time, SESSION_SECONDS),
  });
  await insertKnownDevice(db, secretHash(device), person.id, time);
  await noteSigning(db, time, person, 'signed-in', { address });
  const wrongSince = await wrongTriesOf(db, person);
  return { person, token, device, asksNewPin: pinDigits === null || pinDigits < asked, wrongSince };
};

/** Slips of one's own fingers just before signing in are no news; so many of them are. */
const OWN_MINUTES = 5;
const MORE_THAN_SLIPS = 5;

/** How many wrong PINs were typed for a person before they signed in, as far as that is news to them. */
export const wrongTriesOf = async (db: Connection, { id }: Person): Promise<number> => {
  const { elsewhere, justBefore } = await countRefused(db, id, OWN_MINUTES);
  return elsewhere + (justBefore >= MORE_THAN_SLIPS ? justBefore : 0);
};

/** A session for a person who knows their PIN: its secrets go into cookies, their hashes into the database.
 *  Refuses: what checkPin refuses. */
export const signedIn = (personId: string, pin: string, knock: Knock): Promise<Result<Entered, Problem>> =>
  inTransaction(async (db) => {
    const credentials = await checkPin(db, personId, pin, knock);
    return credentials.ok ? accepted(await enter(db, credentials.value, knock)) : credentials;
  });

const standing = async (db: Connection): Promise<{ readonly now: string; readonly idleMinutes: number }> => ({
  now: now(),
  idleMinutes: (await selectSite(db)).idleMinutes,
});

/** Who a session belongs to, and since when they are signed in; null when it is unknown or over. `isDoing` where a person does something with it: a page
 *  that asks by itself what is new keeps no session open. */
export const signedInBy = async (token: string, isDoing = false): Promise<SignedIn | null> => {
  const hash = secretHash(token);
  const found = await selectSignedIn(database(), hash, now());
  if (found && isDoing && Date.now() - Date.parse(found.seenAt) > TOUCHED_EVERY_MS)
    await touchSession(database(), hash, now());
  return found;
};

/** Ends a session. */
export const signOut = (token: string): Promise<void> =>
  inTransaction(async (db) => {
    const signedIn = await selectSignedIn(db, secretHash(token), now());
    await deleteSession(db, secretHash(token));
    if (signedIn) await noteSigning(db, now(), signedIn.person, 'signed-out');
  });

/** A session as its person is shown it. */
export type ShownSession = Omit<OpenSession, 'tokenHash' | 'personId'> & { readonly isThis: boolean };

/** Where a person is signed in. */
export const ownSessions = async (person: Person, token: string): Promise<readonly ShownSession[]> =>
  (await selectSessions(database(), person.id, await standing(database()))).map(
    ({ tokenHash, personId: _, ...session }) => ({ ...session, isThis: tokenHash === secretHash(token) }),
  );

/** Ends one of a person's own sessions. Refuses: not-found. */
export const endSession = async (person: Person, id: string): Promise<Result<null, Problem>> =>
  inTransaction(async (db): Promise<Result<null, Problem>> => {
    if (!(await deleteSessionById(db, person.id, id))) return refused({ code: 'not-found', what: 'session' });
    await noteSigning(db, now(), person, 'signed-out', { session: id });
    return accepted(null);
  });

/** Ends every session of a person but the one they ask with. */
export const endOtherSessions = (person: Person, token: string | null): Promise<void> =>
  inTransaction(async (db) => {
    await deleteSessionsOf(db, person.id, token === null ? null : secretHash(token));
    await noteSigning(db, now(), person, 'signed-out', { session: 'all' });
  });
