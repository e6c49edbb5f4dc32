import type { Known } from '../command/known.ts';
import type { JobPlan } from '../job/plan.ts';
import type { JobRefusal } from '../job/refusal.ts';
import { whoMay } from '../people/may.ts';
import { accepted, type Result, refused } from '../result.ts';
import type { Rules } from '../rules/rules.ts';
import { rulesOf } from '../rules/rules-by-number.ts';
import type { JobView } from '../view/job-view.ts';
import type { JobHappening } from './event.ts';
import type { AnyKind } from './event-kind.ts';
import { jobPlanned } from './kinds/job-planned.ts';
import { EVENT_KINDS } from './kinds.ts';

/** What a person wants to happen to a job, or says has happened: of each kind of event the part that a person says. */
export type Command = { readonly kind: JobHappening['kind']; readonly said: unknown };

const kindNamed = (kind: keyof typeof EVENT_KINDS): AnyKind => EVENT_KINDS[kind];

/** The command that an event answers. */
export const commandOf = ({ kind, body }: JobHappening): Command => {
  return { kind, said: kind === 'job-planned' ? body : kindNamed(kind).says(body) };
};

/** What the one who decided an event knew, as far as it counted: it stands in the event. */
export const knewOf = ({ kind, body }: JobHappening): Partial<Known> =>
  kind === 'job-planned' ? {} : kindNamed(kind).knew(body);

const decidedPlan = (job: JobView | null, plan: JobPlan, known: Known): Result<JobHappening, JobRefusal> => {
  if (job) return refused({ code: 'job-already-planned' });
  const rules = rulesOf(plan.rules);
  if (!rules) return refused({ code: 'rules-unknown', number: plan.rules });
  const body = jobPlanned.decide(plan, known, rules);
  return body.ok ? accepted({ kind: 'job-planned', body: body.value }) : body;
};

/** Whether the person may do what a command says. Refuses: role-may-not. */
export const allowed = ({ kind, said }: Command, known: Pick<Known, 'person'>): Result<null, JobRefusal> => {
  const actions = kind === 'job-planned' ? jobPlanned.actions() : kindNamed(kind).actions(said);
  for (const action of actions) {
    const right = whoMay(known.person, action);
    if (!right.ok) return right;
  }
  return accepted(null);
};

/** Decides a command on a job as it stands, with what the asker knows: what happens, with all that follows from it, or why it can't. The
 *  browser calls it at once, the server again under the lock, the verifier once more. Judged by the job's rules unless others are given.
 *  Refuses: every code of JobRefusal. */
export const decide = (
  job: JobView | null,
  command: Command,
  known: Known,
  rules?: Rules,
): Result<JobHappening, JobRefusal> => {
  const { kind, said } = command;
  if (kind === 'job-planned') {
    const right = allowed(command, known);
    return right.ok ? decidedPlan(job, said as JobPlan, known) : right;
  }
  if (!job) return refused({ code: 'job-not-planned' });
  const found = kindNamed(kind);
  if (job.signatures.length > 0 && !found.mayFollowSignature) return refused({ code: 'job-signed' });
  const judgedBy = rules ?? rulesOf(job.rules);
  if (!judgedBy) return refused({ code: 'rules-unknown', number: job.rules });
  const body = found.decide(job, said, known, judgedBy);
  if (!body.ok) return body;
  const right = allowed(command, known);
  return right.ok ? accepted({ kind, body: body.value } as JobHappening) : right;
};
