import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { readLines } from '#client/read-lines.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { asking, problemOf, Stopped } from './asking.ts';

type Told<T> = {
  /** What the lines that came so far add up to. */
  readonly value: T;
  readonly isDone: boolean;
  readonly problem: ProblemDetails | null;
  /** Asks for all of it again, as after a decision; what is shown stays until the new lines come. */
  readonly again: () => Promise<void>;
};

type Telling<T> = {
  /** What there is before the first line. */
  readonly nothing: T;
  /** Puts a line to what came before. */
  readonly add: (before: T, line: unknown) => T;
  /** What is begun with when it is asked for again, from what was there; nothing, where this is not said. */
  readonly anew?: (before: T) => T;
};

/** Long work of the server that is told as lines of JSON while it goes on, begun when the screen opens. */
export const useTold = <T>(address: string, { nothing, add, anew = () => nothing }: Telling<T>): Told<T> => {
  const [soFar, setSoFar] = useState(nothing);
  const { isFetching, error, refetch } = useQuery(
    {
      queryKey: ['told', address],
      queryFn: async ({ signal }) => {
        let value = anew(soFar);
        const problem = await readLines(address, signal, (line) => {
          value = add(value, line);
          setSoFar(value);
        });
        if (problem) throw new Stopped(problem);
        return value;
      },
      staleTime: 0,
      gcTime: 0,
      // It may be minutes of work: coming back to the page does not begin it again.
      refetchOnWindowFocus: false,
    },
    asking(),
  );
  return {
    value: soFar,
    isDone: !isFetching,
    problem: problemOf(error),
    again: async () => {
      await refetch();
    },
  };
};
