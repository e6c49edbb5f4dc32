import { unmetClass } from '../job/in-hand.ts';
import { movedToBook } from '../job/moved-requirement.ts';
import { percentOutside } from '../recall/recall.ts';
import type { BookReference } from '../spec/book/book-reference.ts';
import type { FromBook } from '../spec/book/from-book.ts';
import type { Outcome } from '../verdict/tightening-verdict.ts';
import type { FastenerStatus, FastenerView } from './bench.ts';
import { limitPercentOf } from './fastener-target.ts';
import type { JobView } from './job-view.ts';
import { standingPull, wouldBe } from './rejudged-fastener.ts';
import { targetWith } from './target-with.ts';

/** A value of the spec book that was corrected or withdrawn, as it is now. */
export type ChangedValue = {
  readonly id: string;
  /** Its newest revision. What was planned by that one is not in question, unless it was withdrawn. */
  readonly revision: number;
  readonly isWithdrawn: boolean;
  /** What holds in place of a reference to it; null where nothing in force does. */
  readonly now: (book: BookReference) => FromBook | null;
};

/** A fastener that no longer conforms by the value in force. Torques in newton metres. */
export type RecalledFastener = {
  readonly position: string;
  /** Null for one that was tightened by the fingers. */
  readonly pulledAt: string | null;
  readonly was: FastenerStatus;
  /** `no-verdict` where nothing in force says what it should be. */
  readonly would: Outcome;
  readonly recordedNewtonMetres: number | null;
  readonly lowNewtonMetres: number | null;
  readonly highNewtonMetres: number | null;
  /** How far outside the nearer limit in force, in percent of it; 0 or less is inside, null where it can't be said. */
  readonly outsidePercent: number | null;
};

/** What a changed value means for a job. */
export type ValueRecall = {
  /** Fasteners that were tightened to it. */
  readonly pulled: number;
  /** Those that do not conform by the value in force, the farthest outside first. */
  readonly recalled: readonly RecalledFastener[];
};

/** Whether a fastener rests on a value as it no longer is. */
export const restsOnChanged = (
  { planned: { requirement } }: Pick<FastenerView, 'planned'>,
  { id, revision, isWithdrawn }: ChangedValue,
): boolean =>
  requirement.book?.id === id && (isWithdrawn || (requirement.book?.revision ?? revision) < revision);

const judgedAnew = (job: JobView, fastener: FastenerView, value: ChangedValue): RecalledFastener | null => {
  const { planned, runOn, status } = fastener;
  const pull = standingPull(job, fastener);
  if (!planned.requirement.book || (!pull && status !== 'finger-tight')) return null;
  const now = value.now(planned.requirement.book);
  const requirement = now && movedToBook(planned.requirement, now);
  const isByHandNow = requirement?.requirement.kind === 'finger-tight';
  const target = requirement
    ? targetWith(job, { planned: { ...planned, requirement }, runOn }, limitPercentOf(job, fastener))
    : null;
  const limits = target?.ok ? target.value : null;
  const recorded = pull?.body.torqueNewtonMetres ?? null;
  const isRightScrew = !requirement || unmetClass({ ...planned, requirement }) === null;
  const byTorque =
    pull && limits && isRightScrew ? wouldBe(job, fastener, pull.body, limits).outcome : 'no-verdict';
  const would = !pull && isByHandNow ? 'in' : byTorque;
  return {
    position: planned.position,
    pulledAt: pull?.deviceTime ?? null,
    was: pull?.body.outcome ?? status,
    would,
    recordedNewtonMetres: recorded,
    lowNewtonMetres: limits?.low ?? null,
    highNewtonMetres: limits?.high ?? null,
    outsidePercent: limits && recorded !== null ? percentOutside(recorded, limits.low, limits.high) : null,
  };
};

const farness = ({ outsidePercent }: RecalledFastener): number => outsidePercent ?? Number.POSITIVE_INFINITY;

/** Judges every fastener of a job that was tightened to a value which was corrected or withdrawn since by the one in force, under the rules and
 *  schools of the job, with its own run-on torque. What can't be said comes first, then the farthest outside. */
export const valueRecall = (job: JobView, value: ChangedValue): ValueRecall => {
  const judged = job.fasteners
    .filter((fastener) => restsOnChanged(fastener, value))
    .flatMap((fastener) => judgedAnew(job, fastener, value) ?? []);
  const recalled = judged.filter(({ would }) => would !== 'in');
  return { pulled: judged.length, recalled: recalled.toSorted((a, b) => farness(b) - farness(a) || 0) };
};
