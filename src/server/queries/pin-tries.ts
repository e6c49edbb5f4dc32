import type { RowDataPacket } from 'mysql2';
import type { Tries } from '#core/people/guessing.ts';
import { NEVER_TRIED } from '#core/people/guessing.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';

/** The place in the rows of an address where everybody's tries are counted together. */
const EVERYBODY = '';

const sqlOf = (tries: Tries): string | null =>
  tries.lastAtMs === null ? null : instantToSql(new Date(tries.lastAtMs).toISOString());

const triesOf = (row: RowDataPacket): Tries => ({
  wrong: row['wrong_tries'],
  lastAtMs: row['last_tried_at'] === null ? null : Date.parse(instantFromSql(row['last_tried_at'])),
});

/** What was tried for a person on a device they signed in on, held until the transaction ends; null where they never did. */
export const selectKnownDevice = async (
  db: Connection,
  deviceHash: string,
  personId: string,
): Promise<Tries | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT wrong_tries,
           last_tried_at
      FROM known_devices
     WHERE device_hash = :deviceHash
       AND person_id = :personId
       FOR UPDATE`,
    { deviceHash, personId },
  );
  return rows[0] ? triesOf(rows[0]) : null;
};

/** Keeps what was tried on a known device. */
export const updateKnownDevice = async (
  db: Connection,
  deviceHash: string,
  personId: string,
  tries: Tries,
): Promise<void> => {
  await db.execute(
    `
    UPDATE known_devices
       SET wrong_tries = :wrong,
           last_tried_at = :lastAt
     WHERE device_hash = :deviceHash
       AND person_id = :personId`,
    { deviceHash, personId, wrong: tries.wrong, lastAt: sqlOf(tries) },
  );
};

/** Makes a device one that a person has signed in on, with nothing tried. */
export const insertKnownDevice = async (
  db: Connection,
  deviceHash: string,
  personId: string,
  now: string,
): Promise<void> => {
  await db.execute(
    `
    INSERT INTO known_devices (device_hash, person_id, known_since)
    VALUES (:deviceHash, :personId, :now)
    ON DUPLICATE KEY UPDATE wrong_tries = 0, last_tried_at = NULL`,
    { deviceHash, personId, now: instantToSql(now) },
  );
};

/** Makes a device a stranger's again for a person. */
export const deleteKnownDevice = async (
  db: Connection,
  deviceHash: string,
  personId: string,
): Promise<void> => {
  await db.execute('DELETE FROM known_devices WHERE device_hash = :deviceHash AND person_id = :personId', {
    deviceHash,
    personId,
  });
};

/** Makes every device a stranger's again for a person, but for one. */
export const deleteKnownDevices = async (
  db: Connection,
  personId: string,
  exceptHash: string | null,
): Promise<void> => {
  await db.execute(
    'DELETE FROM known_devices WHERE person_id = :personId AND (:exceptHash IS NULL OR device_hash <> :exceptHash)',
    { personId, exceptHash },
  );
};

/** What strangers have tried at an address: for a person, and for everybody; held until the transaction ends. */
export const selectStrangerTries = async (
  db: Connection,
  address: string,
  personId: string,
): Promise<{ readonly here: Tries; readonly address: Tries }> => {
  // The row that everybody at the address goes through: there before it is asked for, so that two at once wait for each other.
  await db.execute(
    `
    INSERT IGNORE INTO stranger_tries (address, person_id, wrong_tries, last_tried_at)
    VALUES (:address, :everybody, 0, NULL)`,
    { address, everybody: EVERYBODY },
  );
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT person_id,
           wrong_tries,
           last_tried_at
      FROM stranger_tries
     WHERE address = :address
       AND person_id IN (:everybody, :personId)
       FOR UPDATE`,
    { address, everybody: EVERYBODY, personId },
  );
  const of = (id: string): Tries => {
    const row = rows.find((each) => each['person_id'] === id);
    return row ? triesOf(row) : NEVER_TRIED;
  };
  return { here: of(personId), address: of(EVERYBODY) };
};

/** Keeps what a stranger has tried at an address, for a person and for everybody. */
export const keepStrangerTries = async (
  db: Connection,
  address: string,
  personId: string,
  tries: { readonly here: Tries; readonly address: Tries },
): Promise<void> => {
  for (const [id, each] of [
    [EVERYBODY, tries.address],
    [personId, tries.here],
  ] as const)
    await db.execute(
      `
      INSERT INTO stranger_tries (address, person_id, wrong_tries, last_tried_at)
      VALUES (:address, :id, :wrong, :lastAt)
      ON DUPLICATE KEY UPDATE wrong_tries = :wrong, last_tried_at = :lastAt`,
      { address, id, wrong: each.wrong, lastAt: sqlOf(each) },
    );
};

/** Forgets what was tried at an address. */
export const deleteTriesAt = async (db: Connection, address: string): Promise<void> => {
  await db.execute('DELETE FROM stranger_tries WHERE address = :address', { address });
};

/** Forgets what strangers tried for a person, and with it what of that counts at each address. */
export const deleteTriesFor = async (db: Connection, personId: string): Promise<void> => {
  await db.execute(
    `
    UPDATE stranger_tries AS everybody
      JOIN stranger_tries AS own ON own.address = everybody.address AND own.person_id = :personId
       SET everybody.wrong_tries = GREATEST(0, CAST(everybody.wrong_tries AS SIGNED) - own.wrong_tries)
     WHERE everybody.person_id = :everybody`,
    { personId, everybody: EVERYBODY },
  );
  await db.execute('DELETE FROM stranger_tries WHERE person_id = :personId', { personId });
};

/** The addresses from which strangers typed wrong PINs, the one that was tried from last first. */
export const selectTriedAddresses = async (
  db: Connection,
): Promise<readonly { readonly address: string; readonly tries: Tries }[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT address,
           wrong_tries,
           last_tried_at
      FROM stranger_tries
     WHERE person_id = :everybody
       AND wrong_tries > 0
     ORDER BY last_tried_at DESC
     LIMIT 100`,
    { everybody: EVERYBODY },
  );
  return rows.map((row) => ({ address: row['address'], tries: triesOf(row) }));
};
