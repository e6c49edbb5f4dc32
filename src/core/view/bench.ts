import type { EventClock } from '../job/happened.ts';
import type { PlannedFastener } from '../job/plan.ts';
import type { PullBody } from '../job/pull.ts';
import type { Person } from '../people/person.ts';
import type { WrittenTorque } from '../quantity/torque.ts';
import type { Remedy } from '../remedy/trouble.ts';
import type { MountedAdapter } from '../tool/adapter.ts';
import type { Tool } from '../tool/tool.ts';
import type { ToolBlock } from '../tool/tool-blocks.ts';
import type { TurnMethod, TurnOutcome, WrittenDegrees } from '../turn/turn.ts';
import type { Outcome } from '../verdict/tightening-verdict.ts';

/** A fastener's status, which its witness stripe shows. */
export type FastenerStatus = 'open' | 'voided' | 'finger-tight' | Outcome;

/** Whether a status is what the requirement asks for: in acceptance, or by the fingers where that is asked. */
export const isAsRequired = (status: FastenerStatus): boolean => status === 'in' || status === 'finger-tight';

export type PullRecord = {
  readonly eventId: string;
  readonly person: Person;
  readonly deviceTime: string;
  /** What the site knows of when it was made; null before it is placed, and in records of a form that did not say. */
  readonly clock: EventClock | null;
  readonly body: PullBody;
  readonly voided: { readonly why: string; readonly person: Person } | null;
};

/** An angle that a fastener was turned by. */
export type TurnRecord = {
  /** Which of the angles that its source asks for, counted from 0. */
  readonly step: number;
  readonly askedDegrees: number;
  readonly toleranceDegrees: number;
  readonly turned: WrittenDegrees;
  readonly method: TurnMethod;
  readonly outcome: TurnOutcome;
};

export type FastenerView = {
  readonly planned: PlannedFastener;
  /** Run-on torque measured on the last turns before seating, added to target and acceptance; null until measured. */
  readonly runOn: WrittenTorque | null;
  /** The tool class's limit that its acceptance stays with once it was pulled; null while it follows the tool in hand. */
  readonly fixedLimit: { readonly percent: number | null } | null;
  readonly pulls: readonly PullRecord[];
  readonly status: FastenerStatus;
  /** How many passes and rounds it has been brought through since it was last loose. */
  readonly pass: number;
  /** Whether it moved in the last round at full torque; null where it was in none. */
  readonly moved: boolean | null;
  /** The last pass or round after which it was not said that it stood still; 0 where there is none. */
  readonly unquietPass: number;
  /** Whether it must be loosened before it is pulled again: it went past, or was pulled by feel and nobody knows how far. */
  readonly isPastLimit: boolean;
  /** How many of the angles that its source asks for it has been turned by since it was last loose. */
  readonly turned: number;
  /** Every turn since then, in the order they were made; one that stopped short is among them. */
  readonly turns: readonly TurnRecord[];
  /** What went wrong with it and is not put right yet; null where nothing is. */
  readonly remedy: Remedy | null;
  readonly isWitnessMarked: boolean;
  readonly leftOpen: { readonly why: string; readonly person: Person } | null;
};

/** A tool as it was taken on the job. */
export type TakenTool = {
  readonly tool: Tool;
  readonly adapters: readonly MountedAdapter[];
  /** How much more torque reaches the fastener than the tool shows. */
  readonly adapterFactor: number;
  /** What stood against it when it was taken, where no lead let it be used all the same. */
  readonly unallowed: readonly ToolBlock[];
  /** What the site found standing against it since: pulls with it have no verdict until it is taken anew. */
  readonly foundSince: readonly ToolBlock[];
  /** What stood against it, and why a lead let it be used. */
  readonly override: {
    readonly blocks: readonly ToolBlock[];
    readonly why: string;
    readonly by: string;
  } | null;
  /** What it is set to; null until a person says it is set. */
  readonly setting: WrittenTorque | null;
};

/** What the bench shows of a job: the tools at hand, every tool that was, and each fastener. */
export type BenchView = {
  /** Every tool taken so far, by its id, as it was taken last. */
  readonly takenTools: ReadonlyMap<string, TakenTool>;
  /** The ids of the tools at hand for each group, the one taken last first. */
  readonly toolsOf: ReadonlyMap<string, readonly string[]>;
  readonly fasteners: readonly FastenerView[];
  /** Place of a fastener in `fasteners`, by position. */
  readonly indexByPosition: ReadonlyMap<string, number>;
  /** Event of the last pull that is not voided; what Backspace voids. */
  readonly lastPull: { readonly eventId: string; readonly position: string } | null;
};

const untouched = (planned: PlannedFastener): FastenerView => ({
  planned,
  runOn: null,
  fixedLimit: null,
  pulls: [],
  status: 'open',
  pass: 0,
  moved: null,
  unquietPass: 0,
  isPastLimit: false,
  turned: 0,
  turns: [],
  remedy: null,
  isWitnessMarked: false,
  leftOpen: null,
});

