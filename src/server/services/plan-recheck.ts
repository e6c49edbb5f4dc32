import { v7 as uuidv7 } from 'uuid';
import { unplacedEvent } from '#core/event/event.ts';
import type { PlannedFastener } from '#core/job/plan.ts';
import { asShippedNow } from '#core/joint/joint-kinds.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import { NEWEST_RULES } from '#core/rules/rules-by-number.ts';
import { jobNumberText } from '#wire/job-summary.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { beginJob } from '../append/begin-job.ts';
import { caughtUp } from '../append/remembered-job.ts';
import type { Asker } from '../asker.ts';
import { database } from '../database/pool.ts';
import { inTransaction } from '../database/transaction.ts';
import { insertJob, lockHead } from '../queries/jobs.ts';
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
  // A plan may be older than a kind's revision, and a group without a fastener to check is none of the new job's.
  const groups = view.plan.groups
    .filter(({ id: group }) => fasteners.some((fastener) => fastener.group === group))
    .map((group) => ({ ...group, kind: asShippedNow(group.kind) }));
  return inTransaction(
    async (db): Promise<Result<string, Problem>> => {
      // Locked even where it is not: two who ask at once must not both make it.
      if (await lockHead(db, id)) return accepted(id);
      const at = now();
      const number = jobNumberText(await insertJob(db, id, at));
      const title = `Re-check: ${view.plan.title}`.slice(0, TITLE_MAX);
      const event = unplacedEvent(
        { id: uuidv7(), job: id, deviceTime: at, person: by },
        {
          kind: 'job-planned',
          body: { ...view.plan, rules: NEWEST_RULES.number, number, title, groups, fasteners },
        },
      );
      const begun = await beginJob(db, event, by);
      return begun.ok ? accepted(id) : begun;
    },
    (result) => result.ok,
  );
};
