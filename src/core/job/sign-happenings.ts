import { accepted, type Result, refused } from '../result.ts';
import { saysNothing, withFastener } from './change-fastener.ts';
import type { EventOf } from './event.ts';
import { unexplainedItems } from './open-items.ts';
import type { JobRefusal } from './refusal.ts';
import { fastenerAt, type JobState } from './state.ts';

type Next = Result<JobState, JobRefusal>;

/** A fastener left open with a reason. Refuses: unknown-position, why-missing, already-in. */
export const leftOpen = (
  state: JobState,
  { body: { position, why }, person }: EventOf<'left-open'>,
): Next => {
  const fastener = fastenerAt(state, position);
  if (!fastener) return refused({ code: 'unknown-position', position });
  if (saysNothing(why)) return refused({ code: 'why-missing' });
  if (fastener.status === 'in') return refused({ code: 'already-in', position });
  return accepted(withFastener(state, position, (each) => ({ ...each, leftOpen: { why, person } })));
};

/** A signature. Refuses: signed-already, not-signed-done, second-person-needed, role-may-not, open-items-remain. */
export const signed = (state: JobState, event: EventOf<'job-signed'>): Next => {
  const { meaning } = event.body;
  const done = state.signatures.find((signature) => signature.meaning === 'done');
  if (state.signatures.some((signature) => signature.meaning === meaning))
    return refused({ code: 'signed-already', meaning });
  if (meaning === 'inspected') {
    if (!done) return refused({ code: 'not-signed-done' });
    if (done.person.id === event.person.id) return refused({ code: 'second-person-needed' });
    if (event.person.role === 'technician') return refused({ code: 'role-may-not', needed: 'inspector' });
  }
  const count = unexplainedItems(state).length;
  if (count > 0) return refused({ code: 'open-items-remain', count });
  const signature = { meaning, person: event.person, deviceTime: event.deviceTime };
  return accepted({ ...state, signatures: [...state.signatures, signature] });
};

/** A signed job opened again, which strikes its signatures. Refuses: why-missing, not-signed-done, role-may-not. */
export const reopened = (state: JobState, { body, person }: EventOf<'job-reopened'>): Next => {
  if (saysNothing(body.why)) return refused({ code: 'why-missing' });
  if (state.signatures.length === 0) return refused({ code: 'not-signed-done' });
  if (person.role === 'technician') return refused({ code: 'role-may-not', needed: 'inspector' });
  return accepted({ ...state, signatures: [] });
};
