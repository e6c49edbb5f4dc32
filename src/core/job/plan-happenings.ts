import { adapterFactor, fittingChain } from '../adapter/adapter.ts';
import { accepted, type Result, refused } from '../result.ts';
import type { Schools } from '../target/schools.ts';
import { specifiedTarget } from '../target/specified-target.ts';
import type { Target } from '../target/target-and-acceptance.ts';
import type { WrittenTorque } from '../torque/torque.ts';
import { cautionsFor } from './cautions.ts';
import { saysNothing, withFastener } from './change-fastener.ts';
import type { EventOf, PlannedFastener, PlannedRequirement } from './event.ts';
import type { JobRefusal } from './refusal.ts';
import { type FastenerState, fastenerAt, type JobState } from './state.ts';

type Next = Result<JobState, JobRefusal>;

/** Target and acceptance of a requirement on a job. The school "tool class" has none until a tool is chosen, which works it out again; the
 *  site's tolerance stands in until then. Refuses: what specifiedTarget refuses, and angle-not-recordable. */
const targetOnJob = (
  { requirement, book }: PlannedRequirement,
  runOn: WrittenTorque | null,
  schools: Schools,
  toolLimitPercent: number | null,
): Result<Target, JobRefusal> => {
  const known =
    toolLimitPercent === null ? { ...schools, nominalTolerance: 'site-tolerance' as const } : schools;
  const printedRunOn = book?.conditions.runOn.kind === 'measured' ? book.conditions.runOn.torque : null;
  const target = specifiedTarget(
    {
      requirement,
      otherPart: book?.otherPart?.requirement ?? null,
      runOn: runOn ?? printedRunOn,
      isForHarderMaterial: book?.isPartSofter ?? false,
    },
    known,
    toolLimitPercent,
  );
  if (!target.ok) return target;
  const { thenAngleDegrees, ...torqueTarget } = target.value;
  return thenAngleDegrees === null
    ? accepted(torqueTarget)
    : refused({ code: 'angle-not-recordable', angleDegrees: thenAngleDegrees });
};

const untouched = (planned: PlannedFastener, target: Target): FastenerState => ({
  planned,
  target,
  runOn: null,
  pulls: [],
  status: 'open',
  isPastLimit: false,
  isWitnessMarked: false,
  leftOpen: null,
});

/** A job from its plan: every fastener open, with its target. Refuses: position-repeated, angle-not-recordable, made-for-harder-material. */
export const planned = (event: EventOf<'job-planned'>): Next => {
  const fasteners: FastenerState[] = [];
  const placeOf = new Map<string, number>();
  for (const fastener of event.body.fasteners) {
    const { position } = fastener;
    if (placeOf.has(position)) return refused({ code: 'position-repeated', position });
    const target = targetOnJob(fastener.requirement, null, event.body.schools, null);
    if (!target.ok) return target;
    placeOf.set(position, fasteners.length);
    fasteners.push(untouched(fastener, target.value));
  }
  return accepted({
    job: event.job,
    plan: event.body,
    plannedBy: event.person,
    plannedAt: event.deviceTime,
    tool: null,
    adapters: [],
    adapterFactor: 1,
    override: null,
    setting: null,
    cautions: null,
    fasteners,
    placeOf,
    lastPull: null,
    signatures: [],
  });
};

const overriddenBy = ({
  body: { tool, blocks, override },
  person,
}: EventOf<'tool-chosen'>): Result<JobState['override'], JobRefusal> => {
  if (blocks.length === 0 && override === null) return accepted(null);
  if (override === null) return refused({ code: 'tool-blocked', toolCode: tool.code, blocks });
  if (person.role !== 'lead') return refused({ code: 'role-may-not', needed: 'lead' });
  if (saysNothing(override)) return refused({ code: 'why-missing' });
  return accepted({ blocks, why: override, by: person.name });
};

/** The tool taken in hand, with its adapters; fasteners not yet pulled get their acceptance with its class.
 *  Refuses: tool-blocked (overdue, quarantined, on loan, without a lead's override), role-may-not, why-missing, what fittingChain and
 *  adapterFactor refuse, and what the target refuses. */
