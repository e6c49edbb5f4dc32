import { z } from 'zod';
import { mayRetry, type Problem, type ProblemWords, problemStatus } from './problem.ts';

/** Problem details as the interface of programs answers them. Source: RFC 9457. `type` is stable, `problem` holds the data. */
export const problemDetailsSchema = z
  .object({
    type: z.string(),
    title: z.string(),
    status: z.int(),
    detail: z.string(),
    fix: z.string(),
    retry: z.boolean(),
    problem: z.looseObject({ code: z.string() }),
  })
  .meta({ id: 'ProblemDetails' });
export type ProblemDetails = z.infer<typeof problemDetailsSchema>;

export const PROBLEM_MEDIA_TYPE = 'application/problem+json';

/** The problem details of a problem that is said in these words. */
export const withWords = (problem: Problem, { title, cause, fix }: ProblemWords): ProblemDetails => ({
  type: `urn:jentik:problem:${problem.code}`,
  title,
  status: problemStatus(problem.code),
  detail: cause,
  fix,
  retry: mayRetry(problem.code),
  problem: { ...problem },
});
