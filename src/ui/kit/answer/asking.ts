import { QueryClient } from '@tanstack/react-query';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';

/** What the islands of a page have asked, shared by all of them. */
export const asking = new QueryClient({
  defaultOptions: { queries: { staleTime: 30_000, retry: false, refetchOnWindowFocus: true } },
});

/** A problem as what stopped a request: the library tells success from failure by what is thrown. */
export class Stopped extends Error {
  constructor(readonly problem: ProblemDetails) {
    super(problem.title);
  }
}

/** The problem that stopped a request; null where none did. */
export const problemOf = (error: Error | null): ProblemDetails | null =>
  error instanceof Stopped ? error.problem : null;
