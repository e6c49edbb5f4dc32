import type { By } from '../job/happened.ts';
import type { StepBody, StepPlace } from '../job/step-done.ts';

/** A step as it was done last, by whom and when. */
export type StepDone = StepBody & By;

/** What was made safe before the first pull, and every step done since. */
export type StepsView = {
  readonly cautions: {
    readonly confirmed: readonly string[];
    readonly person: By['person'];
    readonly deviceTime: string;
  } | null;
  /** Every step done, in the order they were; one done again is in it again. */
  readonly steps: readonly StepDone[];
  /** How each step was done last, by its stepKey. */
  readonly lastSteps: ReadonlyMap<string, StepDone>;
  /** When each wait was begun last, by its stepKey. */
  readonly begunWaits: ReadonlyMap<string, By>;
};

export const NO_STEPS: StepsView = { cautions: null, steps: [], lastSteps: new Map(), begunWaits: new Map() };

/** What tells one step done from another: the step, the group, what it was done on, and the pass it came after. */
export const stepKey = ({ group, step, of, afterPass }: StepPlace): string =>
  JSON.stringify([group, step, of, afterPass]);
