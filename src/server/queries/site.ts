import type { RowDataPacket } from 'mysql2';
import { Fault } from '#core/fault.ts';
import { DEFAULT_SCHOOLS } from '#core/target/schools.ts';
import { type Site, siteSchema } from '#wire/site.ts';
import type { Connection } from '../database/pool.ts';

const siteRow = async (db: Connection): Promise<RowDataPacket> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT name,
           unit,
           schools,
           sealing_private_key
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
    // A question added since has its default until the site answers it.
    schools: { ...DEFAULT_SCHOOLS, ...JSON.parse(row['schools']) },
  });
};

/** The key the site seals records with, in hexadecimal. It never leaves the server. */
export const selectSealingKey = async (db: Connection): Promise<string> =>
  (await siteRow(db))['sealing_private_key'];

/** Changes what the site has chosen. */
export const updateSite = async (db: Connection, site: Site): Promise<void> => {
  await db.execute(
    `
    UPDATE site
       SET name = :name,
           unit = :unit,
           schools = :schools
     WHERE id = 1`,
    { name: site.name, unit: site.unit, schools: JSON.stringify(site.schools) },
  );
};

/** Makes the site's row if there is none. */
export const insertSite = async (db: Connection, site: Site, sealingPrivateKey: string): Promise<void> => {
  await db.execute(
    `
    INSERT IGNORE INTO site (id, name, unit, schools, sealing_private_key)
    VALUES (1, :name, :unit, :schools, :sealingPrivateKey)`,
    { name: site.name, unit: site.unit, schools: JSON.stringify(site.schools), sealingPrivateKey },
  );
};
