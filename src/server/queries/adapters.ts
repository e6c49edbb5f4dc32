import type { RowDataPacket } from 'mysql2';
import type { Adapter } from '#core/tool/adapter.ts';
import { adapterSchema } from '#core/tool/adapter.ts';
import { insertedUnlessTaken } from '../database/duplicate.ts';
import type { Connection } from '../database/pool.ts';
import { readableRows } from '../database/readable-rows.ts';

/** Every adapter of the crib, by its code. */
export const selectAdapters = async (db: Connection): Promise<readonly Adapter[]> => {
  const [rows] = await db.execute<RowDataPacket[]>('SELECT id, body FROM adapters ORDER BY code');
  return readableRows('adapter', rows, (row) => adapterSchema.parse(JSON.parse(row['body'])));
};

/** Adds an adapter; false when its code is taken. */
export const insertAdapter = (db: Connection, adapter: Adapter): Promise<boolean> =>
  insertedUnlessTaken(
    db.execute('INSERT INTO adapters (id, code, body) VALUES (:id, :code, :body)', {
      id: adapter.id,
      code: adapter.code,
      body: JSON.stringify(adapter),
    }),
  );
