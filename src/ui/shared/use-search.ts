import { useEffect, useState } from 'react';
import { call } from '#client/api.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { SearchHit } from '#wire/book.ts';
import type { ProblemDetails } from '#wire/problems/problem-details.ts';

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
  const [answer, setAnswer] = useState<SearchAnswer>(NOTHING);
  useEffect(() => {
    if (query.trim() === '') {
      setAnswer(NOTHING);
      return;
    }
    let isOvertaken = false;
    void call(OPERATIONS.search, undefined, { q: query }).then((result) => {
      if (isOvertaken) return;
      setAnswer(
        result.ok
          ? { ...result.value, answered: query, problem: null }
          : { hits: [], isPartial: false, answered: query, problem: result.problem },
      );
    });
    return () => {
      isOvertaken = true;
    };
  }, [query]);
  return answer;
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
