import type { ResultSetHeader } from 'mysql2';
import type { Connection } from '../database/pool.ts';

/** The next number of a series, without gaps: it is given with the transaction it is asked in, or not at all. */
export const nextNumber = async (db: Connection, name: 'job' | 'requirement'): Promise<number> => {
  const [result] = await db.execute<ResultSetHeader>(
    `
    UPDATE counters
       SET value = LAST_INSERT_ID(value + 1)
     WHERE name = :name`,
    { name },
  );
  return result.insertId;
};
