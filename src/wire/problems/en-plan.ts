import { type Problem, type ProblemWords, words } from './problem.ts';

type PlanCode = 'passes-impossible' | 'pitch-not-known' | 'too-few-readings-here' | 'no-loss-measured';

type Wording = {
  readonly [C in PlanCode]: (problem: Extract<Problem, { readonly code: C }>) => ProblemWords;
};

/** The words for what can be wrong with a plan, what is laid out for it, and what is worked out of it. */
export const PLAN_WORDS: Wording = {
  'passes-impossible': ({ jointKind }) =>
    words(
      'These passes can’t be worked',
      `The passes chosen for “${jointKind}” go back, or end short of the whole torque, or ask for rounds until nothing moves where nothing says what moving is.`,
      'Choose passes that grow, each larger than the one before, and end at the whole torque.',
    ),
  'pitch-not-known': ({ text }) =>
    words(
      'Which pitch?',
      `No coarse pitch goes with ${text}, or the one written is too coarse for it.`,
      'Write the pitch with it, as M12x1.5.',
    ),
  'too-few-readings-here': ({ needed }) =>
    words(
      'Not enough readings',
      `A reading for each of ${needed} fasteners is needed, in the order they are pulled.`,
      'Measure the first movement of each at the start of the second round, and type them all.',
    ),
  'no-loss-measured': () =>
    words(
      'Nothing came loose',
      'None of the readings is below the full torque, so that there is nothing to fit.',
      'Read the torque at which each begins to turn, not what the tool is set to; else take it for rigid.',
    ),
};
