import type { ResultSetHeader, RowDataPacket } from 'mysql2';
import type { JobEvent, PullBody } from '#core/job/event.ts';
import type { AlikePulls } from '#core/recall/recall.ts';
import { writtenInNewtonMetres } from '#core/torque/torque.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';

const insertPull = async (
  db: Connection,
  id: string,
  job: string,
  pulledAt: string,
  body: PullBody,
): Promise<void> => {
  const setting = body.reading ?? body.setting;
  const shown = setting === null ? 0 : writtenInNewtonMetres(setting);
  const pull = {
    id,
    toolId: body.toolId,
    jobId: job,
    position: body.position,
    pulledAt: instantToSql(pulledAt),
    shown,
    torque: body.torqueNewtonMetres ?? shown,
    low: body.lowNewtonMetres,
    high: body.highNewtonMetres,
    outcome: body.outcome,
  };
  await db.execute(
    `
    INSERT INTO pulls (
      event_id, tool_id, job_id, position, pulled_at,
      shown_newton_metres, torque_newton_metres, low_newton_metres, high_newton_metres, outcome)
    VALUES (:id, :toolId, :jobId, :position, :pulledAt, :shown, :torque, :low, :high, :outcome)`,
    pull,
  );
  await db.execute(
    `
    INSERT INTO pull_counts (
      tool_id, pulled_on, job_id,
      shown_newton_metres, torque_newton_metres, low_newton_metres, high_newton_metres, uses)
    VALUES (:toolId, DATE(:pulledAt), :jobId, :shown, :torque, :low, :high, 1)
    ON DUPLICATE KEY UPDATE uses = uses + 1`,
    pull,
  );
};

const voidPull = async (db: Connection, id: string): Promise<void> => {
  const [voided] = await db.execute<ResultSetHeader>(
    'UPDATE pulls SET is_voided = TRUE WHERE event_id = :id AND NOT is_voided',
    { id },
  );
  if (voided.affectedRows === 0) return;
  await db.execute(
    `
    UPDATE pull_counts
      JOIN pulls
        ON pulls.tool_id = pull_counts.tool_id
       AND DATE(pulls.pulled_at) = pull_counts.pulled_on
       AND pulls.job_id = pull_counts.job_id
       AND pulls.shown_newton_metres = pull_counts.shown_newton_metres
       AND pulls.torque_newton_metres = pull_counts.torque_newton_metres
       AND pulls.low_newton_metres = pull_counts.low_newton_metres
       AND pulls.high_newton_metres = pull_counts.high_newton_metres
       SET pull_counts.voided = pull_counts.voided + 1
     WHERE pulls.event_id = :id`,
    { id },
  );
};

/** Writes down a pull with a tool, or that one was voided; other events leave no line here. */
export const projectPull = async (db: Connection, event: JobEvent): Promise<void> => {
  if (event.kind === 'pull-voided') await voidPull(db, event.body.pullId);
  if (event.kind === 'pull-made' && event.body.toolId !== null)
    await insertPull(db, event.id, event.job, event.deviceTime, event.body);
};

/** Takes out the pulls of a job, before they are written down again from its events. */
export const deletePullsOfJob = async (db: Connection, jobId: string): Promise<void> => {
  await db.execute('DELETE FROM pulls WHERE job_id = :jobId', { jobId });
  await db.execute('DELETE FROM pull_counts WHERE job_id = :jobId', { jobId });
};

/** Days on which a tool was first and last used from a day on (UTC, "2026-11-25"), and how often; null when it was not. */
export const selectUseSpan = async (
  db: Connection,
  toolId: string,
  from: string,
): Promise<{ readonly first: string; readonly last: string; readonly uses: number } | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT MIN(pulled_on) AS first,
           MAX(pulled_on) AS last,
           SUM(uses) AS uses
      FROM pull_counts
     WHERE tool_id = :toolId
       AND pulled_on >= :from`,
    { toolId, from },
  );
  const [row] = rows;
  return row && Number(row['uses']) > 0
    ? { first: row['first'], last: row['last'], uses: Number(row['uses']) }
    : null;
};

/** Pulls of a tool between two days (UTC, the end excluded), those alike counted together. Uses are numbered on from `usesBefore`. */
export const selectAlikePulls = async (
  db: Connection,
  toolId: string,
  from: string,
  to: string,
  usesBefore: number,
): Promise<{ readonly alike: readonly AlikePulls[]; readonly uses: number }> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT job_id,
           shown_newton_metres,
           torque_newton_metres,
           low_newton_metres,
           high_newton_metres,
           SUM(uses) AS uses,
           SUM(voided) AS voided
      FROM pull_counts
     WHERE tool_id = :toolId
       AND pulled_on >= :from
       AND pulled_on < :to
     GROUP BY job_id, shown_newton_metres, torque_newton_metres, low_newton_metres, high_newton_metres`,
    { toolId, from, to },
  );
  const uses = rows.reduce((sum, row) => sum + Number(row['uses']), 0);
  const alike = rows.map((row) => ({
    jobId: row['job_id'],
    shown: row['shown_newton_metres'],
    torque: row['torque_newton_metres'],
    low: row['low_newton_metres'],
    high: row['high_newton_metres'],
    count: Number(row['uses']) - Number(row['voided']),
    // Within one slice of time alike pulls are taken as spread over all of its uses.
    firstUse: usesBefore + 1,
    lastUse: usesBefore + uses,
  }));
  return { alike: alike.filter(({ count }) => count > 0), uses };
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
