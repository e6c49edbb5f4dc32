import { accepted, type Result, refused } from '../result.ts';
import { targetAndAcceptance } from '../target/target-and-acceptance.ts';
import { cautionsFor } from './cautions.ts';
import type { EventOf } from './event.ts';
import type { JobRefusal } from './refusal.ts';
import type { FastenerState, JobState } from './state.ts';

type Next = Result<JobState, JobRefusal>;

/** A job from its plan: every fastener open, with its target. Refuses: position-repeated, angle-not-recordable. */
export const planned = (event: EventOf<'job-planned'>): Next => {
  const fasteners: FastenerState[] = [];
  const placeOf = new Map<string, number>();
  for (const fastener of event.body.fasteners) {
    const { position } = fastener;
    if (placeOf.has(position)) return refused({ code: 'position-repeated', position });
    const { schools } = event.body;
    const target = targetAndAcceptance(fastener.requirement.requirement, schools, null);
    // The school "tool class" has no acceptance until a tool is chosen, which works it out again; the site's tolerance stands in until then.
    const settled =
      !target.ok && target.refusal.code === 'tool-needed'
        ? targetAndAcceptance(
            fastener.requirement.requirement,
            { ...schools, nominalTolerance: 'site-tolerance' },
            null,
          )
        : target;
    if (!settled.ok) return settled;
    placeOf.set(position, fasteners.length);
    fasteners.push({
      planned: fastener,
      target: settled.value,
      pulls: [],
      status: 'open',
      isPastLimit: false,
      isWitnessMarked: false,
      leftOpen: null,
    });
  }
  return accepted({
    job: event.job,
    plan: event.body,
    plannedBy: event.person,
    plannedAt: event.deviceTime,
    tool: null,
    setting: null,
    cautions: null,
    fasteners,
    placeOf,
    lastPull: null,
    signatures: [],
  });
};

/** The tool taken in hand; fasteners not yet pulled get their acceptance with its class. */
export const toolChosen = (state: JobState, { body: { tool } }: EventOf<'tool-chosen'>): Next => {
  const fasteners: FastenerState[] = [];
  for (const fastener of state.fasteners) {
    const target = targetAndAcceptance(
      fastener.planned.requirement.requirement,
      state.plan.schools,
      tool.limitPercent,
    );
    if (!target.ok) return target;
    // A fastener that was judged keeps the target it was judged by.
    fasteners.push(fastener.pulls.length > 0 ? fastener : { ...fastener, target: target.value });
  }
  return accepted({ ...state, tool, setting: null, fasteners });
};

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
