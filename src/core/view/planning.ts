import type { By } from '../job/happened.ts';
import type { JobPlan } from '../job/plan.ts';

/** A move of a job from one number of rules to another. */
export type RulesMove = {
  readonly from: number;
  readonly to: number;
  readonly why: string;
  readonly person: By['person'];
  readonly at: string;
};

/** A lead's word that a group is done though no tool at hand is sure enough for it. */
export type AcceptedGap = { readonly why: string; readonly person: By['person']; readonly at: string };

/** What a job was planned as, and by which rules it is judged now. */
export type PlanningView = {
  readonly job: string;
  readonly plan: JobPlan;
  readonly plannedBy: By['person'];
  readonly plannedAt: string;
  /** The number of the rules in force for it. */
  readonly rules: number;
  readonly rulesMoves: readonly RulesMove[];
  /** By the group they are for. */
  readonly acceptedGaps: ReadonlyMap<string, AcceptedGap>;
};
