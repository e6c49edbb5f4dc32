import type { RowDataPacket } from 'mysql2';
import { z } from 'zod';
import { type Person, personSchema } from '#core/people/person.ts';
import { insertedUnlessTaken } from '../database/duplicate.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';
import { readableRows } from '../database/readable-rows.ts';

const credentialsRow = z.object({
  id: z.string(),
  name: z.string(),
  role: z.string(),
  pin_hash: z.string(),
  wrong_tries: z.number(),
  locked_until: z.string().nullable(),
});

/** A person with what their PIN is checked against. */
export type Credentials = {
  readonly person: Person;
  readonly pinHash: string;
  readonly wrongTries: number;
  readonly lockedUntil: string | null;
};

/** Everyone, by name. */
export const selectPeople = async (db: Connection): Promise<readonly Person[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT id,
           name,
           role
      FROM people
     ORDER BY name`);
  return readableRows('person', rows, (row) => personSchema.parse({ ...row }));
};

/** A person's credentials, locked until the transaction ends so that two tries at once both count; null when unknown. */
export const selectCredentials = async (db: Connection, personId: string): Promise<Credentials | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT id,
           name,
           role,
           pin_hash,
           wrong_tries,
           locked_until
      FROM people
     WHERE id = :personId
       FOR UPDATE`,
    { personId },
  );
  if (!rows[0]) return null;
  const { pin_hash, wrong_tries, locked_until, ...person } = credentialsRow.parse(rows[0]);
  return {
    person: personSchema.parse(person),
    pinHash: pin_hash,
    wrongTries: wrong_tries,
    lockedUntil: locked_until === null ? null : instantFromSql(locked_until),
  };
};

/** Keeps the count of wrong PINs and until when no more are taken. */
export const updateTries = async (
  db: Connection,
  personId: string,
  wrongTries: number,
  lockedUntil: string | null,
): Promise<void> => {
  await db.execute(
    `
    UPDATE people
       SET wrong_tries = :wrongTries,
           locked_until = :lockedUntil
     WHERE id = :personId`,
    { personId, wrongTries, lockedUntil: lockedUntil === null ? null : instantToSql(lockedUntil) },
  );
};

/** Adds a person; false when the name is taken. */
export const insertPerson = async (
  db: Connection,
  person: Person,
  pinHash: string,
  now: string,
): Promise<boolean> =>
  insertedUnlessTaken(
    db.execute(
      `
    INSERT INTO people (id, name, role, pin_hash, created_at)
    VALUES (:id, :name, :role, :pinHash, :now)`,
      { ...person, pinHash, now: instantToSql(now) },
    ),
  );
