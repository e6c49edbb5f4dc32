import { useState } from 'react';
import { call } from '#client/api.ts';
import { PEOPLE_OPERATIONS } from '#wire/api-people.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import type { Token } from '#wire/token.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { dayHere, timeHere } from '../kit/time/here.ts';
import { NewToken } from './NewToken.tsx';

const SCOPE_WORDS = { export: 'reads what can be exported', import: 'puts in what can be imported' } as const;

/** The tokens that programs ask with: each is shown once, and ends at a touch. */
export const TokensPanel = ({ first }: { readonly first: readonly Token[] }) => {
  const [tokens, setTokens] = useState(first);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const look = async (): Promise<void> => {
    const answer = await call(PEOPLE_OPERATIONS.listTokens, undefined);
    if (answer.ok) setTokens(answer.value);
  };
  const revoke = async (id: string): Promise<void> => {
    const answer = await call(PEOPLE_OPERATIONS.revokeToken, undefined, { token: id });
    setProblem(answer.ok ? null : answer.problem);
    await look();
  };
  return (
    <section className="panel grid gap-3 p-4">
      <h2 className="text-l font-bold">Programs</h2>
      <p className="text-s">
        A stock or maintenance program asks with a token of its own, and stands in the records under its own
        name.
      </p>
      <ul>
        {tokens.map(({ id, name, scope, madeBy, expiresAt, usedAt }) => (
          <li
            key={id}
            className="flex flex-wrap justify-between gap-2 border-b border-rule py-2"
            data-testid="token"
          >
            <div>
              <strong>{name}</strong> {SCOPE_WORDS[scope]}
              <div className="text-s text-faint">
                made by {madeBy}, good until {dayHere(expiresAt)};{' '}
                {usedAt === null ? 'not used yet' : `used ${timeHere(usedAt)}`}
              </div>
            </div>
            <button type="button" className="act-quiet" onClick={() => void revoke(id)}>
              Revoke
            </button>
          </li>
        ))}
      </ul>
      <ProblemNotice problem={problem} />
      <NewToken onMade={look} />
    </section>
  );
};
