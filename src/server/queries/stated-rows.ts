import type { RowDataPacket } from 'mysql2';
import { instantFromSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';

// Rows as they stand, whatever somebody made of them: they are compared with what the log says, not believed.

/** Everyone, with the hash of their PIN. */
export const selectPeopleRows = async (
  db: Connection,
): Promise<
  readonly {
    readonly id: string;
    readonly name: string;
    readonly role: string;
    readonly pinHash: string;
    readonly leftAt: string | null;
  }[]
> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT id,
           name,
           role,
           pin_hash,
           left_at
      FROM people
     ORDER BY name`);
  return rows.map(({ id, name, role, pin_hash, left_at }) => ({
    id,
    name,
    role,
    pinHash: pin_hash,
    leftAt: left_at === null ? null : instantFromSql(left_at),
  }));
};

/** Every source, its columns by the names that its fields have. */
export const selectSourceRows = async (
  db: Connection,
): Promise<readonly { readonly id: string; readonly title: string }[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT id,
           title,
           kind,
           number,
           revision,
           COALESCE(dated_on, '') AS datedOn,
           place,
           status,
           superseded_by AS supersededBy
      FROM sources
     ORDER BY title, id`);
  return rows.map((row) => ({ ...row }) as RowDataPacket & { id: string; title: string });
};

const read = (text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
};

/** Every adapter: its code, and what its row holds. */
export const selectAdapterRows = async (
  db: Connection,
): Promise<readonly { readonly id: string; readonly code: string; readonly body: unknown }[]> => {
  const [rows] = await db.execute<RowDataPacket[]>('SELECT id, code, body FROM adapters ORDER BY code');
  return rows.map(({ id, code, body }) => ({ id, code, body: read(body) }));
};

/** What the site has chosen, without defaults for questions that were added since; null where its row is gone. */
export const selectSiteRow = async (db: Connection): Promise<{ readonly name: string } | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    'SELECT name, unit, time_zone, schools, pin_digits, idle_minutes FROM site WHERE id = 1',
  );
  if (!rows[0]) return null;
  const {
    name,
    unit,
    time_zone: timeZone,
    schools,
    pin_digits: pinDigits,
    idle_minutes: idleMinutes,
  } = rows[0];
  // What a site never said it was never written down with.
  const said = Object.entries({ timeZone, pinDigits, idleMinutes }).filter(([, value]) => value !== null);
  return { name, unit, ...Object.fromEntries(said), schools: read(schools) } as { readonly name: string };
};
