import { assertNever } from '../fault.ts';
import { accepted, type Result, refused } from '../result.ts';
import { loosened, pullMade, pullVoided, toolSet, witnessMarked } from './bench-happenings.ts';
import type { UnplacedEvent } from './event.ts';
import {
  cautionsConfirmed,
  planned,
  requirementMoved,
  runOnMeasured,
  toolChosen,
} from './plan-happenings.ts';
import type { JobRefusal } from './refusal.ts';
import { leftOpen, reopened, signed } from './sign-happenings.ts';
import type { JobState } from './state.ts';

type Next = Result<JobState, JobRefusal>;

const happened = (state: JobState, event: UnplacedEvent): Next => {
  const isSigned = state.signatures.length > 0;
  if (isSigned && event.kind !== 'job-signed' && event.kind !== 'job-reopened')
    return refused({ code: 'job-signed' });
  switch (event.kind) {
    case 'job-planned':
      return refused({ code: 'job-already-planned' });
    case 'tool-chosen':
      return toolChosen(state, event);
    case 'cautions-confirmed':
      return cautionsConfirmed(state, event);
    case 'tool-set':
      return toolSet(state, event);
    case 'pull-made':
      return pullMade(state, event);
    case 'pull-voided':
      return pullVoided(state, event);
    case 'fastener-loosened':
      return loosened(state, event);
    case 'witness-marked':
      return witnessMarked(state, event);
    case 'requirement-moved':
      return requirementMoved(state, event);
    case 'run-on-measured':
      return runOnMeasured(state, event);
    case 'left-open':
      return leftOpen(state, event);
    case 'job-signed':
      return signed(state, event);
    case 'job-reopened':
      return reopened(state, event);
    default:
      return assertNever(event);
  }
};

/** The job after one more event; null state is a job that does not exist yet. Total: an event that cannot happen is refused and
 *  changes nothing. Refuses: every code of JobRefusal. */
export const nextJobState = (state: JobState | null, event: UnplacedEvent): Next => {
  if (state) return happened(state, event);
  return event.kind === 'job-planned' ? planned(event) : refused({ code: 'job-not-planned' });
};

/** Folds a job's events in their order. Refuses: the first refusal, with the event it is about. */
export const foldJob = (
  events: readonly UnplacedEvent[],
): Result<JobState, { readonly eventId: string | null; readonly refusal: JobRefusal }> => {
  let state: JobState | null = null;
  for (const event of events) {
    const next: Next = nextJobState(state, event);
    if (!next.ok) return refused({ eventId: event.id, refusal: next.refusal });
    state = next.value;
  }
  return state ? accepted(state) : refused({ eventId: null, refusal: { code: 'job-not-planned' } });
};
