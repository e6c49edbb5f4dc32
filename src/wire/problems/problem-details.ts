import { type ProblemDetails, withWords } from './details-shape.ts';
import { problemWords } from './en.ts';
import type { Problem } from './problem.ts';

/** The problem details of any problem. */
export const problemDetails = (problem: Problem): ProblemDetails => withWords(problem, problemWords(problem));
