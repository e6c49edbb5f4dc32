import { keepPreviousData } from '@tanstack/react-query';
import { call } from '#client/api.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { SearchHit } from '#wire/book.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { useAsked } from '../kit/answer/use-answer.ts';

export type SearchAnswer = {
  readonly hits: readonly SearchHit[];
  /** Whether nothing had all that was asked for, and these have a part of it. */
  readonly isPartial: boolean;
  /** The query the hits answer; null before the first answer. */
  readonly answered: string | null;
  readonly problem: ProblemDetails | null;
};

const NOTHING: SearchAnswer = { hits: [], isPartial: false, answered: null, problem: null };

/** What a query finds, asked for as it is typed; an answer that was overtaken is thrown away. */
export const useSearch = (query: string): SearchAnswer => {
  const { value, problem } = useAsked(
    ['search', query],
    async () => {
      const answer = await call(OPERATIONS.search, undefined, { q: query });
      return answer.ok ? { ...answer, value: { ...answer.value, answered: query } } : answer;
    },
    { isWanted: query.trim() !== '', placeholderData: keepPreviousData },
  );
  if (query.trim() === '') return NOTHING;
  if (problem) return { ...NOTHING, answered: query, problem };
  return value ? { ...value, problem: null } : NOTHING;
};

/** Where a hit opens. */
export const hitAddress = ({ kind, refId, row }: SearchHit): string => {
  switch (kind) {
    case 'requirement':
      return `/specs?requirement=${refId}`;
    case 'table-row':
      return `/specs/tables/${refId}?row=${row}`;
    case 'source':
      return `/specs/sources/${refId}`;
    case 'tool':
      return `/tools/${refId}`;
    case 'job':
      return `/jobs/${refId}/plan`;
  }
};
