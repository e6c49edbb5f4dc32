import type { PullDevice } from '#core/device/curve-facts.ts';
import type { PullMethod } from '#core/job/pull.ts';
import type { JobRefusal } from '#core/job/refusal.ts';
import { isIndicating } from '#core/tool/tool.ts';
import { type FastenerView, fastenerAt, type PullRecord, toolsAtHand } from '#core/view/bench.ts';
import type { JobView } from '#core/view/job-view.ts';
import { type NextAction, nextAction } from '#core/view/next-action.ts';
import { comingPositions, nextPosition } from '#core/view/open-items.ts';
import { sameSettingFirst } from '#core/view/setting-order.ts';

export type PullMore = {
  readonly readingStands?: boolean;
  readonly moved?: boolean;
  /** The device that read it; left out where a person did. */
  readonly device?: PullDevice | undefined;
};

/** A pull as the bench was asked to record it. */
export type AskedPull = {
  readonly method: PullMethod;
  readonly readingText: string | null;
  readonly more: PullMore;
};

/** What stands over the bench and takes its keys until it is answered. */
export type BenchQuestion =
  | 'make-safe'
  | 'void'
  | 'help'
  | 'legend'
  | 'leave-step'
  | 'step-not-good'
  /** What was done could not be kept on this device. */
  | 'not-kept'
  /** The site refused something that was done at the fastener in front. */
  | 'refused'
  /** Somebody else pulled the fastener in hand. */
  | 'pulled-meanwhile'
  /** Why a fastener is replaced. */
  | 'replace'
  /** Why it is not good to be pulled again, after it was looked at. */
  | 'inspected-not-good'
  /** What went wrong, or what else there is to do or to note. */
  | 'else'
  /** Whether a click on a fastener that is in was a second one, or a pull after it was loosened. */
  | 'second-click'
  /** Whether it turned before the tool gave, in a round at full torque. */
  | 'did-it-turn'
  | null;

/** The bench's own state beside the job's. */
export type BenchState = {
  /** The fastener that was chosen; null for the one that the work goes on with. */
  readonly chosen: string | null;
  /** Digits typed so far, in the tool's unit or the step's. */
  readonly typed: string;
  /** The last thing that was refused; for a likely mix-up, the question that waits for an answer. */
  readonly refusal: JobRefusal | null;
  readonly question: BenchQuestion;
  /** What steps are measured with, as it is marked. */
  readonly instrument: string;
  /** Somebody else's pull of the fastener in hand, until it was seen. */
  readonly meanwhile: Meanwhile | null;
  /** The event that the site refused, until it was seen. */
  readonly refusedId: string | null;
  /** A pull of a round that waits until it is said whether the fastener turned. */
  readonly asked: AskedPull | null;
  /** The device that read what stands among the digits typed; null where a person typed them. */
  readonly readBy: PullDevice | null;
  /** Whether an angle is counted in sixths of a turn, and not in degrees. */
  readonly isInSixths: boolean;
  /** The fastener whose run-on torque is measured again. */
  readonly remeasured: string | null;
};

/** Somebody else's pull, and one's own that waits for an answer before it is recorded; null where none was made yet. */
export type Meanwhile = {
  readonly position: string;
  readonly eventId: string;
  readonly mine: AskedPull | null;
};

/** What the bench shows of a job: where the work is and what to do there. */
export type BenchAt = {
  readonly position: string | null;
  readonly fastener: FastenerView | undefined;
  readonly action: NextAction;
  readonly lastPull: { readonly fastener: FastenerView; readonly pull: PullRecord } | null;
  /** The last pull of the fastener in front that is not voided: what Backspace voids, and nothing else. */
  readonly ownPull: PullRecord | null;
};

const lastPullOf = (view: JobView): BenchAt['lastPull'] => {
  const { lastPull } = view;
  const fastener = lastPull ? fastenerAt(view, lastPull.position) : undefined;
  const pull = fastener?.pulls.find(({ eventId }) => eventId === lastPull?.eventId);
  return fastener && pull ? { fastener, pull } : null;
};

const actionAt = (
  view: JobView,
  fastener: FastenerView | undefined,
  remeasured: string | null,
): NextAction => {
  const position = fastener?.planned.position ?? null;
  const action = nextAction(view, position);
  const showing =
    fastener && remeasured === position
      ? toolsAtHand(view, fastener).find(({ tool }) => isIndicating(tool))
      : undefined;
  const isBefore = action.kind === 'set-tool' || action.kind === 'pull';
  return showing && isBefore ? { kind: 'measure-run-on', taken: showing } : action;
};

/** Whether the run-on torque of the fastener in front was measured and may still be measured again. */
export const mayRemeasure = ({ fastener, ownPull, action }: BenchAt): boolean =>
  fastener?.runOn !== null &&
  fastener !== undefined &&
  ownPull === null &&
  (action.kind === 'set-tool' || action.kind === 'pull');

/** What comes after a position: in the order of the work, or what the tool is set to first where the joint allows it. */
export const comingFrom = (view: JobView, position: string | null, isFewest: boolean): readonly string[] => {
  const coming = comingPositions(view, position).filter((each) => each !== position);
  return isFewest ? sameSettingFirst(view, coming, position) : coming;
};

type Looked = Pick<BenchState, 'chosen' | 'remeasured'>;

const workedOut = (view: JobView, { chosen, remeasured }: Looked): BenchAt => {
  const position = chosen ?? nextPosition(view, null);
  const fastener = position === null ? undefined : fastenerAt(view, position);
  return {
    position,
    fastener,
    action: actionAt(view, fastener, remeasured),
    ownPull: fastener?.pulls.findLast(({ voided }) => voided === null) ?? null,
    lastPull: lastPullOf(view),
  };
};

const known = new WeakMap<JobView, Map<string, BenchAt>>();

/** Where the bench is on a job. Worked out once for each way to look at it: one pull asks half a dozen times. */
export const benchAt = (view: JobView, looked: Looked): BenchAt => {
  const ways = known.get(view) ?? new Map<string, BenchAt>();
  known.set(view, ways);
  const way = JSON.stringify([looked.chosen, looked.remeasured]);
  const at = ways.get(way) ?? workedOut(view, looked);
  ways.set(way, at);
  return at;
};

/** A bench at which nothing was done yet. */
export const EMPTY_BENCH: BenchState = {
  chosen: null,
  typed: '',
  refusal: null,
  question: null,
  instrument: '',
  meanwhile: null,
  refusedId: null,
  asked: null,
  readBy: null,
  isInSixths: false,
  remeasured: null,
};
