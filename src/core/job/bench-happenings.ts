import { accepted, type Result, refused } from '../result.ts';
import { saysNothing, withFastener } from './change-fastener.ts';
import { differingField } from './differing-field.ts';
import type { EventOf } from './event.ts';
import { judgePull, wantedSetting } from './judge-pull.ts';
import type { JobRefusal } from './refusal.ts';
import { fastenerAt, type JobState } from './state.ts';

type Next = Result<JobState, JobRefusal>;

/** The tool set by hand to what a fastener wants. Refuses: tool-not-chosen, another-tool-chosen, setting-not-made. */
export const toolSet = (state: JobState, { body }: EventOf<'tool-set'>): Next => {
  if (!state.tool) return refused({ code: 'tool-not-chosen' });
  if (state.tool.id !== body.toolId) return refused({ code: 'another-tool-chosen' });
  const isWanted = state.fasteners.some((fastener) => {
    const wanted = wantedSetting(state, fastener);
    return wanted.ok && wanted.value.setting === body.setting.value;
  });
  if (!isWanted || body.setting.unit !== state.tool.scale.unit)
    return refused({ code: 'setting-not-made', wanted: body.setting.text, unit: state.tool.scale.unit });
  return accepted({ ...state, setting: body.setting });
};

/** A pull with its verdict, judged again here. Refuses: what judgePull refuses, judgement-differs. */
export const pullMade = (state: JobState, event: EventOf<'pull-made'>): Next => {
  const { body } = event;
  const judged = judgePull(state, {
    position: body.position,
    method: body.method,
    readingText: body.reading?.text ?? null,
    readingStands: body.readingStands,
  });
  if (!judged.ok) return judged;
  const field = differingField(judged.value, body);
  if (field) return refused({ code: 'judgement-differs', field });
  const next = withFastener(state, body.position, (fastener) => ({
    ...fastener,
    pulls: [
      ...fastener.pulls,
      { eventId: event.id, person: event.person, deviceTime: event.deviceTime, body, voided: null },
    ],
    status: body.outcome,
    isPastLimit: body.outcome === 'high',
    isWitnessMarked: false,
    leftOpen: null,
  }));
  return accepted({ ...next, lastPull: { eventId: event.id, position: body.position } });
};

/** A pull struck out with a reason; it stays in the record. Refuses: why-missing, unknown-pull, pull-already-voided. */
export const pullVoided = (state: JobState, { body, person }: EventOf<'pull-voided'>): Next => {
  if (saysNothing(body.why)) return refused({ code: 'why-missing' });
  const fastener = state.fasteners.find(({ pulls }) => pulls.some(({ eventId }) => eventId === body.pullId));
  const pull = fastener?.pulls.find(({ eventId }) => eventId === body.pullId);
  if (!fastener || !pull) return refused({ code: 'unknown-pull' });
  if (pull.voided) return refused({ code: 'pull-already-voided' });
  const pulls = fastener.pulls.map((each) =>
    each === pull ? { ...each, voided: { why: body.why, person } } : each,
  );
  // Voiding the last pull leaves the fastener open even if an earlier one was in: it has been touched since.
  const isLast = fastener.pulls.at(-1) === pull;
  const next = withFastener(state, fastener.planned.position, (each) => ({
    ...each,
    pulls,
    ...(isLast ? { status: 'voided' as const, isPastLimit: false, isWitnessMarked: false } : {}),
  }));
  return accepted({ ...next, lastPull: state.lastPull?.eventId === body.pullId ? null : state.lastPull });
};

/** A fastener loosened after it went past. Refuses: unknown-position, nothing-to-loosen. */
export const loosened = (state: JobState, { body: { position } }: EventOf<'fastener-loosened'>): Next => {
  const fastener = fastenerAt(state, position);
  if (!fastener) return refused({ code: 'unknown-position', position });
  if (fastener.pulls.length === 0) return refused({ code: 'nothing-to-loosen', position });
  return accepted(
    withFastener(state, position, (each) => ({
      ...each,
      // A fastener that was in is open once it has been loosened; one that was out keeps its stripe until it is pulled again.
      status: each.status === 'in' ? 'open' : each.status,
      isPastLimit: false,
      isWitnessMarked: false,
    })),
  );
};

/** The witness mark drawn across a fastener that is in. Refuses: unknown-position, not-in-acceptance. */
export const witnessMarked = (state: JobState, { body: { position } }: EventOf<'witness-marked'>): Next => {
  const fastener = fastenerAt(state, position);
  if (!fastener) return refused({ code: 'unknown-position', position });
  if (fastener.status !== 'in') return refused({ code: 'not-in-acceptance', position });
  return accepted(withFastener(state, position, (each) => ({ ...each, isWitnessMarked: true })));
};
