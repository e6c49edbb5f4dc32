/** Cautions that a person confirms, in the order they are done. Words for them live in wire/words. */
export const CAUTION_IDS = [
  'isolated-and-locked',
  'tester-proved-before',
  'tested-dead',
  'tester-proved-after',
  'stored-energy',
  'line-side',
  'eye-protection',
  'hand-tools-only',
  'click-is-a-warning',
] as const;

export type CautionId = (typeof CAUTION_IDS)[number];

export const JOB_KINDS = ['control-cabinet'] as const;
/** What a job is about: it decides the cautions, the preparation and the order. */
export type JobKind = (typeof JOB_KINDS)[number];

/** The cautions of a kind of job, all of which are confirmed before the first pull.
 *  Source: common practice; local codes and the maker's instructions override them. */
export const cautionsFor = (jobKind: JobKind): readonly CautionId[] => {
  switch (jobKind) {
    case 'control-cabinet':
      return CAUTION_IDS;
  }
};
