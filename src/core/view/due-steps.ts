import { groupOf, type JobPlan, type PlannedGroup } from '../job/plan.ts';
import type { StepPlace } from '../job/step-done.ts';
import type { JointStep, Limits, Stage } from '../joint/joint-step.ts';
import { rulesOf } from '../rules/rules-by-number.ts';
import { anglesAsked } from './angle-due.ts';
import { type FastenerView, isAsRequired } from './bench.ts';
import { fastenersIn, groupWork, isByHand } from './group-work.ts';
import type { JobView } from './job-view.ts';
import { lastPass, nextPass } from './passes.ts';
import { type RowDone, rowDone, rowOf } from './step-row.ts';
import { type StepDone, stepKey } from './steps.ts';
import { waitSince } from './wait-since.ts';

/** One thing to do beside the pulls, at the place where it is due. */
export type DueStep = {
  readonly step: JointStep;
  /** Null for a step of the whole job. */
  readonly group: PlannedGroup | null;
  /** The position or the part code; null for a step of a whole group or job. */
  readonly of: string | null;
  readonly afterPass: number | null;
  /** The limits in force; null for what is not measured. */
  readonly limits: Limits | null;
  /** Since when a wait counts, as an ISO instant; null where it was not begun, and for what is no wait. */
  readonly since: string | null;
  /** Where it stands in a row of steps that are done with one instrument; null where it stands alone. */
  readonly inRow: (RowDone & { readonly of: number }) | null;
  /** How it came out when it was done last; null where it was not. */
  readonly last: StepDone | null;
};

/** What of a job says which steps are due. */
export type Stepped = Pick<
  JobView,
  'plan' | 'rules' | 'cautions' | 'steps' | 'lastSteps' | 'begunWaits' | 'fasteners' | 'indexByPosition'
>;

/** The limits of a measuring step: its own, with the high one from the requirement where that has the condition. */
export const limitsFor = ({ act }: JointStep, fastener: FastenerView | undefined): Limits | null => {
  if (act.kind !== 'measure') return null;
  const { limits } = act;
  const second = fastener?.planned.requirement.book?.conditions.second ?? [];
  for (const condition of second) {
    if (condition.kind === 'runout' && limits.from === 'runout')
      return { ...limits, high: condition.limitMillimetres };
    if (condition.kind === 'temperature' && limits.from === 'temperature')
      return { ...limits, high: condition.limitCelsius };
  }
  return limits;
};

/** Whether a step needs nothing more: it came out as it must, or was left with a reason. */
export const isAccountedFor = ({ last }: Pick<DueStep, 'last'>): boolean =>
  last !== null && (last.isGood || last.result.kind === 'left');

/** How a step came out last, and where its row stands. One of a row counts only as far as the row has come: what is good and out of its turn is done again. */
const rowAndLast = (
  job: Stepped,
  step: JointStep,
  at: StepPlace,
  group: PlannedGroup | null,
): Pick<DueStep, 'inRow' | 'last'> => {
  const last = job.lastSteps.get(stepKey(at)) ?? null;
  const row = rowOf(stepsBeside(job, { step, group }), step);
  if (row.length === 0) return { inRow: null, last };
  const so = rowDone(job, row, at);
  const isCounted = !last?.isGood || row.indexOf(step) < so.done;
  return { inRow: { ...so, of: row.length }, last: isCounted ? last : null };
};

const place = (
  job: Stepped,
  step: JointStep,
  group: PlannedGroup | null,
  of: string | null,
  afterPass: number | null,
  fastener?: FastenerView,
): DueStep => {
  const at = { group: group?.id ?? null, step: step.id, of, afterPass };
  const rules = rulesOf(job.rules);
  return {
    step,
    group,
    of,
    afterPass,
    limits: limitsFor(step, fastener),
    since: step.act.kind === 'wait' && rules ? waitSince(job, at, { step, group }, rules) : null,
    ...rowAndLast(job, step, at, group),
  };
};

