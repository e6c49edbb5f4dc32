import type { RowDataPacket } from 'mysql2';
import type { WorkMoment } from '#core/route/pace.ts';
import { instantFromSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';

const MOST_JOBS = 40;
const MOST_MOMENTS = 6_000;

/** When pulls were made and tools set or taken on the newest jobs, each job in its order. */
export const selectWorkMoments = async (db: Connection): Promise<readonly WorkMoment[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT events.job_id, person_id, device_time, kind
      FROM events
      JOIN (SELECT id FROM jobs ORDER BY id DESC LIMIT ${MOST_JOBS}) AS newest ON newest.id = events.job_id
     WHERE kind IN ('pull-made', 'tool-set', 'tool-chosen')
     ORDER BY events.job_id, sequence
     LIMIT ${MOST_MOMENTS}`);
  return rows.map((row) => ({
    job: row['job_id'],
    person: row['person_id'],
    atMs: Date.parse(instantFromSql(row['device_time'])),
    kind: row['kind'] === 'pull-made' ? 'pull' : 'change',
  }));
};
