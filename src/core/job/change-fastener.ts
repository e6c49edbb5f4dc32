import type { FastenerState, JobState } from './state.ts';

/** The job with one of its fasteners changed; the position must exist. */
export const withFastener = (
  state: JobState,
  position: string,
  change: (fastener: FastenerState) => FastenerState,
): JobState => {
  const place = state.placeOf.get(position) as number;
  return {
    ...state,
    fasteners: state.fasteners.with(place, change(state.fasteners[place] as FastenerState)),
  };
};

/** Whether a reason says nothing. */
export const saysNothing = (why: string): boolean => why.trim() === '';
