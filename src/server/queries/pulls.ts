import type { RowDataPacket } from 'mysql2';
import type { JobEvent } from '#core/job/event.ts';
import type { AlikePulls } from '#core/recall/recall.ts';
import { writtenInNewtonMetres } from '#core/torque/torque.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';

/** Writes down a pull with a tool, or that one was voided; other events leave no line here. */
export const projectPull = async (db: Connection, event: JobEvent): Promise<void> => {
  if (event.kind === 'pull-voided')
    await db.execute('UPDATE pulls SET is_voided = TRUE WHERE event_id = :id', { id: event.body.pullId });
  if (event.kind !== 'pull-made' || event.body.toolId === null) return;
  const { body } = event;
  const setting = body.reading ?? body.setting;
  const shown = setting === null ? 0 : writtenInNewtonMetres(setting);
  await db.execute(
    `
    INSERT INTO pulls (
      event_id, tool_id, job_id, position, pulled_at,
      shown_newton_metres, torque_newton_metres, low_newton_metres, high_newton_metres, outcome)
    VALUES (:id, :toolId, :jobId, :position, :pulledAt, :shown, :torque, :low, :high, :outcome)
    ON DUPLICATE KEY UPDATE outcome = VALUES(outcome)`,
    {
      id: event.id,
      toolId: body.toolId,
      jobId: event.job,
      position: body.position,
      pulledAt: instantToSql(event.deviceTime),
      shown,
      torque: body.torqueNewtonMetres ?? shown,
      low: body.lowNewtonMetres,
      high: body.highNewtonMetres,
      outcome: body.outcome,
    },
  );
};

/** First and last day on which a tool was used after an instant, and how often; null when it was not. */
export const selectUseSpan = async (
  db: Connection,
  toolId: string,
  after: string,
): Promise<{ readonly first: string; readonly last: string; readonly uses: number } | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT MIN(pulled_at) AS first,
           MAX(pulled_at) AS last,
           COUNT(*) AS uses
      FROM pulls
     WHERE tool_id = :toolId
       AND pulled_at >= :after`,
    { toolId, after: instantToSql(after) },
  );
  const [row] = rows;
  return row && row['uses'] > 0
    ? { first: instantFromSql(row['first']), last: instantFromSql(row['last']), uses: Number(row['uses']) }
    : null;
};

/** Pulls of a tool between two instants (the end excluded), those alike counted together. Uses are numbered on from `usesBefore`. */
export const selectAlikePulls = async (
  db: Connection,
  toolId: string,
  from: string,
  to: string,
  usesBefore: number,
): Promise<readonly AlikePulls[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT job_id,
           shown_newton_metres,
           torque_newton_metres,
           low_newton_metres,
           high_newton_metres,
           COUNT(*) AS count
      FROM pulls FORCE INDEX (pulls_by_tool)
     WHERE tool_id = :toolId
       AND pulled_at >= :from
       AND pulled_at < :to
       AND NOT is_voided
     GROUP BY job_id, shown_newton_metres, torque_newton_metres, low_newton_metres, high_newton_metres`,
    { toolId, from: instantToSql(from), to: instantToSql(to) },
  );
  const total = rows.reduce((sum, row) => sum + Number(row['count']), 0);
  return rows.map((row) => ({
    jobId: row['job_id'],
    shown: row['shown_newton_metres'],
    torque: row['torque_newton_metres'],
    low: row['low_newton_metres'],
    high: row['high_newton_metres'],
    count: Number(row['count']),
    // Within one slice of time alike pulls are taken as spread over all of its uses.
    firstUse: usesBefore + 1,
    lastUse: usesBefore + total,
  }));
};

/** A pull of a job with a tool, for a work list. */
export type ToolPull = {
  readonly eventId: string;
  readonly position: string;
  readonly pulledAt: string;
  readonly shown: number;
  readonly torque: number;
  readonly low: number;
  readonly high: number;
};

/** The pulls a tool made on a job after an instant, in their order. */
export const selectPullsOfJob = async (
  db: Connection,
  toolId: string,
  jobId: string,
  after: string,
): Promise<readonly ToolPull[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT event_id,
           position,
           pulled_at,
           shown_newton_metres,
           torque_newton_metres,
           low_newton_metres,
           high_newton_metres
      FROM pulls
     WHERE job_id = :jobId
       AND tool_id = :toolId
       AND pulled_at >= :after
       AND NOT is_voided
     ORDER BY pulled_at`,
    { jobId, toolId, after: instantToSql(after) },
  );
  return rows.map((row) => ({
    eventId: row['event_id'],
    position: row['position'],
    pulledAt: instantFromSql(row['pulled_at']),
    shown: row['shown_newton_metres'],
    torque: row['torque_newton_metres'],
    low: row['low_newton_metres'],
    high: row['high_newton_metres'],
  }));
};
