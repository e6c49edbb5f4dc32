import type { RowDataPacket } from 'mysql2';
import { z } from 'zod';
import type { Tries } from '#core/people/guessing.ts';
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
  pin_digits: z.number().nullable(),
  stranger_tries: z.number(),
  stranger_tried_at: z.string().nullable(),
});

/** A person with what their PIN is checked against. */
export type Credentials = {
  readonly person: Person;
  /** Empty while they have not chosen one. */
  readonly pinHash: string;
  /** How many digits it has; null for one from before that was noted. */
  readonly pinDigits: number | null;
  readonly strangers: Tries;
};

/** Somebody who works or worked here. */
export type Member = {
  readonly person: Person;
  readonly leftAt: string | null;
  readonly hasPin: boolean;
  readonly pinDigits: number | null;
  readonly strangers: Tries;
};

/** Everyone who can sign in, by name. */
export const selectPeople = async (db: Connection): Promise<readonly Person[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT id,
           name,
           role
      FROM people
     WHERE left_at IS NULL
       AND NOT is_program
     ORDER BY name`);
  return readableRows('person', rows, (row) => personSchema.parse({ ...row }));
};

/** Whether anybody was ever added. */
export const hasPeople = async (db: Connection): Promise<boolean> => {
  const [rows] = await db.execute<RowDataPacket[]>('SELECT 1 FROM people LIMIT 1');
  return rows.length > 0;
};

const triesOf = (row: RowDataPacket): Tries => ({
  wrong: row['stranger_tries'],
  lastAtMs: row['stranger_tried_at'] === null ? null : Date.parse(instantFromSql(row['stranger_tried_at'])),
});

/** Everyone who works or worked here, by name, without programs. */
export const selectMembers = async (db: Connection): Promise<readonly Member[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT id,
           name,
           role,
           left_at,
           pin_hash <> '' AS has_pin,
           pin_digits,
           stranger_tries,
           stranger_tried_at
      FROM people
     WHERE NOT is_program
     ORDER BY left_at IS NOT NULL, name`);
  return readableRows('person', rows, (row) => ({
    person: personSchema.parse({ id: row['id'], name: row['name'], role: row['role'] }),
    leftAt: row['left_at'] === null ? null : instantFromSql(row['left_at']),
    hasPin: row['has_pin'] === 1,
    pinDigits: row['pin_digits'],
    strangers: triesOf(row),
  }));
};

/** Somebody who can sign in, with what their PIN is checked against; locked until the transaction ends so that two tries at once both count. Null when unknown,
 *  gone, or a program. */
export const selectCredentials = async (db: Connection, personId: string): Promise<Credentials | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT id,
           name,
           role,
           pin_hash,
           pin_digits,
           stranger_tries,
           stranger_tried_at
      FROM people
     WHERE id = :personId
       AND left_at IS NULL
       AND NOT is_program
       FOR UPDATE`,
    { personId },
  );
  if (!rows[0]) return null;
  const { id, name, role, pin_hash, pin_digits } = credentialsRow.parse(rows[0]);
  return {
    person: personSchema.parse({ id, name, role }),
    pinHash: pin_hash,
    pinDigits: pin_digits,
    strangers: triesOf(rows[0]),
  };
};

/** A person whatever became of them, locked until the transaction ends; null when unknown, or a program. */
export const selectMember = async (
  db: Connection,
  personId: string,
): Promise<{ readonly person: Person; readonly pinHash: string; readonly leftAt: string | null } | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT id,
           name,
           role,
           pin_hash,
           left_at
      FROM people
     WHERE id = :personId
       AND NOT is_program
       FOR UPDATE`,
    { personId },
  );
  const [row] = rows;
  if (!row) return null;
  const person = personSchema.parse({ id: row['id'], name: row['name'], role: row['role'] });
  return {
    person,
    pinHash: row['pin_hash'],
    leftAt: row['left_at'] === null ? null : instantFromSql(row['left_at']),
  };
};

/** Keeps what strangers have tried for a person. */
export const updateStrangers = async (db: Connection, personId: string, tries: Tries): Promise<void> => {
  await db.execute(
    `
    UPDATE people
       SET stranger_tries = :wrong,
           stranger_tried_at = :lastAt
     WHERE id = :personId`,
    {
      personId,
      wrong: tries.wrong,
      lastAt: tries.lastAtMs === null ? null : instantToSql(new Date(tries.lastAtMs).toISOString()),
    },
  );
};

/** How many digits a person's PIN has; null for one from before that was noted. */
export const selectPinDigits = async (db: Connection, personId: string): Promise<number | null> => {
  const [rows] = await db.execute<RowDataPacket[]>('SELECT pin_digits FROM people WHERE id = :personId', {
    personId,
  });
  return rows[0]?.['pin_digits'] ?? null;
};

/** What of a person can be changed. */
export type PersonRow = {
  readonly id: string;
  readonly role: Person['role'];
  readonly pinHash: string;
  readonly pinDigits: number | null;
  readonly leftAt: string | null;
};

/** Changes a person: another role, another PIN, that they left. */
export const updatePerson = async (db: Connection, person: PersonRow): Promise<void> => {
  await db.execute(
    `
    UPDATE people
       SET role = :role,
           pin_hash = :pinHash,
           pin_digits = COALESCE(:pinDigits, pin_digits),
           left_at = :leftAt
     WHERE id = :id`,
    { ...person, leftAt: person.leftAt === null ? null : instantToSql(person.leftAt) },
  );
};

/** Adds a person, or a program; false when the name is taken. */
export const insertPerson = async (
  db: Connection,
  person: Person,
  pin: { readonly hash: string; readonly digits: number | null },
  now: string,
  isProgram = false,
): Promise<boolean> =>
  insertedUnlessTaken(
    db.execute(
      `
    INSERT INTO people (id, name, role, pin_hash, pin_digits, is_program, created_at)
    VALUES (:id, :name, :role, :pinHash, :pinDigits, :isProgram, :now)`,
      { ...person, pinHash: pin.hash, pinDigits: pin.digits, isProgram, now: instantToSql(now) },
    ),
  );
