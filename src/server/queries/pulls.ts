import type { RowDataPacket } from 'mysql2';
import type { AlikePulls } from '#core/recall/recall.ts';
import type { Outcome } from '#core/verdict/tightening-verdict.ts';
import { idFromBytes, idToBytes } from '../database/id-bytes.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';
import type { Transaction } from '../database/transaction.ts';

/** A pull with a tool, as the projection keeps it. Torques in newton metres; null where the pull has none. */
export type ProjectedPull = {
  readonly eventId: string;
  readonly toolId: string;
  readonly jobId: string;
  readonly personId: string;
  readonly deviceId: string | null;
  readonly position: string;
  readonly label: string;
  readonly pulledAt: string;
  readonly shown: number | null;
  /** What reaches the fastener when nothing is known of the tool's error: a recall applies the whole of what it found. */
  readonly torque: number | null;
  /** What the record states of it. */
  readonly recorded: number | null;
  readonly low: number | null;
  readonly high: number | null;
  readonly outcome: Outcome;
  readonly voidedBy: string | null;
};

/** Writes pulls down, in one statement. */
export const insertPulls = (db: Transaction, pulls: readonly ProjectedPull[]): void => {
  const rows = pulls.map((pull) => [
    idToBytes(pull.eventId),
    idToBytes(pull.toolId),
    idToBytes(pull.jobId),
    idToBytes(pull.personId),
    pull.deviceId === null ? null : idToBytes(pull.deviceId),
    pull.position,
    pull.label,
    instantToSql(pull.pulledAt),
    pull.shown,
    pull.torque,
    pull.recorded,
    pull.low,
    pull.high,
    pull.outcome,
    pull.voidedBy === null ? null : idToBytes(pull.voidedBy),
  ]);
  db.write(
    `
    INSERT INTO pulls (
      event_id, tool_id, job_id, person_id, device_id, position, label, pulled_at,
      shown_newton_metres, torque_newton_metres, recorded_newton_metres,
      low_newton_metres, high_newton_metres, outcome, voided_by)
    VALUES :rows`,
    { rows },
  );
};

/** Marks pulls as voided by events, in one statement: pairs of the pull's id and the id of what voided it. */
export const voidPulls = (
  db: Transaction,
  voids: readonly { readonly pullId: string; readonly voidedBy: string }[],
): void => {
  const pairs = voids.map(({ pullId, voidedBy }) => ({
    pull: pullId.replaceAll('-', ''),
    by: voidedBy.replaceAll('-', ''),
  }));
  db.write(
    `
    UPDATE pulls
      JOIN JSON_TABLE(:pairs, '$[*]' COLUMNS (
             pull CHAR(32) CHARACTER SET ascii PATH '$.pull',
             voided_by CHAR(32) CHARACTER SET ascii PATH '$.by')) AS voids
        ON pulls.event_id = UNHEX(voids.pull)
       SET pulls.voided_by = UNHEX(voids.voided_by)
     WHERE pulls.voided_by IS NULL`,
    { pairs: JSON.stringify(pairs) },
  );
};

/** Takes out all pulls, before they are written down again from the events. */
export const clearPulls = async (db: Connection): Promise<void> => {
  await db.execute('DELETE FROM pulls');
};

/** A pull of a job with a tool, for a work list. */
export type ToolPull = {
  readonly eventId: string;
  readonly position: string;
  readonly pulledAt: string;
  readonly shown: number;
  readonly torque: number;
  readonly recorded: number;
  readonly low: number;
  readonly high: number;
};

const PAGE = 500;

