import type { JobPlan } from '../job/plan.ts';
import type { Person } from '../people/person.ts';
import { type BenchView, newBench } from './bench.ts';
import { type ChecksView, NO_CHECKS } from './checks.ts';
import { type ClaimsView, NO_CLAIMS } from './claims.ts';
import { NO_NOTES, type NotesView } from './notes.ts';
import type { PlanningView } from './planning.ts';
import { NO_SIGNATURES, type SignaturesView } from './signatures.ts';
import { NO_STEPS, type StepsView } from './steps.ts';

/** The views a job is seen through: each asks one question, and none looks into another. */
export type JobViews = {
  readonly planning: PlanningView;
  readonly bench: BenchView;
  readonly steps: StepsView;
  readonly signatures: SignaturesView;
  readonly checks: ChecksView;
  readonly notes: NotesView;
  readonly claims: ClaimsView;
};

/** What a job's events add up to. */
export type JobView = PlanningView &
  BenchView &
  StepsView &
  SignaturesView &
  ChecksView &
  NotesView &
  ClaimsView;

/** A job just planned. */
export const newJobView = (planned: {
  readonly job: string;
  readonly plan: JobPlan;
  readonly person: Person;
  readonly at: string;
}): JobView => ({
  job: planned.job,
  plan: planned.plan,
  plannedBy: planned.person,
  plannedAt: planned.at,
  rules: planned.plan.rules,
  rulesMoves: [],
  acceptedGaps: new Map(),
  ...newBench(planned.plan.fasteners),
  ...NO_STEPS,
  ...NO_SIGNATURES,
  ...NO_CHECKS,
  ...NO_NOTES,
  ...NO_CLAIMS,
});
