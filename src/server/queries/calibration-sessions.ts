import type { RowDataPacket } from 'mysql2';
import { type KeptSession, keptSessionSchema } from '#wire/calibration.ts';
import { insertedUnlessTaken } from '../database/duplicate.ts';
import { instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';
import { readableRows } from '../database/readable-rows.ts';

/** The sessions of a tool, the newest first. */
export const selectSessions = async (db: Connection, toolId: string): Promise<readonly KeptSession[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT id,
           body
      FROM calibration_sessions
     WHERE tool_id = :toolId
     ORDER BY done_on DESC, at DESC`,
    { toolId },
  );
  return readableRows('calibration', rows, (row) => keptSessionSchema.parse(JSON.parse(row['body'])));
};

/** The tools of which any session found an error outside its limit. */
export const selectToolsFoundOut = async (db: Connection): Promise<readonly string[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT DISTINCT tool_id
      FROM calibration_sessions
     WHERE JSON_VALUE(body, '$.hasPassedAsFound') = 0`);
  return rows.map((row) => row['tool_id']);
};

/** Adds a session; false when it is there already. */
export const insertSession = (db: Connection, session: KeptSession): Promise<boolean> =>
  insertedUnlessTaken(
    db.execute(
      `
    INSERT INTO calibration_sessions (id, tool_id, done_on, at, body)
    VALUES (:id, :toolId, :doneOn, :at, :body)`,
      {
        id: session.id,
        toolId: session.toolId,
        doneOn: session.doneOn,
        at: instantToSql(session.at),
        body: JSON.stringify(session),
      },
    ),
  );
