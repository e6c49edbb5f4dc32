import type { RowDataPacket } from 'mysql2';
import type { Tool } from '#core/tool/tool.ts';
import { toolSchema } from '#wire/tool.ts';
import { insertedUnlessTaken } from '../database/duplicate.ts';
import { instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';

/** Every tool of the crib, by its code. */
export const selectTools = async (db: Connection): Promise<readonly Tool[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT id,
           code,
           kind,
           tool_class,
           serial,
           scale_unit,
           scale_minimum,
           scale_maximum,
           scale_per_turn,
           scale_graduation,
           scale_main_start,
           scale_raised_by,
           limit_percent,
           calibrated_on,
           calibration_due_on
      FROM tools
     ORDER BY code`);
  return rows.map((row) =>
    toolSchema.parse({
      id: row['id'],
      code: row['code'],
      kind: row['kind'],
      toolClass: row['tool_class'],
      serial: row['serial'],
      scale: {
        unit: row['scale_unit'],
        minimum: row['scale_minimum'],
        maximum: row['scale_maximum'],
        perTurn: row['scale_per_turn'],
        graduation: row['scale_graduation'],
        mainStart: row['scale_main_start'],
        raisedBy: row['scale_raised_by'],
      },
      limitPercent: row['limit_percent'],
      calibratedOn: row['calibrated_on'],
      calibrationDueOn: row['calibration_due_on'],
    }),
  );
};

/** Adds a tool; false when its code is taken. */
export const insertTool = async (db: Connection, tool: Tool, now: string): Promise<boolean> => {
  const { scale, ...rest } = tool;
  return insertedUnlessTaken(
    db.execute(
      `
    INSERT INTO tools (
      id, code, kind, tool_class, serial,
      scale_unit, scale_minimum, scale_maximum, scale_per_turn, scale_graduation, scale_main_start, scale_raised_by,
      limit_percent, calibrated_on, calibration_due_on, created_at)
    VALUES (
      :id, :code, :kind, :toolClass, :serial,
      :unit, :minimum, :maximum, :perTurn, :graduation, :mainStart, :raisedBy,
      :limitPercent, :calibratedOn, :calibrationDueOn, :now)`,
      { ...rest, ...scale, now: instantToSql(now) },
    ),
  );
};
