import type { RowDataPacket } from 'mysql2';
import type { Person } from '#core/job/event.ts';
import { personSchema } from '#wire/person.ts';
import { instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';

/** Opens a session, and clears away those that ended. */
export const insertSession = async (
  db: Connection,
  session: {
    readonly tokenHash: string;
    readonly personId: string;
    readonly now: string;
    readonly expiresAt: string;
  },
): Promise<void> => {
  const now = instantToSql(session.now);
  await db.execute('DELETE FROM sessions WHERE expires_at < :now', { now });
  await db.execute(
    `
    INSERT INTO sessions (token_hash, person_id, created_at, expires_at)
    VALUES (:tokenHash, :personId, :now, :expiresAt)`,
    {
      tokenHash: session.tokenHash,
      personId: session.personId,
      now,
      expiresAt: instantToSql(session.expiresAt),
    },
  );
};

/** The person of a session that has not ended; null otherwise. */
export const selectSessionPerson = async (
  db: Connection,
  tokenHash: string,
  now: string,
): Promise<Person | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT people.id,
           people.name,
           people.role
      FROM sessions
      JOIN people ON people.id = sessions.person_id
     WHERE sessions.token_hash = :tokenHash
       AND sessions.expires_at > :now`,
    { tokenHash, now: instantToSql(now) },
  );
  return rows[0] ? personSchema.parse({ ...rows[0] }) : null;
};

/** Ends a session. */
export const deleteSession = async (db: Connection, tokenHash: string): Promise<void> => {
  await db.execute('DELETE FROM sessions WHERE token_hash = :tokenHash', { tokenHash });
};
