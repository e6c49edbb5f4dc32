import { v7 as uuidv7 } from 'uuid';
import type { PlannedFastener } from '#core/job/plan.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { caughtUp } from '../append/remembered-job.ts';
import type { Asker } from '../asker.ts';
import { database } from '../database/pool.ts';
import { inTransaction } from '../database/transaction.ts';
import { lockHead } from '../queries/jobs.ts';
import { beginFromPlan } from './begin-from-plan.ts';
import { now } from './clock.ts';

const TITLE_MAX = 120;

type Recheck = {
  /** How a fastener is planned now; as it was where nothing is said. */
  readonly asNow?: (planned: PlannedFastener) => Result<PlannedFastener, Problem>;
  /** The id of the new job, where it follows from what asks for it. */
  readonly id?: string;
};

/** Plans a job anew for some of its fasteners, as they are required now, under the schools it was planned with. Answers the
 *  new job's id; one that is there already is answered again.
 *  Refuses: not-found (no such job, or none of the positions in it), ledger-broken, and what asNow and decide refuse. */
export const planRecheck = async (
  jobId: string,
  positions: ReadonlySet<string>,
  by: Asker,
  { asNow = accepted, id = uuidv7() }: Recheck = {},
): Promise<Result<string, Problem>> => {
  const job = await caughtUp(database(), jobId);
  if (!job.ok) return job;
  const { view } = job.value;
  const fasteners: PlannedFastener[] = [];
  for (const { planned } of view?.fasteners ?? []) {
    if (!positions.has(planned.position)) continue;
    const now = asNow(planned);
    if (!now.ok) return now;
    fasteners.push(now.value);
  }
  if (!view || fasteners.length === 0) return refused({ code: 'not-found', what: 'job' });
  return inTransaction(
    async (db): Promise<Result<string, Problem>> => {
      // Locked even where it is not: two who ask at once must not both make it.
      if (await lockHead(db, id)) return accepted(id);
      const title = `Re-check: ${view.plan.title}`.slice(0, TITLE_MAX);
      const ids = { job: id, event: uuidv7(), deviceTime: now() };
      const begun = await beginFromPlan(db, { ...view.plan, title, fasteners }, ids, by);
      return begun.ok ? accepted(id) : begun;
    },
    (result) => result.ok,
  );
};
