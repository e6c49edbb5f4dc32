import { v7 as uuidv7 } from 'uuid';
import { type Person, unplacedEvent } from '#core/job/event.ts';
import { foldJob } from '#core/job/next-state.ts';
import { EMPTY_HEAD } from '#core/ledger/hash-chain.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import { jobNumberText } from '#wire/job-summary.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { inTransaction } from '../database/pool.ts';
import { selectEvents } from '../queries/events.ts';
import { insertJob } from '../queries/jobs.ts';
import { appendInTransaction } from './append-events.ts';
import { now } from './clock.ts';

const TITLE_MAX = 120;

/** Plans a job anew for some of its fasteners, as they were required then, under the schools it was planned with. Answers the new job's id.
 *  Refuses: not-found (no such job, or none of the positions in it), and what the fold refuses. */
export const planRecheck = (
  jobId: string,
  positions: ReadonlySet<string>,
  by: Person,
): Promise<Result<string, Problem>> =>
  inTransaction(
    async (db): Promise<Result<string, Problem>> => {
      const folded = foldJob(await selectEvents(db, jobId, 0));
      const fasteners = folded.ok
        ? folded.value.fasteners.flatMap(({ planned }) => (positions.has(planned.position) ? [planned] : []))
        : [];
      if (!folded.ok || fasteners.length === 0) return refused({ code: 'not-found', what: 'job' });
      const { plan } = folded.value;
      const id = uuidv7();
      const at = now();
      const number = jobNumberText(await insertJob(db, id, at));
      const event = unplacedEvent(
        { id: uuidv7(), job: id, deviceTime: at, person: by },
        {
          kind: 'job-planned',
          body: { ...plan, number, title: `Re-check: ${plan.title}`.slice(0, TITLE_MAX), fasteners },
        },
      );
      const result = await appendInTransaction(db, id, EMPTY_HEAD, [event], by);
      return result.refused ? refused(result.refused.problem) : accepted(id);
    },
    (result) => result.ok,
  );
