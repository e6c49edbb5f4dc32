import type { PlannedGroup } from '../job/plan.ts';
import { type FastenerStatus, type FastenerView, isAsRequired } from './bench.ts';
import { blockingSteps, positionToCheck, type Stepped } from './due-steps.ts';
import { fastenersIn, groupWork, isByHand } from './group-work.ts';
import type { JobView } from './job-view.ts';
import { lastPass } from './passes.ts';

/** A fastener that is not in acceptance, and whether someone gave a reason to leave it so. */
export type OpenItem = {
  readonly position: string;
  readonly label: string;
  readonly status: FastenerStatus;
  readonly leftOpenWhy: string | null;
};

/** The fasteners that are not as their requirement asks, in the order of the work. */
export const openItems = (state: JobView): readonly OpenItem[] =>
  state.fasteners.flatMap(({ planned, status, leftOpen }) =>
    isAsRequired(status)
      ? []
      : [{ position: planned.position, label: planned.label, status, leftOpenWhy: leftOpen?.why ?? null }],
  );

/** The open items nobody has given a reason for: a job with any is not signed. */
export const unexplainedItems = (state: JobView): readonly OpenItem[] =>
  openItems(state).filter((item) => item.leftOpenWhy === null);

const isUntouched = ({ status }: FastenerView): boolean => status === 'open' || status === 'voided';

/** The fasteners of a group that come again in a later pass or round, once those of this one are pulled. */
const comeAgain = (
  state: Pick<JobView, 'fasteners'>,
  group: PlannedGroup,
  pass: number | null,
  now: readonly FastenerView[],
): readonly FastenerView[] => {
  const isLast = pass !== null && pass >= lastPass(group.kind) && !group.kind.roundsUntilStill;
  if (pass === null || isLast || now.length === 0) return [];
  const inThisPass = new Set(now);
  return fastenersIn(state, group).filter(
    (fastener) => fastener.leftOpen === null && !isByHand(fastener) && !inThisPass.has(fastener),
  );
};

/** The positions still to pull: the groups in their order, each pass by pass; within a group from the one after `position` round to it, first
 *  those not pulled or brought to an earlier pass, then those pulled and out. From the start when position is null. */
export const comingPositions = (
  state: Pick<JobView, 'plan' | 'fasteners' | 'indexByPosition'>,
  position: string | null,
): readonly string[] => {
  const at = position === null ? -1 : (state.indexByPosition.get(position) ?? -1);
  return state.plan.groups.flatMap((group) => {
    const { left, pass } = groupWork(state, group);
    const isAfter = ({ planned }: FastenerView): boolean =>
      (state.indexByPosition.get(planned.position) ?? 0) > at;
    const isHere = fastenersIn(state, group).some(({ planned }) => planned.position === position);
    const round = isHere ? [...left.filter(isAfter), ...left.filter((each) => !isAfter(each))] : left;
    const isToDo = (fastener: FastenerView): boolean =>
      isUntouched(fastener) || fastener.status === 'reached' || isAsRequired(fastener.status);
    const now = [...round.filter(isToDo), ...round.filter((each) => !isToDo(each))];
    return [...now, ...comeAgain(state, group, pass, now)].map(({ planned }) => planned.position);
  });
};

/** Where the work goes on: a fastener whose check is due, else the next one to pull. Null where neither is left. */
export const nextPosition = (state: Stepped, position: string | null): string | null =>
  positionToCheck(state) ?? comingPositions(state, position)[0] ?? null;

/** Whether every fastener is as its requirement asks or left open with a reason, every round is still, and no step that something waits for
 *  is due. */
export const isReadyToSign = (state: JobView): boolean =>
  unexplainedItems(state).length === 0 &&
  comingPositions(state, null).length === 0 &&
  blockingSteps(state).length === 0;

/** How far a job has come, in counts of fasteners. */
export type Progress = {
  readonly total: number;
  readonly inAcceptance: number;
  readonly leftOpen: number;
  readonly remaining: number;
};

/** Counts of a job's fasteners by what is left to do. */
export const jobProgress = (state: JobView): Progress => {
  const inAcceptance = state.fasteners.filter(({ status }) => isAsRequired(status)).length;
  const leftOpen = state.fasteners.filter((item) => !isAsRequired(item.status) && item.leftOpen).length;
  const total = state.fasteners.length;
  return { total, inAcceptance, leftOpen, remaining: total - inAcceptance - leftOpen };
};

export type JobStage = 'planned' | 'under-way' | 'ready-to-sign' | 'done' | 'inspected';

/** The stage a job is at, from its events alone. */
export const jobStage = (state: JobView): JobStage => {
  if (state.signatures.some(({ meaning }) => meaning === 'inspected')) return 'inspected';
  if (state.signatures.length > 0) return 'done';
  if (isReadyToSign(state)) return 'ready-to-sign';
  return state.fasteners.some(({ pulls }) => pulls.length > 0) ? 'under-way' : 'planned';
};
