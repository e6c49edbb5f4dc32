import type { JobPlan } from './event.ts';

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

/** The cautions of a kind of job, all of which are confirmed before the first pull.
 *  Source: common practice; local codes and the maker's instructions override them. */
export const cautionsFor = (jobKind: JobPlan['jobKind']): readonly CautionId[] => {
  switch (jobKind) {
    case 'control-cabinet':
      return CAUTION_IDS;
  }
};
