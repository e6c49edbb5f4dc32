import type { RowDataPacket } from 'mysql2';
import { DEFAULT_SCHOOLS, type Schools } from '#core/target/schools.ts';
import type { Tool } from '#core/tool/tool.ts';
import { toolSchema } from '#core/tool/tool.ts';
import { NO_FACTS, type ToolFacts, toolFactsSchema } from '#core/tool/tool-blocks.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';
import { readableRows } from '../database/readable-rows.ts';
import type { ToolAfter } from './tool-events.ts';

/** A tool with what the crib knows of it. */
export type KnownTool = { readonly tool: Tool; readonly facts: ToolFacts };

const knownOf = (row: RowDataPacket): KnownTool => ({
  tool: toolSchema.parse(JSON.parse(row['body'])),
  facts: toolFactsSchema.parse({
    pulls: Number(row['pulls']),
    lastUsedAt: row['last_used_at'] === null ? null : instantFromSql(row['last_used_at']),
    quarantine: row['quarantine'] === null ? null : JSON.parse(row['quarantine']),
    loan: row['loan'] === null ? null : JSON.parse(row['loan']),
    isRetired: row['is_retired'] === 1,
  }),
});

/** The same without a check of its form, for every pull asks for it: it was checked when it was written. */
const usedOf = (row: RowDataPacket): KnownTool => ({
  tool: JSON.parse(row['body']),
  facts: {
    ...NO_FACTS,
    quarantine: row['quarantine'] === null ? null : JSON.parse(row['quarantine']),
    loan: row['loan'] === null ? null : JSON.parse(row['loan']),
    isRetired: row['is_retired'] === 1,
  },
});

/** Every tool of the crib, by its code, with its pulls since its last calibration. */
export const selectKnownTools = async (db: Connection): Promise<readonly KnownTool[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT tools.id,
           tools.body,
           tools.quarantine,
           tools.loan,
           tools.is_retired,
           (SELECT COALESCE(SUM(pull_counts.uses), 0)
              FROM pull_counts
             WHERE pull_counts.tool_id = UNHEX(REPLACE(tools.id, '-', ''))
               AND pull_counts.pulled_on >= JSON_VALUE(tools.body, '$.calibratedOn')) AS pulls,
           (SELECT MAX(pulls.pulled_at)
              FROM pulls
             WHERE pulls.tool_id = UNHEX(REPLACE(tools.id, '-', ''))) AS last_used_at
      FROM tools
     ORDER BY tools.code`);
  return readableRows('tool', rows, knownOf);
};

/** Every tool as its row says it, in no other form than the row has. */
export const selectToolRows = async (
  db: Connection,
): Promise<readonly (ToolAfter & { id: string; code: string })[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT id,
           code,
           body,
           quarantine,
           loan,
           is_retired
      FROM tools`);
  return rows.map((row) => ({
    id: row['id'],
    code: row['code'],
    tool: JSON.parse(row['body']),
    quarantine: row['quarantine'] === null ? null : JSON.parse(row['quarantine']),
    loan: row['loan'] === null ? null : JSON.parse(row['loan']),
    isRetired: row['is_retired'] === 1,
  }));
};

/** A tool with what the crib knows of it, its row locked until the transaction ends; null when there is none. */
export const lockTool = async (db: Connection, id: string): Promise<KnownTool | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT body,
           quarantine,
           loan,
           is_retired,
           0 AS pulls,
           NULL AS last_used_at
      FROM tools
     WHERE id = :id
       FOR UPDATE`,
    { id },
  );
  return rows[0] ? knownOf(rows[0]) : null;
};

/** Whether a tool's code is on another tool. */
export const isToolCodeTaken = async (db: Connection, code: string): Promise<boolean> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT id
      FROM tools
     WHERE code = :code
       FOR UPDATE`,
    { code },
  );
  return rows.length > 0;
};

/** Writes a tool as an event left it. */
export const putTool = async (
  db: Connection,
  { tool, quarantine, loan, isRetired }: ToolAfter,
  at: string,
): Promise<void> => {
  await db.execute(
    `
    INSERT INTO tools (id, code, body, quarantine, loan, is_retired, created_at)
    VALUES (:id, :code, :body, :quarantine, :loan, :isRetired, :at)
    ON DUPLICATE KEY UPDATE
           code = VALUES(code),
           body = VALUES(body),
           quarantine = VALUES(quarantine),
           loan = VALUES(loan),
           is_retired = VALUES(is_retired)`,
    {
      id: tool.id,
      code: tool.code,
      body: JSON.stringify(tool),
      quarantine: quarantine && JSON.stringify(quarantine),
      loan: loan && JSON.stringify(loan),
      isRetired: isRetired ? 1 : 0,
      at: instantToSql(at),
    },
  );
};

/** Takes out all tools, before they are written down again from their events. */
export const clearTools = async (db: Connection): Promise<void> => {
  await db.execute('DELETE FROM tools');
};

/** Some tools with what may stand against them, all but their pulls since calibration, and the site's school of tool service. */
export const selectToolsInUse = async (
  db: Connection,
  ids: readonly string[],
): Promise<{
  readonly known: readonly KnownTool[];
  readonly toolService: Schools['toolService'];
  readonly timeZone: string;
}> => {
  const [rows] = await db.query<RowDataPacket[]>(
    `
    SELECT tools.body,
           tools.quarantine,
           tools.loan,
           tools.is_retired,
           site.time_zone,
           JSON_VALUE(site.schools, '$.toolService') AS tool_service
      FROM site
      LEFT JOIN tools ON tools.id IN (:ids)`,
    { ids: [...ids] },
  );
  const school = rows[0]?.['tool_service'];
  return {
    known: rows.filter((row) => row['body'] !== null).map(usedOf),
    toolService: school ?? DEFAULT_SCHOOLS.toolService,
    timeZone: rows[0]?.['time_zone'] ?? 'UTC',
  };
};
