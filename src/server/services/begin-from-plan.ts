import { unplacedEvent } from '#core/event/event.ts';
import type { LedgerEvent } from '#core/event/lifted.ts';
import type { JobPlan } from '#core/job/plan.ts';
import { asKindNow } from '#core/joint/joint-kinds.ts';
import type { Result } from '#core/result.ts';
import { NEWEST_RULES } from '#core/rules/rules-by-number.ts';
import { jobNumberText } from '#wire/job-summary.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { ContactOf } from '../append/append-events.ts';
import { beginJob } from '../append/begin-job.ts';
import type { Asker } from '../asker.ts';
import { inTransaction, type Transaction } from '../database/transaction.ts';
import { insertJob } from '../queries/jobs.ts';
import { selectSiteKinds } from '../queries/own-kinds.ts';
import { selectSite } from '../queries/site.ts';
import { begunBefore } from './begun-before.ts';
import { now } from './clock.ts';

/** What stood in a plan before: all but what a new job has of its own. */
export type PlanBefore = Omit<JobPlan, 'rules' | 'number'>;

/** What names the new job and the event it begins with. */
export type NewIds = { readonly job: string; readonly event: string; readonly deviceTime: string };

/** Begins a job with a plan that stood before, under the newest rules and with each kind of joint as the site has it now; a group without a fastener is none of the new
 *  job's. Refuses: what decide refuses. */
export const beginFromPlan = async (
  db: Transaction,
  before: PlanBefore,
  ids: NewIds,
  by: Asker,
  contactOf?: ContactOf,
): Promise<Result<LedgerEvent, Problem>> => {
  const number = jobNumberText(await insertJob(db, ids.job, now()));
  const kinds = await selectSiteKinds(db);
  const groups = before.groups
    .filter(({ id }) => before.fasteners.some(({ group }) => group === id))
    .map((group) => ({ ...group, kind: asKindNow(group.kind, kinds) }));
  const event = unplacedEvent(
    { id: ids.event, job: ids.job, deviceTime: ids.deviceTime, person: by },
    { kind: 'job-planned', body: { ...before, rules: NEWEST_RULES.number, number, groups } },
  );
  return beginJob(db, event, by, contactOf);
};

/** Opens a job with a plan that stood before, under the site's schools of the moment. The same sent again is answered again.
 *  Refuses: event-id-used, and what decide refuses. */
export const openAsBefore = (
  plan: Omit<PlanBefore, 'siteUnit' | 'schools'>,
  ids: NewIds,
  by: Asker,
  contactOf: ContactOf,
): Promise<Result<LedgerEvent, Problem>> =>
  inTransaction(
    async (db): Promise<Result<LedgerEvent, Problem>> => {
      const before = await begunBefore(db, ids.job, ids.event);
      if (before) return before;
      const { unit: siteUnit, schools } = await selectSite(db);
      return beginFromPlan(db, { ...plan, siteUnit, schools }, ids, by, contactOf);
    },
    (result) => result.ok,
  );
