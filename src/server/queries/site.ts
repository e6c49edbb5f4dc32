import type { RowDataPacket } from 'mysql2';
import type { z } from 'zod';
import { Fault } from '#core/fault.ts';
import { DEFAULT_SCHOOLS } from '#core/target/schools.ts';
import { type Site, siteSchema } from '#wire/site.ts';
import type { Connection } from '../database/pool.ts';

const siteRow = async (db: Connection): Promise<RowDataPacket> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT name,
           unit,
           time_zone,
           schools,
           pin_digits,
           idle_minutes
      FROM site
     WHERE id = 1`);
  if (!rows[0]) throw new Fault('the site row is missing; run the migrations with npm start');
  return rows[0];
};

/** What the site has chosen for itself. */
export const selectSite = async (db: Connection): Promise<Site> => {
  const row = await siteRow(db);
  return siteSchema.parse({
    name: row['name'],
    unit: row['unit'],
    timeZone: row['time_zone'] ?? undefined,
    pinDigits: row['pin_digits'] ?? undefined,
    idleMinutes: row['idle_minutes'] ?? undefined,
    // A question added since has its default until the site answers it.
    schools: { ...DEFAULT_SCHOOLS, ...JSON.parse(row['schools']) },
  });
};

/** Holds the site's row until the transaction ends, so that of several who would begin the site one is the first. */
export const lockSite = async (db: Connection): Promise<void> => {
  await db.execute('SELECT id FROM site WHERE id = 1 FOR UPDATE');
};

/** The private key that a site from before it lay in a file still has in its row, in hexadecimal; null where it has none. */
export const selectKeyInRow = async (db: Connection): Promise<string | null> => {
  const [rows] = await db.execute<RowDataPacket[]>('SELECT sealing_private_key FROM site WHERE id = 1');
  return rows[0]?.['sealing_private_key'] ?? null;
};

/** Takes the private key out of the site's row. */
export const clearKeyInRow = async (db: Connection): Promise<void> => {
  await db.execute('UPDATE site SET sealing_private_key = NULL WHERE id = 1');
};

/** Changes what the site has chosen. */
export const updateSite = async (db: Connection, site: Site): Promise<void> => {
  await db.execute(
    `
    UPDATE site
       SET name = :name,
           unit = :unit,
           time_zone = :timeZone,
           schools = :schools,
           pin_digits = :pinDigits,
           idle_minutes = :idleMinutes
     WHERE id = 1`,
    { ...site, schools: JSON.stringify(site.schools) },
  );
};

/** Makes the site's row if there is none; what is not said of it is as sites are shipped. */
export const insertSite = async (db: Connection, given: z.input<typeof siteSchema>): Promise<void> => {
  const site = siteSchema.parse(given);
  await db.execute(
    `
    INSERT IGNORE INTO site (id, name, unit, time_zone, schools, pin_digits, idle_minutes)
    VALUES (1, :name, :unit, :timeZone, :schools, :pinDigits, :idleMinutes)`,
    { ...site, schools: JSON.stringify(site.schools) },
  );
};
