import type { Schools } from '#core/target/schools.ts';

/** A question on which good practitioners disagree: its words, and what may be answered. The first choice is the default. */
export type SchoolQuestion = {
  readonly [Q in ChoiceQuestion]: {
    readonly id: Q;
    readonly question: string;
    readonly choices: readonly NonNullable<Schools[Q]>[];
    /** Number that goes with one of the choices. */
    readonly amount?: {
      readonly id: AmountQuestion;
      readonly name: string;
      readonly min: number;
      readonly max: number;
      readonly with: NonNullable<Schools[Q]>;
    };
    /** What follows from the choice, where no torque shows it. */
    readonly effect?: Partial<Record<NonNullable<Schools[Q]>, string>>;
  };
}[ChoiceQuestion];

export type AmountQuestion =
  | 'siteTolerancePercent'
  | 'maximumSharePercent'
  | 'guardFactor'
  | 'sureSharePercent';
export type ChoiceQuestion = Exclude<keyof Schools, AmountQuestion>;

/** Every question of the schools, in the order of the work. */
export const SCHOOL_QUESTIONS: readonly SchoolQuestion[] = [
  {
    id: 'rangeTarget',
    question: 'Target inside a printed range',
    choices: ['middle', 'low-end', 'high-end'],
  },
  {
    id: 'maximumOnly',
    question: 'Only a maximum is printed',
    choices: ['eighty-percent', 'printed-value', 'site-share'],
    amount: {
      id: 'maximumSharePercent',
      name: 'Share of the maximum, %',
      min: 30,
      max: 100,
      with: 'site-share',
    },
  },
  {
    id: 'nominalTolerance',
    question: 'A single value with no tolerance',
    choices: ['site-tolerance', 'tool-class'],
    amount: { id: 'siteTolerancePercent', name: 'Tolerance, ± %', min: 1, max: 30, with: 'site-tolerance' },
  },
  {
    id: 'twoParts',
    question: 'Two parts with different values in one joint',
    choices: ['lower-governs', 'overlap-else-lower'],
  },
  {
    id: 'harderMaterial',
    question: 'The value was made for a harder material',
    choices: ['refuse', 'minimum-as-maximum'],
  },
  {
    id: 'windingDown',
    question: 'Winding a tool down after use',
    choices: ['lowest-graduation', 'zero'],
    effect: {
      'lowest-graduation': 'The bench ends with: set the tool to its lowest graduation, never below.',
      zero: 'The bench ends with: wind the tool down to zero.',
    },
  },
  {
    id: 'offsetAdapter',
    question: 'An offset adapter',
    choices: ['right-angle', 'any-angle'],
    effect: {
      'right-angle': 'The adapter goes on at 90°, the setting stays; another angle asks first.',
      'any-angle': 'Any angle is taken, and the setting is corrected for it.',
    },
  },
  {
    id: 'betweenGraduations',
    question: 'The setting falls between graduations',
    choices: ['nearest-inside', 'the-one-below'],
  },
  {
    id: 'decisionRule',
    question: 'When is a reading in',
    choices: ['simple', 'guarded'],
    amount: {
      id: 'guardFactor',
      name: 'Guard band, times the expanded uncertainty',
      min: 0,
      max: 2,
      with: 'guarded',
    },
  },
  {
    id: 'knownError',
    question: 'A tool’s known error',
    choices: ['judgement-corrected', 'setting-corrected', 'added-to-uncertainty'],
  },
  {
    id: 'sureEnough',
    question: 'How sure “in” must be',
    choices: ['eighty-percent', 'ninety-five-percent', 'site-share'],
    amount: { id: 'sureSharePercent', name: 'Sure, %', min: 50, max: 99, with: 'site-share' },
  },
  {
    id: 'byFeelCheck',
    question: 'The unfinished check of a fastener pulled by feel',
    choices: ['moved-or-loosened', 'loosened'],
    effect: {
      'moved-or-loosened':
        'It stays open until its first movement is read inside, or it is loosened and pulled again.',
      loosened: 'It stays open until it is loosened and pulled again.',
    },
  },
  {
    id: 'finishedCheck',
    question: 'Checking a finished fastener',
    choices: ['first-movement', 'second-click', 'loosen-and-retighten'],
    effect: {
      'first-movement': 'The torque at first movement is read with a peak-reading tool.',
      'second-click': 'A second click at the same setting. Biased: it cannot see an over-tightened fastener.',
      'loosen-and-retighten': 'Loosened, marked, and tightened again to the mark.',
    },
  },
  {
    id: 'inspectorSample',
    question: 'What an inspector checks',
    choices: ['every-fastener', 'computed-sample', 'one-per-panel'],
    effect: {
      'every-fastener': 'All of them.',
      'computed-sample': 'A number that finds what it should find, drawn so that nobody picks.',
      'one-per-panel': 'One each. It finds little: of 3 bad in 30 it misses them nine times in ten.',
    },
  },
  {
    id: 'toolService',
    question: 'Keeping tools true',
    choices: ['recalibrate', 'replace-yearly'],
    effect: {
      recalibrate: 'Due after 12 months or 5,000 pulls, whichever is first.',
      'replace-yearly': 'Due to be replaced 12 months after it was taken into use.',
    },
  },
];
