import { v5 as uuidv5, v7 as uuidv7 } from 'uuid';
import { unplacedEvent } from '#core/event/event.ts';
import { whoMay } from '#core/people/may.ts';
import { type RecalledPulls, recalledJobs, recalledPulls } from '#core/recall/recall.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { KeptSession, RecalledJobLine } from '#wire/calibration.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { appendedTo, unknownContact } from '../append/append-events.ts';
import type { Asker } from '../asker.ts';
import { database } from '../database/pool.ts';
import { selectSessions, selectToolsFoundOut } from '../queries/calibration-sessions.ts';
import { selectJobSummaries } from '../queries/jobs.ts';
import { selectAlikePulls, selectPullsOfJob, selectUseSpan } from '../queries/pulls.ts';
import { insertLogEntry, selectLog } from '../queries/site-log.ts';
import { selectToolsInUse } from '../queries/tools.ts';
import { now } from './clock.ts';
import { planRecheck } from './plan-recheck.ts';

const DAY_MS = 86_400_000;

/** The session that found a tool out, and since when its pulls are in doubt. */
export type FoundOut = {
  readonly session: KeptSession;
  readonly since: string;
  /** The first day (UTC) whose pulls are not in doubt: what was pulled after the session that found it is not touched. */
  readonly endsBefore: string;
};

const dayAfter = (day: string): string =>
  new Date(Date.parse(`${day}T00:00:00.000Z`) + DAY_MS).toISOString().slice(0, 10);

/** The last session of a tool whose as-found error was outside, and the day of the good one before it. Refuses: not-found-out. */
export const foundOut = async (toolId: string): Promise<Result<FoundOut, Problem>> => {
  const sessions = await selectSessions(database(), toolId);
  const at = sessions.findIndex(({ hasPassedAsFound }) => !hasPassedAsFound);
  const session = sessions[at];
  if (!session) return refused({ code: 'not-found-out' });
  const good = sessions
    .slice(at + 1)
    .find(({ hasPassedAsLeft, kind }) => hasPassedAsLeft && kind !== 'cross-check');
  // Without a good session before it, everything the tool ever did is in doubt.
  return accepted({
    session,
    since: good ? `${good.doneOn}T00:00:00.000Z` : '1970-01-01T00:00:00.000Z',
    endsBefore: dayAfter(session.doneOn),
  });
};

/** How far a recall has come, and at its end the jobs it found. */
export type RecallProgress =
  | {
      readonly kind: 'progress';
      readonly done: number;
      readonly total: number;
      readonly outsideWorst: number;
    }
  | {
      readonly kind: 'found';
      readonly uses: number;
      readonly since: string;
      readonly until: string;
      readonly jobs: readonly RecalledJobLine[];
    };

const SLICES = 10;

/** Days that cut a span into slices of whole days, no more of them than there are days. */
const sliceEnds = (first: string, last: string): readonly string[] => {
  const [from, days] = [Date.parse(first), (Date.parse(last) - Date.parse(first)) / DAY_MS + 1];
  const slices = Math.min(SLICES, days);
  return Array.from({ length: slices + 1 }, (_, index) =>
    new Date(from + Math.ceil((days * index) / slices) * DAY_MS).toISOString().slice(0, 10),
  );
};

const decisionSubject = (sessionId: string, jobId: string): string => `${sessionId}+${jobId}`;

const withNames = async (
  session: KeptSession,
  recalled: readonly RecalledPulls[],
): Promise<readonly RecalledJobLine[]> => {
  const summaries = new Map((await selectJobSummaries(database())).map((job) => [job.id, job]));
  const log = await selectLog(database(), 'recall-decided', null);
  return recalledJobs(recalled).map((job) => {
    const entry = log.find(({ subject }) => subject === decisionSubject(session.id, job.jobId));
    return {
      ...job,
      number: summaries.get(job.jobId)?.number ?? '',
      title: summaries.get(job.jobId)?.title ?? '',
      decision: entry
        ? { what: (entry.body as { what: string }).what, why: entry.why, by: entry.by, at: entry.at }
        : null,
    };
  });
};

/** Judges every pull of a tool from its last good session up to the one that found it again, slice of time by slice of time, so that the screen can follow. */
export async function* recallOf(
  { session, since, endsBefore }: FoundOut,
  toolId: string,
): AsyncGenerator<RecallProgress> {
  const span = await selectUseSpan(database(), toolId, since.slice(0, 10), endsBefore);
  if (!span) return yield { kind: 'found', uses: 0, since, until: session.at, jobs: [] };
  const ends = sliceEnds(span.first, span.last);
  const recalled: RecalledPulls[] = [];
  let done = 0;
  for (const [slice, to] of ends.slice(1).entries()) {
    const { alike, uses } = await selectAlikePulls(database(), toolId, ends[slice] as string, to, done);
    done += uses;
    for (const pulls of alike) recalled.push(recalledPulls(pulls, session.points, span.uses));
    const outsideWorst = recalled.reduce(
      (sum, { pulls, outsidePercent }) => sum + (outsidePercent > 0 ? pulls.count : 0),
      0,
    );
    yield { kind: 'progress', done, total: span.uses, outsideWorst };
  }
  yield { kind: 'found', uses: done, since, until: session.at, jobs: await withNames(session, recalled) };
}

