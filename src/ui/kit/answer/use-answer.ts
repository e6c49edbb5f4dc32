import { type keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Answer } from '#client/api.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { asking, problemOf, Stopped } from './asking.ts';

/** What a screen shows of the server: the answer that the page came with, asked again when one comes back to it or something was changed. */
export type LiveAnswer<T> = {
  readonly value: T;
  readonly problem: ProblemDetails | null;
  /** Asks again now. */
  readonly again: () => Promise<void>;
};

const answered = async <T>(ask: () => Promise<Answer<T>>): Promise<T> => {
  const answer = await ask();
  if (!answer.ok) throw new Stopped(answer.problem);
  return answer.value;
};

/** Keeps an answer of the server fresh under a key; `first` is what the page came with. */
export const useAnswer = <T>(
  key: readonly string[],
  ask: () => Promise<Answer<T>>,
  first: T,
): LiveAnswer<T> => {
  const { data, error, refetch } = useQuery<T>(
    {
      queryKey: key,
      queryFn: () => answered(ask),
      initialData: first,
      initialDataUpdatedAt: () => Date.now(),
    },
    asking(),
  );
  return {
    value: data ?? first,
    problem: problemOf(error),
    again: async () => {
      await refetch();
    },
  };
};

/** An answer that a screen asks for as one works; null until it is there. */
export type AskedAnswer<T> = { readonly value: T | null; readonly problem: ProblemDetails | null };

type AskOptions = {
  /** Whether it is asked for at all. */
  readonly isWanted: boolean;
  /** What is shown while the next answer is on its way. */
  readonly placeholderData?: typeof keepPreviousData;
};

/** Asks the server under a key, where it is wanted; an answer to another key is never shown for this one unless it is to be kept meanwhile. */
export const useAsked = <T>(
  key: readonly string[],
  ask: () => Promise<Answer<T>>,
  { isWanted, placeholderData }: AskOptions,
): AskedAnswer<T> => {
  const { data, error } = useQuery<T>(
    {
      queryKey: key,
      queryFn: () => answered(ask),
      enabled: isWanted,
      // What was answered before one looked away may have been changed meanwhile, by oneself: nobody reads a torque from it.
      staleTime: 0,
      gcTime: 0,
      ...(placeholderData ? { placeholderData } : {}),
    },
    asking(),
  );
  return { value: data ?? null, problem: problemOf(error) };
};