const stepsAt = (kind: PlannedGroup['kind'], stage: Stage): readonly JointStep[] =>
  kind.steps.filter((step) => step.stage === stage);

/** The steps of a stage that are done once for the job, each once however many groups ask for it. */
export const jobSteps = ({ groups }: Pick<JobPlan, 'groups'>, stage: Stage): readonly JointStep[] => [
  ...new Map(
    groups.flatMap(({ kind }) =>
      stepsAt(kind, stage)
        .filter(({ scope }) => scope === 'job')
        .map((step) => [step.id, step] as const),
    ),
  ).values(),
];

const makeSafe = ({ groups }: Pick<JobPlan, 'groups'>): readonly JointStep[] => {
  const ofGroups = groups.flatMap(({ kind }) => stepsAt(kind, 'make-safe'));
  return [...new Map(ofGroups.map((step) => [step.id, step])).values()];
};

/** The cautions of a plan: what is confirmed before its first pull. */
export const cautionsOf = (plan: Pick<JobPlan, 'groups'>): readonly JointStep[] =>
  makeSafe(plan).filter(({ act }) => act.kind === 'confirm');

/** What is measured, waited for or looked at to make a plan safe, once for the whole job, after its cautions are confirmed. */
export const makeSafeSteps = (plan: Pick<JobPlan, 'groups'>): readonly JointStep[] =>
  makeSafe(plan).filter(({ act }) => act.kind !== 'confirm');

/** The steps that stand beside one: of its group, or of the whole job. */
export const stepsBeside = (
  { plan }: Pick<JobView, 'plan'>,
  { step, group }: { readonly step: JointStep; readonly group: PlannedGroup | null },
): readonly JointStep[] => {
  if (group) return group.kind.steps;
  return step.stage === 'make-safe' ? makeSafeSteps(plan) : jobSteps(plan, step.stage);
};

/** What is still to be done to make a job safe. What was ticked off as a caution is done under rules that let it be. */
export const openMakeSafe = (job: Stepped): readonly DueStep[] => {
  const ticked = rulesOf(job.rules)?.makeSafeIsMeasured ? [] : (job.cautions?.confirmed ?? []);
  return makeSafeSteps(job.plan)
    .filter(({ id }) => !ticked.includes(id))
    .map((step) => place(job, step, null, null, null))
    .filter(isOpen);
};

const ofScope = (
  job: Stepped,
  group: PlannedGroup,
  step: JointStep,
  fasteners: readonly FastenerView[],
  afterPass: number | null = null,
): readonly DueStep[] => {
  switch (step.scope) {
    case 'job':
      return [place(job, step, null, null, null)];
    case 'group':
      return [place(job, step, group, null, afterPass)];
    case 'part':
      return group.parts.map(({ code }) => place(job, step, group, code, afterPass));
    case 'fastener':
      return fasteners.map((each) => place(job, step, group, each.planned.position, afterPass, each));
  }
};

const isOpen = (due: DueStep): boolean => !isAccountedFor(due);

/** What has to be done before a fastener is pulled next, in its order: made safe, prepared, looked at between the passes, settled. */
export const stepsBefore = (job: Stepped, fastener: FastenerView): readonly DueStep[] => [
  ...openMakeSafe(job),
  ...preparations(job, fastener),
];

const preparations = (job: Stepped, fastener: FastenerView): readonly DueStep[] => {
  const group = groupOf(job.plan, fastener.planned);
  const { kind } = group;
  const pass = nextPass(job, fastener);
  const prepare = stepsAt(kind, 'prepare').flatMap((step) => ofScope(job, group, step, [fastener]));
  const isBetween = pass > 1 && pass <= lastPass(kind) && fastener.pass === pass - 1;
  const between = isBetween
    ? stepsAt(kind, 'between-passes').flatMap((step) => ofScope(job, group, step, [fastener], pass - 1))
    : [];
  const settle =
    kind.roundsUntilStill && pass > lastPass(kind)
      ? stepsAt(kind, 'settle').flatMap((step) => ofScope(job, group, step, [fastener]))
      : [];
  return [...prepare, ...between, ...settle].filter(isOpen);
};

