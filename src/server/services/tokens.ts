import { randomUUID } from 'node:crypto';
import type { Person } from '#core/people/person.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Token, TokenScope } from '#wire/token.ts';
import type { Asker } from '../asker.ts';
import { database } from '../database/pool.ts';
import { inTransaction } from '../database/transaction.ts';
import { insertPerson } from '../queries/people.ts';
import { insertLogEntry } from '../queries/site-log.ts';
import {
  deleteTokensOf,
  insertToken,
  selectCalendarToken,
  selectProgramOf,
  selectTokenOwner,
  selectTokens,
  touchToken,
} from '../queries/tokens.ts';
import { personState } from '../sealing/stated.ts';
import { newSecret, secretHash } from '../secret.ts';
import { changed } from './change-person.ts';
import { now, secondsAfter } from './clock.ts';

/** How the secrets of programs begin, so that whoever finds one in a file knows what it is. */
const MARK = 'jentik_';
const DAY_SECONDS = 86_400;
/** How often it is written down that a token is used. */
const TOUCHED_EVERY_MS = 60_000;

/** The tokens of programs, without their secrets. */
export const allTokens = (): Promise<readonly Token[]> => selectTokens(database());

/** Makes a token for a program, which is somebody of its own in the records. Its secret is in the answer and nowhere else. Refuses: name-taken. */
export const makeToken = (
  { name, scope, days }: { readonly name: string; readonly scope: TokenScope; readonly days: number },
  by: Asker,
): Promise<Result<{ readonly token: Token; readonly secret: string }, Problem>> =>
  inTransaction(
    async (db): Promise<Result<{ readonly token: Token; readonly secret: string }, Problem>> => {
      const madeAt = now();
      const program: Person = { id: randomUUID(), name, role: 'technician' };
      if (!(await insertPerson(db, program, { hash: '', digits: null }, madeAt, true)))
        return refused({ code: 'name-taken', name });
      const [id, secret] = [randomUUID(), `${MARK}${newSecret()}`];
      const expiresAt = secondsAfter(madeAt, days * DAY_SECONDS);
      const made = { id, scope, madeBy: by.name, madeAt, expiresAt };
      await insertToken(db, { ...made, tokenHash: secretHash(secret), personId: program.id });
      const entry = { at: madeAt, by, why: '' };
      const after = personState(program, '');
      await insertLogEntry(db, { ...entry, kind: 'person-added', subject: program.id, body: { after } });
      await insertLogEntry(db, {
        ...entry,
        kind: 'token-made',
        subject: id,
        body: { name, scope, expiresAt },
      });
      return accepted({ token: { ...made, name, usedAt: null }, secret });
    },
    (result) => result.ok,
  );

/** Ends a token; its program stays in the records as one that left. Refuses: not-found. */
export const revokeToken = (tokenId: string, by: Asker): Promise<Result<null, Problem>> =>
  inTransaction(async (db): Promise<Result<null, Problem>> => {
    const program = await selectProgramOf(db, tokenId);
    if (!program) return refused({ code: 'not-found', what: 'token' });
    const { person, pinHash } = program;
    await deleteTokensOf(db, person.id);
    await changed(db, person, { pinHash, pinDigits: null, leftAt: now() }, { by, why: 'token revoked' });
    const entry = { at: now(), by, kind: 'token-revoked', subject: tokenId, why: '' } as const;
    await insertLogEntry(db, { ...entry, body: { name: person.name } });
    return accepted(null);
  });

const owner = async (secret: string): Promise<Awaited<ReturnType<typeof selectTokenOwner>>> => {
  const found = await selectTokenOwner(database(), secretHash(secret), now());
  if (found && (found.usedAt === null || Date.now() - Date.parse(found.usedAt) > TOUCHED_EVERY_MS))
    await touchToken(database(), found.id, now());
  return found;
};

/** A program that asks with a token, and what that is good for; null where it is none. */
export const programBy = async (
  secret: string,
): Promise<{ readonly person: Person; readonly scope: TokenScope } | null> => {
  if (!secret.startsWith(MARK)) return null;
  const found = await owner(secret);
  return found && found.scope !== 'calendar' ? { person: found.person, scope: found.scope } : null;
};

/** When a person's address for calendars was made and last asked; null where they have none. */
export const calendarStanding = (
  person: Person,
): Promise<{ readonly madeAt: string; readonly usedAt: string | null } | null> =>
  selectCalendarToken(database(), person.id);

/** A new secret for a person's calendars; the one before works no more. */
export const newCalendarSecret = (person: Person): Promise<string> =>
  inTransaction(async (db) => {
    const [secret, madeAt] = [newSecret(), now()];
    await deleteTokensOf(db, person.id);
    await insertToken(db, {
      id: randomUUID(),
      tokenHash: secretHash(secret),
      scope: 'calendar',
      personId: person.id,
      madeBy: person.name,
      madeAt,
      expiresAt: null,
    });
    return secret;
  });

/** Ends a person's address for calendars. */
export const revokeCalendar = (person: Person): Promise<void> => deleteTokensOf(database(), person.id);

/** Whether a secret is somebody's address for calendars. */
export const isCalendarSecret = async (secret: string): Promise<boolean> =>
  (await owner(secret))?.scope === 'calendar';
