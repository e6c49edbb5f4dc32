import { v5 as uuidv5, v7 as uuidv7 } from 'uuid';
import { unplacedEvent } from '#core/event/event.ts';
import { withoutUnmetClass } from '#core/job/in-hand.ts';
import { movedToBook } from '#core/job/moved-requirement.ts';
import type { PlannedFastener } from '#core/job/plan.ts';
import { whoMay } from '#core/people/may.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { JobView } from '#core/view/job-view.ts';
import { type ChangedValue, valueRecall } from '#core/view/recalled-fasteners.ts';
import type { DependentJob } from '#wire/book.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { RecallDecision, RecalledByValue, ValueRecallAnswer } from '#wire/recall.ts';
import { appendedTo, unknownContact } from '../append/append-events.ts';
import { caughtUp } from '../append/remembered-job.ts';
import type { Asker } from '../asker.ts';
import { database } from '../database/pool.ts';
import { selectChangedValues, type ValueId } from '../queries/changed-values.ts';
import { selectDependentJobs } from '../queries/job-references.ts';
import { type ValueNow, valueNow } from './changed-value.ts';
import { now } from './clock.ts';
import { planRecheck } from './plan-recheck.ts';

/** How far a recall by value has come, and at its end what it found. */
export type ValueRecallProgress =
  | { readonly kind: 'progress'; readonly done: number; readonly total: number; readonly recalled: number }
  | ({ readonly kind: 'found' } & ValueRecallAnswer);

const decisionIn = ({ valueRecalls }: JobView, { id, revision }: ChangedValue) =>
  valueRecalls.findLast((made) => made.refId === id && made.revision === revision) ?? null;

const lineOf = (job: DependentJob, view: JobView, value: ChangedValue): RecalledByValue => {
  const made = decisionIn(view, value);
  return {
    jobId: job.id,
    number: job.number,
    title: job.title,
    isOpen: job.isOpen,
    ...valueRecall(view, value),
    decision: made && { what: made.what, why: made.why, by: made.person.name, at: made.at },
    recheckJobId: made?.recheckJobId ?? null,
  };
};

/** How far outside a job's worst fastener is; one of which nothing can be said counts as farthest. */
const farthest = ({ recalled }: RecalledByValue): number =>
  recalled[0]?.outsidePercent ?? Number.MAX_SAFE_INTEGER;

/** Judges every fastener that was tightened to a value as it no longer is by the one in force, job by job, signed ones too. */
export async function* valueRecallOf({ facts, value }: ValueNow): AsyncGenerator<ValueRecallProgress> {
  const dependents = await selectDependentJobs(database(), { refId: value.id });
  const inQuestion = dependents.filter(({ revision }) => value.isWithdrawn || revision < value.revision);
  const jobs = [...new Map(inQuestion.map((job) => [job.id, job])).values()];
  const lines: RecalledByValue[] = [];
  const unread: string[] = [];
  for (const [done, job] of jobs.entries()) {
    yield {
      kind: 'progress',
      done,
      total: jobs.length,
      recalled: lines.reduce((sum, { recalled }) => sum + recalled.length, 0),
    };
    const read = await caughtUp(database(), job.id);
    // One job whose ledger is broken must not keep the others from being judged.
    if (read.ok && read.value.view) lines.push(lineOf(job, read.value.view, value));
    else unread.push(job.number);
  }
  yield {
    kind: 'found',
    facts,
    jobs: jobs.length,
    pulled: lines.reduce((sum, { pulled }) => sum + pulled, 0),
    recalled: lines
      .filter(({ recalled }) => recalled.length > 0)
      .toSorted(
        (a, b) => Number(a.decision !== null) - Number(b.decision !== null) || farthest(b) - farthest(a),
      ),
    unread,
  };
}

/** A recall by value to its end. Refuses: not-found. */
export const valueRecallAnswer = async (id: ValueId): Promise<Result<ValueRecallAnswer, Problem>> => {
  const value = await valueNow(database(), id);
  if (!value.ok) return value;
  let found: ValueRecallAnswer = { facts: value.value.facts, jobs: 0, pulled: 0, recalled: [], unread: [] };
  for await (const step of valueRecallOf(value.value))
    if (step.kind === 'found') {
      const { kind: _, ...answer } = step;
      found = answer;
    }
  return accepted(found);
};

/** Every value that jobs rest on as it no longer is, each with what its change means for them; the one changed last first. */
export async function* changedValues(): AsyncGenerator<ValueRecallAnswer> {
  for (const id of await selectChangedValues(database())) {
    const answer = await valueRecallAnswer(id);
    if (answer.ok) yield answer.value;
  }
}

type Decision = {
  readonly jobId: string;
  /** The revision that the person saw the recall of. */
  readonly revision: number;
  readonly what: RecallDecision;
  readonly why: string;
};

/** The id of the job that a rework is: it follows from what it is the rework of, so that asking twice makes one. */
const reworkId = (jobId: string, { id, revision }: ChangedValue): string =>
  uuidv5(`${id}.${revision}`, jobId);

/** How a fastener is planned for the rework: by the value in force. Refuses: nothing-in-force. */
const asInForce =
  ({ facts, value }: ValueNow) =>
  (planned: PlannedFastener): Result<PlannedFastener, Problem> => {
    const { book } = planned.requirement;
    const taken = book && value.now(book);
    return taken
      ? accepted(withoutUnmetClass({ ...planned, requirement: movedToBook(planned.requirement, taken) }))
      : refused({ code: 'nothing-in-force', requirementCode: facts.code });
  };

/** Decides what is done about a job that a recall by value found, with a reason that stays in the job's record; a re-check opens a job of the
 *  fasteners that do not conform. The same re-check asked for again answers the job that was opened.
 *  Refuses: role-may-not, not-found, revision-stale (the value was changed again), nothing-recalled, nothing-in-force, and what planRecheck refuses. */
export const decideValueRecall = async (
  id: ValueId,
  { jobId, revision, what, why }: Decision,
  by: Asker,
): Promise<Result<{ readonly recheckJobId: string | null }, Problem>> => {
  const right = whoMay(by, 'decide-recall');
  if (!right.ok) return right;
  const known = await valueNow(database(), id);
  if (!known.ok) return known;
  const { facts, value } = known.value;
  if (revision !== value.revision) return refused({ code: 'revision-stale', by: facts.changedBy });
  const job = await caughtUp(database(), jobId);
  if (!job.ok) return job;
  const { view } = job.value;
  if (!view) return refused({ code: 'not-found', what: 'job' });
  const { recalled } = valueRecall(view, value);
  if (recalled.length === 0) return refused({ code: 'nothing-recalled' });
  const made = decisionIn(view, value);
  if (what === 're-check' && made?.recheckJobId) return accepted({ recheckJobId: made.recheckJobId });
  const positions = new Set(recalled.map(({ position }) => position));
  const rework =
    what === 're-check'
      ? await planRecheck(jobId, positions, by, { asNow: asInForce(known.value), id: reworkId(jobId, value) })
      : null;
  if (rework && !rework.ok) return rework;
  const recheckJobId = rework ? rework.value : null;
  const event = unplacedEvent(
    { id: uuidv7(), job: jobId, deviceTime: now(), person: by },
    {
      kind: 'value-recall-noted',
      body: {
        refId: value.id,
        code: facts.code,
        revision,
        what,
        why,
        outside: recalled.length,
        recheckJobId,
      },
    },
  );
  const noted = await appendedTo(jobId, [event], by, unknownContact);
  if (!noted.ok) return noted;
  return noted.value.refused ? refused(noted.value.refused.problem) : accepted({ recheckJobId });
};
