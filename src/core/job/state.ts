import type { MountedAdapter } from '../adapter/adapter.ts';
import type { Target } from '../target/target-and-acceptance.ts';
import type { Tool } from '../tool/tool.ts';
import type { ToolBlock } from '../tool/tool-standing.ts';
import type { WrittenTorque } from '../torque/torque.ts';
import type { Outcome } from '../verdict/tightening-verdict.ts';
import type { CautionId } from './cautions.ts';
import type { JobPlan, Person, PlannedFastener, PullBody, SignatureMeaning } from './event.ts';

/** A fastener's status, which its witness stripe shows. */
export type FastenerStatus = 'open' | 'voided' | Outcome;

export type PullRecord = {
  readonly eventId: string;
  readonly person: Person;
  readonly deviceTime: string;
  readonly body: PullBody;
  readonly voided: { readonly why: string; readonly person: Person } | null;
};

export type FastenerState = {
  readonly planned: PlannedFastener;
  readonly target: Target;
  /** Run-on torque measured on the last turns before seating, added to target and acceptance; null until measured. */
  readonly runOn: WrittenTorque | null;
  readonly pulls: readonly PullRecord[];
  readonly status: FastenerStatus;
  /** Whether it went past and must be loosened before it is pulled again. */
  readonly isPastLimit: boolean;
  readonly isWitnessMarked: boolean;
  readonly leftOpen: { readonly why: string; readonly person: Person } | null;
};

export type Signature = {
  readonly meaning: SignatureMeaning;
  readonly person: Person;
  readonly deviceTime: string;
};

/** What a job's events add up to. */
export type JobState = {
  readonly job: string;
  readonly plan: JobPlan;
  readonly plannedBy: Person;
  readonly plannedAt: string;
  readonly tool: Tool | null;
  readonly adapters: readonly MountedAdapter[];
  /** How much more torque reaches the fastener than the tool shows. */
  readonly adapterFactor: number;
  /** What stood against the tool when it was taken, and why a lead let it be used. */
  readonly override: {
    readonly blocks: readonly ToolBlock[];
    readonly why: string;
    readonly by: string;
  } | null;
  /** What the tool is set to; null until a person says it is set. */
  readonly setting: WrittenTorque | null;
  readonly cautions: {
    readonly confirmed: readonly CautionId[];
    readonly person: Person;
    readonly deviceTime: string;
  } | null;
  readonly fasteners: readonly FastenerState[];
  /** Position of a fastener in `fasteners`. */
  readonly placeOf: ReadonlyMap<string, number>;
  /** Event of the last pull that is not voided; what Backspace voids. */
  readonly lastPull: { readonly eventId: string; readonly position: string } | null;
  readonly signatures: readonly Signature[];
};

/** The state of a fastener by its position; undefined when the job has no such position. */
export const fastenerAt = (state: JobState, position: string): FastenerState | undefined => {
  const place = state.placeOf.get(position);
  return place === undefined ? undefined : state.fasteners[place];
};