export const toolChosen = (state: JobState, event: EventOf<'tool-chosen'>): Next => {
  const { tool, adapters } = event.body;
  const override = overriddenBy(event);
  if (!override.ok) return override;
  const chain = fittingChain(tool.drive, adapters);
  if (!chain.ok) return chain;
  const factor = adapterFactor(tool.leverMillimetres, adapters);
  if (!factor.ok) return factor;
  const fasteners: FastenerState[] = [];
  for (const fastener of state.fasteners) {
    const target = targetOnJob(
      fastener.planned.requirement,
      fastener.runOn,
      state.plan.schools,
      tool.limitPercent,
    );
    if (!target.ok) return target;
    // A fastener that was judged keeps the target it was judged by.
    fasteners.push(fastener.pulls.length > 0 ? fastener : { ...fastener, target: target.value });
  }
  return accepted({
    ...state,
    tool,
    adapters,
    adapterFactor: factor.value,
    override: override.value,
    setting: null,
    fasteners,
  });
};

/** A fastener moved to another requirement, as after its source was withdrawn. What was pulled stays in the record; the fastener is open
 *  again, since nothing has been judged by the new one. Refuses: unknown-position, why-missing, and what the target refuses. */
export const requirementMoved = (state: JobState, { body }: EventOf<'requirement-moved'>): Next => {
  const fastener = fastenerAt(state, body.position);
  if (!fastener) return refused({ code: 'unknown-position', position: body.position });
  if (saysNothing(body.why)) return refused({ code: 'why-missing' });
  const target = targetOnJob(
    body.requirement,
    fastener.runOn,
    state.plan.schools,
    state.tool?.limitPercent ?? null,
  );
  if (!target.ok) return target;
  return accepted(
    withFastener(state, body.position, (each) => ({
      ...each,
      planned: { ...each.planned, requirement: body.requirement },
      target: target.value,
      status: 'open',
      isWitnessMarked: false,
      leftOpen: null,
    })),
  );
};

/** Highest run-on torque accepted, as a share of the target: above it the nut or the reading is wrong. */
const RUN_ON_MAX_OF_TARGET = 2;

/** The run-on torque of a self-locking thread, measured before seating: target and acceptance shift by it.
 *  Source: FAA AC 43.13-1B, par. 7-40. Refuses: unknown-position, run-on-too-high, pulled-already, and what the target refuses. */
export const runOnMeasured = (state: JobState, { body }: EventOf<'run-on-measured'>): Next => {
  const fastener = fastenerAt(state, body.position);
  if (!fastener) return refused({ code: 'unknown-position', position: body.position });
  if (
    fastener.pulls.some(({ voided }) => voided === null) &&
    !fastener.isPastLimit &&
    fastener.status === 'in'
  )
    return refused({ code: 'already-in', position: body.position });
  const toolLimitPercent = state.tool?.limitPercent ?? null;
  const { requirement } = fastener.planned;
  const bare = targetOnJob(requirement, null, state.plan.schools, toolLimitPercent);
  const target = targetOnJob(requirement, body.torque, state.plan.schools, toolLimitPercent);
  if (!bare.ok) return bare;
  if (!target.ok) return target;
  // A hair of room, so that exactly twice is not refused for the last binary digit.
  if (target.value.target > bare.value.target * (1 + RUN_ON_MAX_OF_TARGET) * (1 + 1e-12))
    return refused({ code: 'run-on-too-high', position: body.position });
  return accepted(
    withFastener(state, body.position, (each) => ({ ...each, runOn: body.torque, target: target.value })),
  );
};

/** Whether a fastener's run-on torque must be measured before it is pulled. */
export const needsRunOn = ({ planned: { requirement }, runOn }: FastenerState): boolean =>
  runOn === null && requirement.book?.conditions.runOn.kind === 'to-be-measured';

/** The cautions confirmed. Refuses: cautions-incomplete. */
export const cautionsConfirmed = (state: JobState, event: EventOf<'cautions-confirmed'>): Next => {
  const confirmed = event.body.cautions;
  if (!cautionsFor(state.plan.jobKind).every((caution) => confirmed.includes(caution)))
    return refused({ code: 'cautions-incomplete' });
  return accepted({
    ...state,
    cautions: { confirmed, person: event.person, deviceTime: event.deviceTime },
  });
};
