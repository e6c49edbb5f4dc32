import type { RowDataPacket } from 'mysql2';
import { z } from 'zod';
import { toolSchema } from '#core/tool/tool.ts';
import { toolFactsSchema } from '#core/tool/tool-blocks.ts';
import type { DeepReadonly } from '#wire/operation.ts';
import type { Asker } from '../asker.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';
import { readableRows } from '../database/readable-rows.ts';

const afterSchema = z.strictObject({
  tool: toolSchema,
  ...toolFactsSchema.pick({ quarantine: true, loan: true, isRetired: true }).shape,
});
/** A tool as an event left it. What its pulls say of it stands elsewhere. */
export type ToolAfter = DeepReadonly<z.infer<typeof afterSchema>>;

/** Something that happened to a tool outside jobs, with the tool as it left it. */
export type ToolEvent = {
  readonly toolId: string;
  readonly at: string;
  readonly by: Pick<Asker, 'id' | 'name'>;
  readonly kind: string;
  readonly body: object;
  readonly after: ToolAfter;
};

/** Writes down what happened to a tool. */
export const insertToolEvent = async (db: Connection, event: ToolEvent): Promise<void> => {
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
      body: JSON.stringify({ ...event.body, after: event.after }),
    },
  );
};

const happeningSchema = z.strictObject({
  at: z.string(),
  by: z.string(),
  kind: z.string(),
  body: z.looseObject({}),
});
/** What a tool's page shows of an event. */
export type ToolEventLine = z.infer<typeof happeningSchema>;

const COLUMNS = 'id, tool_id, at, person_id, person_name, kind, body';

/** What happened to a tool, the newest first. */
export const selectToolEventLines = async (
  db: Connection,
  toolId: string,
): Promise<readonly ToolEventLine[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT ${COLUMNS}
      FROM tool_events
     WHERE tool_id = :toolId
       AND kind <> 'restated'
     ORDER BY at DESC, id DESC`,
    { toolId },
  );
  return readableRows('tool event', rows, (row) => {
    const { after: _, ...body } = JSON.parse(row['body']);
    return happeningSchema.parse({
      at: instantFromSql(row['at']),
      by: row['person_name'],
      kind: row['kind'],
      body,
    });
  });
};

/** Every event that says how it left its tool, in their order; earlier ones of the first form, which did not, are restated by one that does. */
export const selectToolEvents = async (db: Connection): Promise<readonly ToolEvent[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT ${COLUMNS}
      FROM tool_events
     WHERE JSON_EXISTS(body, '$.after')
     ORDER BY id`);
  return rows.map((row) => {
    const { after, ...body } = JSON.parse(row['body']);
    return {
      toolId: row['tool_id'],
      at: instantFromSql(row['at']),
      by: { id: row['person_id'], name: row['person_name'] },
      kind: row['kind'],
      body,
      after: afterSchema.parse(after),
    };
  });
};