const STAGES_OF_A_GROUP = ['prepare', 'between-passes', 'settle', 'check', 'close'] as const;
/** Stages whose steps are over once the pulls are made, unless something waited for them. */
const COMES_BEFORE: ReadonlySet<Stage> = new Set(['prepare', 'between-passes', 'settle']);

const isThrough = (job: Stepped, group: PlannedGroup): boolean => groupWork(job, group).pass === null;

/** The fasteners that a step is done at: one that asks for an angle is not done where that was told when the fastener was turned by it. */
const stillAsked = (
  job: Stepped,
  { act }: JointStep,
  fasteners: readonly FastenerView[],
): readonly FastenerView[] =>
  act.kind === 'measure' && act.limits.unit === '°'
    ? fasteners.filter((fastener) => anglesAsked(job, fastener).length === 0)
    : fasteners;

/** What is due at a finished fastener: its own checks. */
export const stepsAfter = (job: Stepped, fastener: FastenerView): readonly DueStep[] => {
  const group = groupOf(job.plan, fastener.planned);
  const isFinished =
    !isByHand(fastener) &&
    fastener.leftOpen === null &&
    isAsRequired(fastener.status) &&
    (!group.kind.roundsUntilStill || isThrough(job, group));
  if (!isFinished) return [];
  return stepsAt(group.kind, 'check')
    .filter(({ scope }) => scope === 'fastener')
    .flatMap((step) => ofScope(job, group, step, stillAsked(job, step, [fastener])))
    .filter(isOpen);
};

/** What is due of a group once it is pulled: the checks and what closes it, and whatever came before the pulls and was not done. */
const stepsAtEnd = (job: Stepped, group: PlannedGroup): readonly DueStep[] => {
  const pulled = fastenersIn(job, group).filter(({ pulls }) => pulls.some(({ voided }) => voided === null));
  if (pulled.length === 0 || !isThrough(job, group)) return [];
  const fasteners = pulled.filter(({ leftOpen }) => leftOpen === null);
  const passes = group.kind.passes.slice(0, -1).map((_, index) => index + 1);
  return STAGES_OF_A_GROUP.flatMap((stage) => stepsAt(group.kind, stage))
    .flatMap((step) =>
      step.stage === 'between-passes'
        ? passes.flatMap((afterPass) => ofScope(job, group, step, fasteners, afterPass))
        : ofScope(job, group, step, stillAsked(job, step, fasteners)),
    )
    .filter((due) => isOpen(due) && (due.step.isBlocking || !COMES_BEFORE.has(due.step.stage)));
};

/** Everything that is still to be done beside the pulls before the job can be signed, in the order of the groups. Cautions are not among it:
 *  they come before the first pull. */
export const openSteps = (job: Stepped): readonly DueStep[] => {
  const isBegun = job.fasteners.some(({ pulls }) => pulls.length > 0);
  const ofGroups = job.plan.groups.flatMap((group) => {
    const left = groupWork(job, group).left[0];
    const before = left && left.pulls.length > 0 ? preparations(job, left) : [];
    return [...before, ...stepsAtEnd(job, group)];
  });
  return isBegun ? [...openMakeSafe(job), ...ofGroups] : ofGroups;
};

/** Those of them that something waits for. */
export const blockingSteps = (job: Stepped): readonly DueStep[] =>
  openSteps(job).filter(({ step }) => step.isBlocking);

/** The first fastener with a step of its own that is due now; null where none has. */
export const positionToCheck = (job: Stepped): string | null =>
  job.fasteners.find((fastener) => stepsAfter(job, fastener).length > 0)?.planned.position ?? null;