/** The pulls with a torque that a tool made on a job after an instant, in their order. Read page by page, each from the key the last one ended at. */
export const selectPullsOfJob = async (
  db: Connection,
  toolId: string,
  jobId: string,
  after: string,
  before: string,
): Promise<readonly ToolPull[]> => {
  const pulls: ToolPull[] = [];
  let from = instantToSql(after);
  let last: Buffer = Buffer.alloc(16);
  for (;;) {
    const [rows] = await db.execute<RowDataPacket[]>(
      `
      SELECT event_id,
             position,
             pulled_at,
             shown_newton_metres,
             torque_newton_metres,
             recorded_newton_metres,
             low_newton_metres,
             high_newton_metres
        FROM pulls
       WHERE job_id = :jobId
         AND tool_id = :toolId
         AND (pulled_at > :from OR (pulled_at = :from AND event_id > :last))
         AND pulled_at < :before
         AND voided_by IS NULL
         AND torque_newton_metres IS NOT NULL
         AND low_newton_metres IS NOT NULL
       ORDER BY pulled_at, event_id
       LIMIT ${PAGE}`,
      { jobId: idToBytes(jobId), toolId: idToBytes(toolId), from, last, before: `${before} 00:00:00` },
    );
    for (const row of rows) {
      pulls.push({
        eventId: idFromBytes(row['event_id']),
        position: row['position'],
        pulledAt: instantFromSql(row['pulled_at']),
        shown: row['shown_newton_metres'],
        torque: row['torque_newton_metres'],
        recorded: row['recorded_newton_metres'],
        low: row['low_newton_metres'],
        high: row['high_newton_metres'],
      });
      from = row['pulled_at'];
      last = row['event_id'];
    }
    if (rows.length < PAGE) return pulls;
  }
};

/** Uses of a tool that were alike on one day and job, to be added to what is counted. */
export type AlikeUses = Pick<ProjectedPull, 'toolId' | 'jobId' | 'shown' | 'torque' | 'low' | 'high'> & {
  readonly alike: Buffer;
  readonly day: string;
  readonly uses: number;
  readonly voided: number;
  readonly lastUsedAt: string;
};

/** Adds to the counts of alike pulls, in one statement. */
export const addToPullCounts = (db: Transaction, alike: readonly AlikeUses[]): void => {
  const rows = alike.map((each) => [
    each.alike,
    idToBytes(each.toolId),
    each.day,
    idToBytes(each.jobId),
    each.shown,
    each.torque,
    each.low,
    each.high,
    each.uses,
    each.voided,
    instantToSql(each.lastUsedAt),
  ]);
  db.write(
    `
    INSERT INTO pull_counts (
      alike, tool_id, pulled_on, job_id,
      shown_newton_metres, torque_newton_metres, low_newton_metres, high_newton_metres, uses, voided, last_used_at)
    VALUES :rows
    ON DUPLICATE KEY UPDATE
           uses = uses + VALUES(uses),
           voided = voided + VALUES(voided),
           last_used_at = GREATEST(last_used_at, VALUES(last_used_at))`,
    { rows },
  );
};

/** Takes out all counts, before they are written down again from the events. */
export const clearPullCounts = async (db: Connection): Promise<void> => {
  await db.execute('DELETE FROM pull_counts');
};

/** Days on which a tool was first and last used from a day on up to another (UTC, "2026-11-25", the end excluded), and how often; null when it
 *  was not. */
export const selectUseSpan = async (
  db: Connection,
  toolId: string,
  from: string,
  to: string,
): Promise<{ readonly first: string; readonly last: string; readonly uses: number } | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT MIN(pulled_on) AS first,
           MAX(pulled_on) AS last,
           SUM(uses) AS uses
      FROM pull_counts
     WHERE tool_id = :toolId
       AND pulled_on >= :from
       AND pulled_on < :to`,
    { toolId: idToBytes(toolId), from, to },
  );
  const [row] = rows;
  return row && Number(row['uses']) > 0
    ? { first: row['first'], last: row['last'], uses: Number(row['uses']) }
    : null;
};

/** Pulls of a tool between two days (UTC, the end excluded), those alike counted together. Uses are numbered on from `usesBefore`; those
 *  without a torque count as uses and are not among the pulls. */
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
    { toolId: idToBytes(toolId), from, to },
  );
  const uses = rows.reduce((sum, row) => sum + Number(row['uses']), 0);
  const judged = rows.filter(
    (row) => row['torque_newton_metres'] !== null && row['low_newton_metres'] !== null,
  );
  const alike = judged.map((row) => ({
    jobId: idFromBytes(row['job_id']),
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
