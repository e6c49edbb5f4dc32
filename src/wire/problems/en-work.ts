import { type ProblemDetails, withWords } from './details-shape.ts';
import { BENCH_WORDS } from './en-bench.ts';
import { SITE_WORDS } from './en-site.ts';
import { TOOL_WORDS } from './en-tools.ts';
import type { Problem, ProblemWords } from './problem.ts';

// What can be in the way of the work on a job. A bench loads these words and none of the book's, the lists' or the labels'.

/** The words for everything that can be in the way of the work on a job. */
export const WORK_WORDS = { ...BENCH_WORDS, ...SITE_WORDS, ...TOOL_WORDS };

/** What can be in the way of the work on a job: what core refuses of it, and what its site and its device do. */
export type WorkProblem = Extract<Problem, { readonly code: keyof typeof WORK_WORDS }>;

/** The words for a problem at work: what happened, why, and what to do next. */
export const workWords = (problem: WorkProblem): ProblemWords =>
  (WORK_WORDS[problem.code] as (problem: WorkProblem) => ProblemWords)(problem);

/** The problem details of a problem at work. */
export const workDetails = (problem: WorkProblem): ProblemDetails => withWords(problem, workWords(problem));

const isAtWork = (problem: { readonly code: string }): problem is WorkProblem => problem.code in WORK_WORDS;

/** A problem as it came from a site; one that this page has no words for is a fault of the page, with its code. */
export const knownAtWork = (problem: { readonly code: string }): WorkProblem =>
  isAtWork(problem) ? problem : { code: 'fault', reference: problem.code.slice(0, 40) };
