import type { RowDataPacket } from 'mysql2';
import { z } from 'zod';
import type { Person } from '#core/job/event.ts';
import type { Tool } from '#core/tool/tool.ts';
import type { ToolFacts } from '#core/tool/tool-standing.ts';
import { toolFactsSchema, toolSchema } from '#wire/tool.ts';
import { insertedUnlessTaken } from '../database/duplicate.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';

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

/** Every tool of the crib, by its code, with its pulls since its last calibration. */
export const selectKnownTools = async (db: Connection): Promise<readonly KnownTool[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT tools.body,
           tools.quarantine,
           tools.loan,
           tools.is_retired,
           (SELECT COALESCE(SUM(pull_counts.uses), 0)
              FROM pull_counts
             WHERE pull_counts.tool_id = tools.id
               AND pull_counts.pulled_on >= JSON_VALUE(tools.body, '$.calibratedOn')) AS pulls,
           (SELECT MAX(pulls.pulled_at)
              FROM pulls
             WHERE pulls.tool_id = tools.id) AS last_used_at
      FROM tools
     ORDER BY tools.code`);
  return rows.map(knownOf);
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

/** Adds a tool; false when its code is taken. */
export const insertTool = (db: Connection, tool: Tool, now: string): Promise<boolean> =>
  insertedUnlessTaken(
    db.execute(
      `
    INSERT INTO tools (id, code, body, created_at)
    VALUES (:id, :code, :body, :now)`,
      { id: tool.id, code: tool.code, body: JSON.stringify(tool), now: instantToSql(now) },
    ),
  );

/** Writes a tool and what happened to it anew. */
export const updateTool = async (db: Connection, { tool, facts }: KnownTool): Promise<void> => {
  await db.execute(
    `
    UPDATE tools
       SET body = :body,
           quarantine = :quarantine,
           loan = :loan,
           is_retired = :isRetired
     WHERE id = :id`,
    {
      id: tool.id,
      body: JSON.stringify(tool),
      quarantine: facts.quarantine && JSON.stringify(facts.quarantine),
      loan: facts.loan && JSON.stringify(facts.loan),
      isRetired: facts.isRetired ? 1 : 0,
    },
  );
};

const toolEventSchema = z.strictObject({
  at: z.string(),
  by: z.string(),
  kind: z.string(),
  body: z.looseObject({}),
});
/** Something that happened to a tool outside jobs. */
export type ToolEvent = z.infer<typeof toolEventSchema>;

/** Writes down what happened to a tool. */
export const insertToolEvent = async (
  db: Connection,
  event: {
    readonly toolId: string;
    readonly at: string;
    readonly by: Person;
    readonly kind: string;
    readonly body: object;
  },
): Promise<void> => {
  await db.execute(
    `
    INSERT INTO tool_events (tool_id, at, person_id, person_name, kind, body)
    VALUES (:toolId, :at, :personId, :personName, :kind, :body)`,
    {
      toolId: event.toolId,
      at: instantToSql(event.at),
      personId: event.by.id,
      personName: event.by.name,
      kind: event.kind,
      body: JSON.stringify(event.body),
    },
  );
};

/** What happened to a tool, the newest first. */
export const selectToolEvents = async (db: Connection, toolId: string): Promise<readonly ToolEvent[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT at,
           person_name,
           kind,
           body
      FROM tool_events
     WHERE tool_id = :toolId
     ORDER BY id DESC`,
    { toolId },
  );
  return rows.map((row) =>
    toolEventSchema.parse({
      at: instantFromSql(row['at']),
      by: row['person_name'],
      kind: row['kind'],
      body: JSON.parse(row['body']),
    }),
  );
};
