import type { RowDataPacket } from 'mysql2';
import { type Person, personSchema } from '#core/people/person.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
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

/** Somebody who is signed in on a device, and since when. */
export type SignedIn = { readonly person: Person; readonly signedInAt: string };

/** Who a session that has not ended belongs to; null otherwise. */
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
           sessions.created_at
      FROM sessions
      JOIN people ON people.id = sessions.person_id
     WHERE sessions.token_hash = :tokenHash
       AND sessions.expires_at > :now`,
    { tokenHash, now: instantToSql(now) },
  );
  const [row] = rows;
  if (!row) return null;
  const { id, name, role } = row;
  return { person: personSchema.parse({ id, name, role }), signedInAt: instantFromSql(row['created_at']) };
};

/** Ends a session. */
export const deleteSession = async (db: Connection, tokenHash: string): Promise<void> => {
  await db.execute('DELETE FROM sessions WHERE token_hash = :tokenHash', { tokenHash });
};
