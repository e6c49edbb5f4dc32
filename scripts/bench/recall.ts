import type { Pool } from 'mysql2/promise';
import { v7 as uuidv7 } from 'uuid';
import { idToBytes } from '#server/database/id-bytes.ts';
import { recallOf } from '#server/services/recall-tool.ts';
import type { KeptSession } from '#wire/calibration.ts';
import { onBenchDatabase } from './bench-site.ts';
import { measuredAsync } from './measured.ts';

const PULLS = 1_000_000;
const JOBS = 400;
const BATCH = 10_000;
const TOOL = uuidv7();
const START_MS = Date.parse('2025-11-25T00:00:00Z');
const EVERY_MS = 31_000;

const fill = async (pool: Pool): Promise<void> => {
  const tool = idToBytes(TOOL);
  const jobs = Array.from({ length: JOBS }, () => idToBytes(uuidv7()));
  for (let from = 0; from < PULLS; from += BATCH) {
    const rows = Array.from({ length: BATCH }, (_, index) => {
      const number = from + index;
      const shown = 2 + (Math.floor(number / 50) % 12) * 0.5;
      const job = jobs[Math.floor((number * JOBS) / PULLS)];
      const at = new Date(START_MS + number * EVERY_MS).toISOString().replace('T', ' ').replace('Z', '');
      const position = `P${number % 2500}`;
      return [
        idToBytes(uuidv7()),
        tool,
        job,
        tool,
        position,
        '',
        at,
        shown,
        shown,
        shown * 0.94,
        shown * 1.1,
        'in',
      ];
    });
    await pool.query(
      `INSERT INTO pulls (event_id, tool_id, job_id, person_id, position, label, pulled_at, shown_newton_metres,
                          torque_newton_metres, low_newton_metres, high_newton_metres, outcome) VALUES ?`,
      [rows],
    );
  }
  await pool.query(
    `INSERT INTO pull_counts (alike, tool_id, pulled_on, job_id, shown_newton_metres, torque_newton_metres,
                              low_newton_metres, high_newton_metres, uses, last_used_at)
     SELECT MIN(event_id), tool_id, DATE(pulled_at), job_id, shown_newton_metres, torque_newton_metres,
            low_newton_metres, high_newton_metres, COUNT(*), MAX(pulled_at)
       FROM pulls
      GROUP BY 2, 3, 4, 5, 6, 7, 8`,
  );
  await pool.query('ANALYZE TABLE pulls, pull_counts');
};

/** A recall of one tool over a million pulls. */
export const benchRecall = async (): Promise<void> => {
  await onBenchDatabase(async (owner) => {
    await fill(owner);
    const points = [1, 4, 8].map((torqueNewtonMetres) => ({
      torqueNewtonMetres,
      errorPercent: 7,
      deviationPercent: 0.2,
      expandedPercent: 0.6,
    }));
    const found = {
      session: { id: uuidv7(), at: '2026-11-25T00:00:00.000Z', points } as unknown as KeptSession,
      since: '2025-01-01T00:00:00.000Z',
      endsBefore: '2026-11-26',
    };
    await measuredAsync(`recall of one tool over ${PULLS} pulls, to its last job`, 5, async () => {
      for await (const step of recallOf(found, TOOL))
        if (step.kind === 'found' && step.jobs.length !== JOBS) throw new Error('a job is missing');
    });
  });
};
