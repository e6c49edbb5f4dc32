import type { RowDataPacket } from 'mysql2';
import { type Person, personSchema } from '#core/people/person.ts';
import { IDLE_MINUTES } from '#wire/site.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';
import { readableRows } from '../database/readable-rows.ts';

/** A session as it is opened. */
export type NewSession = {
  readonly tokenHash: string;
  readonly personId: string;
  readonly deviceHash: string;
  readonly address: string;
  readonly agent: string;
  readonly now: string;
  readonly expiresAt: string;
};

/** Opens a session, ends the one that its device had, and clears away those that ended by themselves. */
export const insertSession = async (db: Connection, session: NewSession): Promise<void> => {
  const now = instantToSql(session.now);
  await db.execute('DELETE FROM sessions WHERE expires_at < :now OR device_hash = :deviceHash', {
    now,
    deviceHash: session.deviceHash,
  });
  await db.execute(
    `
    INSERT INTO sessions (token_hash, person_id, device_hash, address, agent, created_at, seen_at, expires_at)
    VALUES (:tokenHash, :personId, :deviceHash, :address, :agent, :now, :now, :expiresAt)`,
    { ...session, now, expiresAt: instantToSql(session.expiresAt) },
  );
};

/** Somebody who is signed in on a device, since when, and when they last did something there. */
export type SignedIn = { readonly person: Person; readonly signedInAt: string; readonly seenAt: string };

/** Who a session that has not ended belongs to; null otherwise, and where nobody has done anything in it for as long as the site
 *  chose or its person has left. One statement: every request asks it. */
export const selectSignedIn = async (
  db: Connection,
  tokenHash: string,
  now: string,
): Promise<SignedIn | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT people.id,
           people.name,
           people.role,
           sessions.created_at,
           sessions.seen_at
      FROM sessions
      JOIN people ON people.id = sessions.person_id
     WHERE sessions.token_hash = :tokenHash
       AND sessions.expires_at > :now
       AND sessions.seen_at > :now - INTERVAL COALESCE(
             (SELECT idle_minutes FROM site WHERE id = 1), :idleMinutes) MINUTE
       AND people.left_at IS NULL`,
    { tokenHash, now: instantToSql(now), idleMinutes: IDLE_MINUTES },
  );
  const [row] = rows;
  if (!row) return null;
  const { id, name, role } = row;
  return {
    person: personSchema.parse({ id, name, role }),
    signedInAt: instantFromSql(row['created_at']),
    seenAt: instantFromSql(row['seen_at']),
  };
};

/** Notes that somebody did something in a session. */
export const touchSession = async (db: Connection, tokenHash: string, now: string): Promise<void> => {
  await db.execute('UPDATE sessions SET seen_at = :now WHERE token_hash = :tokenHash', {
    tokenHash,
    now: instantToSql(now),
  });
};

/** Ends a session. */
export const deleteSession = async (db: Connection, tokenHash: string): Promise<void> => {
  await db.execute('DELETE FROM sessions WHERE token_hash = :tokenHash', { tokenHash });
};

/** Ends every session of a person, but for one. */
export const deleteSessionsOf = async (
  db: Connection,
  personId: string,
  exceptHash: string | null,
): Promise<void> => {
  await db.execute(
    'DELETE FROM sessions WHERE person_id = :personId AND (:exceptHash IS NULL OR token_hash <> :exceptHash)',
    { personId, exceptHash },
  );
};

/** Ends one session of a person, by its id; false where they have none of that id. */
export const deleteSessionById = async (db: Connection, personId: string, id: string): Promise<boolean> => {
  const [result] = await db.execute('DELETE FROM sessions WHERE person_id = :personId AND id = :id', {
    personId,
    id,
  });
  return (result as { readonly affectedRows: number }).affectedRows > 0;
};

/** A session as its person sees it. */
export type OpenSession = {
  readonly id: string;
  readonly personId: string;
  readonly tokenHash: string;
  readonly address: string;
  readonly agent: string;
  readonly since: string;
  readonly seenAt: string;
};

/** The sessions that are open, of one person or of all, the one used last first. */
export const selectSessions = async (
  db: Connection,
  personId: string | null,
  { now, idleMinutes }: { readonly now: string; readonly idleMinutes: number },
): Promise<readonly OpenSession[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT id,
           person_id,
           token_hash,
           address,
           agent,
           created_at,
           seen_at
      FROM sessions
     WHERE (:personId IS NULL OR person_id = :personId)
       AND expires_at > :now
       AND seen_at > :now - INTERVAL :idleMinutes MINUTE
     ORDER BY seen_at DESC`,
    { personId, now: instantToSql(now), idleMinutes },
  );
  return readableRows('session', rows, (row) => ({
    id: row['id'],
    personId: row['person_id'],
    tokenHash: row['token_hash'],
    address: row['address'],
    agent: row['agent'],
    since: instantFromSql(row['created_at']),
    seenAt: instantFromSql(row['seen_at']),
  }));
};
