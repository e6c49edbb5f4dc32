import type { RowDataPacket } from 'mysql2';
import { type Person, personSchema } from '#core/people/person.ts';
import { TOKEN_SCOPES, type Token, type TokenScope, tokenSchema } from '#wire/token.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';
import { readableRows } from '../database/readable-rows.ts';

/** What a secret opens: a scope of programs, or the calendar of a person. */
export type SecretScope = TokenScope | 'calendar';

/** Keeps the hash of a secret. */
export const insertToken = async (
  db: Connection,
  token: {
    readonly id: string;
    readonly tokenHash: string;
    readonly scope: SecretScope;
    readonly personId: string;
    readonly madeBy: string;
    readonly madeAt: string;
    readonly expiresAt: string | null;
  },
): Promise<void> => {
  await db.execute(
    `
    INSERT INTO tokens (id, token_hash, scope, person_id, made_by, made_at, expires_at)
    VALUES (:id, :tokenHash, :scope, :personId, :madeBy, :madeAt, :expiresAt)`,
    {
      ...token,
      madeAt: instantToSql(token.madeAt),
      expiresAt: token.expiresAt === null ? null : instantToSql(token.expiresAt),
    },
  );
};

/** Whose a secret is, where it is good for this; null otherwise. */
export const selectTokenOwner = async (
  db: Connection,
  tokenHash: string,
  now: string,
): Promise<{
  readonly id: string;
  readonly scope: SecretScope;
  readonly person: Person;
  readonly usedAt: string | null;
} | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT tokens.id AS token_id,
           tokens.scope,
           tokens.used_at,
           people.id,
           people.name,
           people.role
      FROM tokens
      JOIN people ON people.id = tokens.person_id
     WHERE tokens.token_hash = :tokenHash
       AND (tokens.expires_at IS NULL OR tokens.expires_at > :now)
       AND people.left_at IS NULL`,
    { tokenHash, now: instantToSql(now) },
  );
  const [row] = rows;
  if (!row) return null;
  return {
    id: row['token_id'],
    scope: TOKEN_SCOPES.find((each) => each === row['scope']) ?? 'calendar',
    person: personSchema.parse({ id: row['id'], name: row['name'], role: row['role'] }),
    usedAt: row['used_at'] === null ? null : instantFromSql(row['used_at']),
  };
};

/** Notes that something was asked with a token. */
export const touchToken = async (db: Connection, id: string, now: string): Promise<void> => {
  await db.execute('UPDATE tokens SET used_at = :now WHERE id = :id', { id, now: instantToSql(now) });
};

/** The tokens of programs, the newest first. */
export const selectTokens = async (db: Connection): Promise<readonly Token[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT tokens.id,
           people.name,
           tokens.scope,
           tokens.made_by,
           tokens.made_at,
           tokens.expires_at,
           tokens.used_at
      FROM tokens
      JOIN people ON people.id = tokens.person_id
     WHERE people.is_program
       AND people.left_at IS NULL
     ORDER BY tokens.made_at DESC`);
  return readableRows('token', rows, (row) =>
    tokenSchema.parse({
      id: row['id'],
      name: row['name'],
      scope: row['scope'],
      madeBy: row['made_by'],
      madeAt: instantFromSql(row['made_at']),
      expiresAt: instantFromSql(row['expires_at']),
      usedAt: row['used_at'] === null ? null : instantFromSql(row['used_at']),
    }),
  );
};

/** When a person's address for calendars was made and last asked; null where they have none. */
export const selectCalendarToken = async (
  db: Connection,
  personId: string,
): Promise<{ readonly madeAt: string; readonly usedAt: string | null } | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT made_at,
           used_at
      FROM tokens
     WHERE person_id = :personId
       AND scope = 'calendar'`,
    { personId },
  );
  const [row] = rows;
  if (!row) return null;
  return {
    madeAt: instantFromSql(row['made_at']),
    usedAt: row['used_at'] === null ? null : instantFromSql(row['used_at']),
  };
};

/** The program that a token belongs to; null where there is no such token of one. */
export const selectProgramOf = async (
  db: Connection,
  tokenId: string,
): Promise<{ readonly person: Person; readonly pinHash: string } | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT people.id,
           people.name,
           people.role,
           people.pin_hash
      FROM tokens
      JOIN people ON people.id = tokens.person_id
     WHERE tokens.id = :tokenId
       AND people.is_program
       FOR UPDATE`,
    { tokenId },
  );
  const [row] = rows;
  if (!row) return null;
  return {
    person: personSchema.parse({ id: row['id'], name: row['name'], role: row['role'] }),
    pinHash: row['pin_hash'],
  };
};

/** Ends every secret of a person, or of a program. */
export const deleteTokensOf = async (db: Connection, personId: string): Promise<void> => {
  await db.execute('DELETE FROM tokens WHERE person_id = :personId', { personId });
};
