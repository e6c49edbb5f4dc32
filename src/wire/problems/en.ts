import { BOOK_WORDS } from './en-book.ts';
import { DOORS_WORDS } from './en-doors.ts';
import { KEEPING_WORDS } from './en-keeping.ts';
import { LIST_WORDS } from './en-list.ts';
import { PEOPLE_WORDS } from './en-people.ts';
import { PLAN_WORDS } from './en-plan.ts';
import { PRINT_WORDS } from './en-print.ts';
import { WORK_WORDS } from './en-work.ts';
import type { Problem, ProblemCode, ProblemWords } from './problem.ts';

const WORDING = {
  ...WORK_WORDS,
  ...PRINT_WORDS,
  ...LIST_WORDS,
  ...BOOK_WORDS,
  ...PLAN_WORDS,
  ...KEEPING_WORDS,
  ...PEOPLE_WORDS,
  ...DOORS_WORDS,
} satisfies {
  readonly [C in ProblemCode]: (problem: Extract<Problem, { readonly code: C }>) => ProblemWords;
};

/** The words for a problem: what happened, why, and what to do next. */
export const problemWords = (problem: Problem): ProblemWords =>
  (WORDING[problem.code] as (problem: Problem) => ProblemWords)(problem);
