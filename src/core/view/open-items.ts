import type { FastenerStatus, FastenerView } from './bench.ts';
import type { JobView } from './job-view.ts';

/** A fastener that is not in acceptance, and whether someone gave a reason to leave it so. */
export type OpenItem = {
  readonly position: string;
  readonly label: string;
  readonly status: Exclude<FastenerStatus, 'in'>;
  readonly leftOpenWhy: string | null;
};

/** The fasteners that are not in acceptance, in the order of the work. */
export const openItems = (state: JobView): readonly OpenItem[] =>
  state.fasteners.flatMap(({ planned, status, leftOpen }) =>
    status === 'in'
      ? []
      : [{ position: planned.position, label: planned.label, status, leftOpenWhy: leftOpen?.why ?? null }],
  );

/** The open items nobody has given a reason for: a job with any is not signed. */
export const unexplainedItems = (state: JobView): readonly OpenItem[] =>
  openItems(state).filter((item) => item.leftOpenWhy === null);

const isToDo = ({ status, leftOpen }: FastenerView): boolean =>
  leftOpen === null && (status === 'open' || status === 'voided');

const isUnfinished = ({ status, leftOpen }: FastenerView): boolean => leftOpen === null && status !== 'in';

/** The positions still to pull, from the one after `position` round to it: first those not pulled, then those pulled and not in.
 *  From the start when position is null. */
export const comingPositions = (state: JobView, position: string | null): readonly string[] => {
  const start = position === null ? 0 : (state.placeOf.get(position) ?? -1) + 1;
  const round = [...state.fasteners.slice(start), ...state.fasteners.slice(0, start)];
  const remaining = round.filter(isToDo);
  const again = round.filter((fastener) => isUnfinished(fastener) && !isToDo(fastener));
  return [...remaining, ...again].map(({ planned }) => planned.position);
};

/** How far a job has come, in counts of fasteners. */
export type Progress = {
  readonly total: number;
  readonly inAcceptance: number;
  readonly leftOpen: number;
  readonly remaining: number;
};

/** Counts of a job's fasteners by what is left to do. */
export const jobProgress = (state: JobView): Progress => {
  const inAcceptance = state.fasteners.filter(({ status }) => status === 'in').length;
  const leftOpen = state.fasteners.filter((item) => item.status !== 'in' && item.leftOpen).length;
  const total = state.fasteners.length;
  return { total, inAcceptance, leftOpen, remaining: total - inAcceptance - leftOpen };
};

export type JobStage = 'planned' | 'under-way' | 'ready-to-sign' | 'done' | 'inspected';

/** The stage a job is at, from its events alone. */
export const jobStage = (state: JobView): JobStage => {
  if (state.signatures.some(({ meaning }) => meaning === 'inspected')) return 'inspected';
  if (state.signatures.length > 0) return 'done';
  if (unexplainedItems(state).length === 0) return 'ready-to-sign';
  return state.fasteners.some(({ pulls }) => pulls.length > 0) ? 'under-way' : 'planned';
};
