import type { PlannedGroup } from '../job/plan.ts';
import { isTorqueless } from '../spec/requirement/requirement.ts';
import { type FastenerView, isAsRequired } from './bench.ts';
import type { JobView } from './job-view.ts';
import { lastPass } from './passes.ts';

/** What is left to pull of a group: the pass it is in, and the fasteners that still need it, in their order. */
export type GroupWork = {
  /** Null once nothing is left to pull. */
  readonly pass: number | null;
  readonly left: readonly FastenerView[];
};

/** Whether a fastener is tightened by hand without a torque, as its requirement asks. */
export const isByHand = ({ planned }: Pick<FastenerView, 'planned'>): boolean =>
  isTorqueless(planned.requirement.requirement);

/** The fasteners of a group, in their order. */
export const fastenersIn = (
  { fasteners }: Pick<JobView, 'fasteners'>,
  { id }: Pick<PlannedGroup, 'id'>,
): readonly FastenerView[] => fasteners.filter(({ planned }) => planned.group === id);

const inPlay = ({ leftOpen }: FastenerView): boolean => leftOpen === null;

/** The round that has to follow once every fastener has been through the same pass: one after the last pass, and another for as long as
 *  something moved. Null where nothing has to. */
const nextRound = (
  { kind }: PlannedGroup,
  through: number,
  pulled: readonly FastenerView[],
): number | null => {
  if (!kind.roundsUntilStill || through < lastPass(kind)) return null;
  const isStill = through > lastPass(kind) && pulled.every(({ unquietPass }) => unquietPass < through);
  return isStill ? null : through + 1;
};

/** What is left to pull of a group. A fastener that went past or is out is left until it is as required; the others follow pass by pass. */
export const groupWork = (job: Pick<JobView, 'fasteners'>, group: PlannedGroup): GroupWork => {
  const all = fastenersIn(job, group).filter(inPlay);
  const fingers = all.filter((fastener) => isByHand(fastener) && !isAsRequired(fastener.status));
  const pulled = all.filter((fastener) => !isByHand(fastener));
  const last = lastPass(group.kind);
  const through = pulled.reduce((least, { pass }) => Math.min(least, pass), Number.POSITIVE_INFINITY);
  const isBehind = ({ pass, status, isPastLimit, remedy }: FastenerView, wanted: number): boolean =>
    pass < wanted || isPastLimit || remedy !== null || (wanted >= last && !isAsRequired(status));
  const wanted = through < last ? through + 1 : last;
  const behind = pulled.filter((fastener) => isBehind(fastener, wanted));
  if (behind.length > 0) return { pass: wanted, left: [...fingers, ...behind] };
  const round = pulled.length > 0 ? nextRound(group, through, pulled) : null;
  if (round === null) return { pass: null, left: fingers };
  return { pass: round, left: [...fingers, ...pulled.filter(({ pass }) => pass < round)] };
};
