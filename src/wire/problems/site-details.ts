import { type ProblemDetails, withWords } from './details-shape.ts';
import { SITE_WORDS } from './en-site.ts';
import type { Problem, ProblemWords } from './problem.ts';

/** What a site and a device can have against what is asked of them, whatever it is. Every page loads these words. */
export type SiteProblem = Extract<Problem, { readonly code: keyof typeof SITE_WORDS }>;

/** The problem details of it. */
export const siteDetails = (problem: SiteProblem): ProblemDetails =>
  withWords(problem, (SITE_WORDS[problem.code] as (problem: SiteProblem) => ProblemWords)(problem));
