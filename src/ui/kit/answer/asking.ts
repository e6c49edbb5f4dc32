import { QueryClient } from '@tanstack/react-query';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';

const newClient = (): QueryClient =>
  new QueryClient({
    defaultOptions: { queries: { staleTime: 30_000, retry: false, refetchOnWindowFocus: true } },
  });

const ofThePage = 'document' in globalThis ? newClient() : null;

/** What has been asked: in a browser one for all islands of a page; on the server a new one for each drawing, which must show nothing of another. */
export const asking = (): QueryClient => ofThePage ?? newClient();

/** A problem as what stopped a request: the library tells success from failure by what is thrown. */
export class Stopped extends Error {
  constructor(readonly problem: ProblemDetails) {
    super(problem.title);
  }
}

/** The problem that stopped a request; null where none did. */
export const problemOf = (error: Error | null): ProblemDetails | null =>
  error instanceof Stopped ? error.problem : null;