/** A fastener that was touched and holds no more: one that was in is open, one that was out keeps its stripe until it is pulled again. */
export const loose = (fastener: FastenerView): FastenerView => ({
  ...fastener,
  status: fastener.status === 'in' ? 'open' : fastener.status,
  pass: 0,
  moved: null,
  unquietPass: 0,
  turned: 0,
  turns: [],
  isPastLimit: false,
  isWitnessMarked: false,
  leftOpen: null,
});

/** The bench of a job just planned: nothing in hand, every fastener open. */
export const newBench = (fasteners: readonly PlannedFastener[]): BenchView => ({
  takenTools: new Map(),
  toolsOf: new Map(),
  fasteners: fasteners.map(untouched),
  indexByPosition: new Map(fasteners.map(({ position }, place) => [position, place])),
  lastPull: null,
});

/** A fastener by its position; undefined when the job has no such position. */
export const fastenerAt = (
  { indexByPosition, fasteners }: Pick<BenchView, 'indexByPosition' | 'fasteners'>,
  position: string,
): FastenerView | undefined => {
  const place = indexByPosition.get(position);
  return place === undefined ? undefined : fasteners[place];
};

// Fasteners that a fold builds up and nobody else has seen, with the lists of pulls that are its own as well: changed in place, for a copy of
// hundreds at each of thousands of events costs more than the events.
const building = new WeakMap<readonly FastenerView[], Set<readonly PullRecord[]>>();

/** A bench with fasteners of its own, which withFastener changes in place until they are `built`. */
export const toBuild = <B extends BenchView>(bench: B): B => {
  const fasteners = bench.fasteners.slice();
  building.set(fasteners, new Set());
  return { ...bench, fasteners };
};

/** Ends that: from now on the fasteners stay as they are. */
export const built = <B extends BenchView>(bench: B): B => {
  building.delete(bench.fasteners);
  return bench;
};

/** The fasteners with one of them changed; as they are where there is no such position. */
export const withFastener = (
  bench: Pick<BenchView, 'indexByPosition' | 'fasteners'>,
  position: string,
  change: (fastener: FastenerView) => FastenerView,
): Pick<BenchView, 'fasteners'> => {
  const place = bench.indexByPosition.get(position);
  const fastener = place === undefined ? undefined : bench.fasteners[place];
  if (place === undefined || !fastener) return { fasteners: bench.fasteners };
  const fasteners = building.has(bench.fasteners)
    ? (bench.fasteners as FastenerView[])
    : bench.fasteners.slice();
  fasteners[place] = change(fastener);
  return { fasteners };
};

/** The tools taken, with what was found against one of them. */
export const withFound = (
  { takenTools }: Pick<BenchView, 'takenTools'>,
  toolId: string | null,
  found: readonly ToolBlock[],
): Partial<Pick<BenchView, 'takenTools'>> => {
  const taken = found.length > 0 ? takenTools.get(toolId ?? '') : undefined;
  return taken ? { takenTools: new Map(takenTools).set(taken.tool.id, { ...taken, foundSince: found }) } : {};
};

/** A fastener's pulls with one more. */
export const pullsWith = (
  { fasteners }: Pick<BenchView, 'fasteners'>,
  { pulls }: FastenerView,
  pull: PullRecord,
): readonly PullRecord[] => {
  const own = building.get(fasteners);
  if (own?.has(pulls)) {
    (pulls as PullRecord[]).push(pull);
    return pulls;
  }
  const longer = pulls.concat(pull);
  own?.add(longer);
  return longer;
};

/** Whether a fastener's run-on torque must be measured before it is pulled. */
export const needsRunOn = ({ planned: { requirement }, runOn }: FastenerView): boolean =>
  runOn === null && requirement.book?.conditions.runOn.kind === 'to-be-measured';

/** The tools at hand for a fastener's group, the one taken last first. */
export const toolsAtHand = (
  { toolsOf, takenTools }: Pick<BenchView, 'toolsOf' | 'takenTools'>,
  { planned }: Pick<FastenerView, 'planned'>,
): readonly TakenTool[] => (toolsOf.get(planned.group) ?? []).flatMap((id) => takenTools.get(id) ?? []);

/** The tool at hand for a fastener that a pull was made with: the one that is named, the one taken last where that is none of them. */
export const toolPulledWith = (
  bench: Pick<BenchView, 'toolsOf' | 'takenTools'>,
  fastener: Pick<FastenerView, 'planned'>,
  toolId: string | null,
): TakenTool | null => {
  const atHand = toolsAtHand(bench, fastener);
  return atHand.find(({ tool }) => tool.id === toolId) ?? atHand[0] ?? null;
};

/** The limit in percent that a fastener's acceptance keeps once it was pulled; null while it follows the tools at hand. */
export const fixedLimitNow = (
  bench: Pick<BenchView, 'toolsOf' | 'takenTools'>,
  fastener: Pick<FastenerView, 'planned' | 'pulls'>,
): FastenerView['fixedLimit'] =>
  fastener.pulls.length > 0
    ? {
        percent:
          toolPulledWith(bench, fastener, fastener.pulls.at(-1)?.body.toolId ?? null)?.tool.limitPercent ??
          null,
      }
    : null;
