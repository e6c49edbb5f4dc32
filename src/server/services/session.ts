import { createHash, randomBytes } from 'node:crypto';
import type { Person } from '#core/people/person.ts';
import { accepted, type Result } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { type Connection, database } from '../database/pool.ts';
import { inTransaction } from '../database/transaction.ts';
import { deleteSession, insertSession, type SignedIn, selectSignedIn } from '../queries/sessions.ts';
import { insertLogEntry } from '../queries/site-log.ts';
import { checkPin } from './check-pin.ts';
import { now, secondsAfter } from './clock.ts';

/** How long a session lasts: one long shift. */
export const SESSION_SECONDS = 14 * 60 * 60;
const TOKEN_BYTES = 32;

const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex');

const noteSigning = (
  db: Connection,
  at: string,
  by: Person,
  kind: 'signed-in' | 'signed-out',
): Promise<void> => insertLogEntry(db, { at, by, kind, subject: by.id, why: '', body: {} });

/** A session for a person who knows their PIN: the token goes into the cookie, its hash into the database.
 *  Refuses: what checkPin refuses. */
export const signedIn = (
  personId: string,
  pin: string,
): Promise<Result<{ readonly person: Person; readonly token: string }, Problem>> =>
  inTransaction(async (db) => {
    const person = await checkPin(db, personId, pin);
    if (!person.ok) return person;
    const token = randomBytes(TOKEN_BYTES).toString('base64url');
    const time = now();
    await insertSession(db, {
      tokenHash: tokenHash(token),
      personId,
      now: time,
      expiresAt: secondsAfter(time, SESSION_SECONDS),
    });
    await noteSigning(db, time, person.value, 'signed-in');
    return accepted({ person: person.value, token });
  });

/** Who a session token belongs to, and since when they are signed in; null when it is unknown or over. */
export const signedInBy = (token: string): Promise<SignedIn | null> =>
  selectSignedIn(database(), tokenHash(token), now());

/** Ends a session. */
export const signOut = (token: string): Promise<void> =>
  inTransaction(async (db) => {
    const signedIn = await selectSignedIn(db, tokenHash(token), now());
    await deleteSession(db, tokenHash(token));
    if (signedIn) await noteSigning(db, now(), signedIn.person, 'signed-out');
  });