/** How many jobs that a tool touched while it was off await a lead's decision; none for a tool that was not found out. */
export const undecidedJobs = async (toolId: string): Promise<number> => {
  const found = await foundOut(toolId);
  if (!found.ok) return 0;
  for await (const step of recallOf(found.value, toolId))
    if (step.kind === 'found') return step.jobs.filter(({ decision }) => decision === null).length;
  return 0;
};

/** The same for every tool of the crib that has any, by its id. */
export const undecidedByTool = async (): Promise<Readonly<Record<string, number>>> => {
  const waiting: Record<string, number> = {};
  for (const toolId of await selectToolsFoundOut(database())) {
    const jobs = await undecidedJobs(toolId);
    if (jobs > 0) waiting[toolId] = jobs;
  }
  return waiting;
};

/** One pull of a recalled job, for its work list. */
export type RecalledPullLine = {
  readonly position: string;
  readonly pulledAt: string;
  readonly recordedNewtonMetres: number;
  readonly worstNewtonMetres: number;
  readonly lowNewtonMetres: number;
  readonly highNewtonMetres: number;
  readonly outsidePercent: number;
};

/** The work list of a recalled job: its pulls that are outside in the worst case, the farthest first. Refuses: not-found-out. */
export const recalledWork = async (
  toolId: string,
  jobId: string,
): Promise<Result<readonly RecalledPullLine[], Problem>> => {
  const found = await foundOut(toolId);
  if (!found.ok) return found;
  const { session, since, endsBefore } = found.value;
  const pulls = await selectPullsOfJob(database(), toolId, jobId, since, endsBefore);
  const lines = pulls.map(({ position, pulledAt, shown, torque, recorded, low, high }) => {
    const alike = { jobId, shown, torque, low, high, count: 1, firstUse: 1, lastUse: 1 };
    const { worstTorque, outsidePercent } = recalledPulls(alike, session.points, 1);
    return {
      position,
      pulledAt,
      recordedNewtonMetres: recorded,
      worstNewtonMetres: worstTorque,
      lowNewtonMetres: low,
      highNewtonMetres: high,
      outsidePercent,
    };
  });
  return accepted(
    lines
      .filter(({ outsidePercent }) => outsidePercent > 0)
      .sort((a, b) => b.outsidePercent - a.outsidePercent),
  );
};

/** Puts a decision beside the job's signatures, which it does not strike. Refuses: not-found, ledger-broken. */
const noteRecall = async (
  { jobId, what, why }: { readonly jobId: string; readonly what: string; readonly why: string },
  { session }: FoundOut,
  outside: number,
  by: Asker,
): Promise<Result<null, Problem>> => {
  const known = (await selectToolsInUse(database(), [session.toolId])).known[0];
  const event = unplacedEvent(
    { id: uuidv7(), job: jobId, deviceTime: now(), person: by },
    {
      kind: 'recall-noted',
      body: {
        sessionId: session.id,
        toolCode: known?.tool.code ?? session.reference.slice(0, 20),
        what,
        why,
        outside,
      },
    },
  );
  const result = await appendedTo(jobId, [event], by, unknownContact);
  if (!result.ok) return result;
  return result.value.refused ? refused(result.value.refused.problem) : accepted(null);
};

/** Decides what is done about a recalled job, with a reason that stays; a re-check opens a job of the fasteners that are outside.
 *  Refuses: role-may-not, not-found-out, and what planRecheck refuses. */
export const decideRecall = async (
  toolId: string,
  decision: { readonly jobId: string; readonly what: string; readonly why: string },
  by: Asker,
): Promise<Result<{ readonly recheckJobId: string | null }, Problem>> => {
  const right = whoMay(by, 'decide-recall');
  if (!right.ok) return right;
  const found = await foundOut(toolId);
  if (!found.ok) return found;
  const work = await recalledWork(toolId, decision.jobId);
  if (!work.ok) return work;
  const positions = new Set(work.value.map(({ position }) => position));
  // Asked for again, as after a crash before it was noted, it is the same job.
  const id = uuidv5(found.value.session.id, decision.jobId);
  const rework =
    decision.what === 're-check' ? await planRecheck(decision.jobId, positions, by, { id }) : null;
  if (rework && !rework.ok) return rework;
  const noted = await noteRecall(decision, found.value, work.value.length, by);
  if (!noted.ok) return noted;
  // Last: the list goes by it, and what is in the log is in the job's record too.
  await insertLogEntry(database(), {
    at: now(),
    by,
    kind: 'recall-decided',
    subject: decisionSubject(found.value.session.id, decision.jobId),
    why: decision.why,
    body: { what: decision.what },
  });
  return accepted({ recheckJobId: rework ? rework.value : null });
};
