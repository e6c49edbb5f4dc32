import type { CheckBody } from '#core/job/check.ts';

/** The names of ways to check a finished fastener. */
export const CHECK_METHOD_WORDS: Record<CheckBody['method'], string> = {
  'first-movement': 'first movement',
  'second-click': 'second click',
  'loosen-and-retighten': 'loosened, marked and tightened again',
};

/** What a check can't see, where it is biased. */
export const CHECK_BIAS_WORDS: Record<CheckBody['method'], string> = {
  'first-movement': 'Turn on slowly with a peak-reading tool; read at the first movement.',
  'second-click': 'A second click at the same setting cannot see a fastener that is too tight.',
  'loosen-and-retighten': 'Mark, loosen, tighten to the mark, read there.',
};

/** What a reading of a finished fastener is for, as a choice. */
export const CHECK_PURPOSE_NAMES: Record<CheckBody['purpose'], string> = {
  check: 'to check it',
  settling: 'to see whether it settled',
};

/** What was done with a finished fastener. */
export const CHECK_PURPOSE_WORDS: Record<CheckBody['purpose'], string> = {
  check: 'checked',
  settling: 'read after settling',
};
