import type { RowDataPacket } from 'mysql2';
import { instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';

/** Keeps an invitation; the ones the person had work no more. */
export const insertInvitation = async (
  db: Connection,
  invitation: {
    readonly codeHash: string;
    readonly personId: string;
    readonly now: string;
    readonly expiresAt: string;
  },
): Promise<void> => {
  await deleteInvitations(db, invitation.personId);
  await db.execute(
    `
    INSERT INTO invitations (code_hash, person_id, made_at, expires_at)
    VALUES (:codeHash, :personId, :now, :expiresAt)`,
    { ...invitation, now: instantToSql(invitation.now), expiresAt: instantToSql(invitation.expiresAt) },
  );
};

/** Whom an invitation that is not over is for, held until the transaction ends; null where there is none. */
export const selectInvited = async (
  db: Connection,
  codeHash: string,
  now: string,
): Promise<{ readonly personId: string } | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT person_id
      FROM invitations
     WHERE code_hash = :codeHash
       AND expires_at > :now
       FOR UPDATE`,
    { codeHash, now: instantToSql(now) },
  );
  return rows[0] ? { personId: rows[0]['person_id'] } : null;
};

/** Ends every invitation of a person. */
export const deleteInvitations = async (db: Connection, personId: string): Promise<void> => {
  await db.execute('DELETE FROM invitations WHERE person_id = :personId', { personId });
};
