import { useState } from 'react';
import { call } from '#client/api.ts';
import { PEOPLE_OPERATIONS, type SessionShown } from '#wire/api-people.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { agentWords } from '#wire/words/agent.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { timeHere } from '../kit/time/here.ts';

type Props = { readonly first: readonly SessionShown[]; readonly idleMinutes: number };

/** Where somebody is signed in, and the way to end each of it. */
export const SessionsPanel = ({ first, idleMinutes }: Props) => {
  const [sessions, setSessions] = useState(first);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const end = async (id: string | null): Promise<void> => {
    const answer =
      id === null
        ? await call(PEOPLE_OPERATIONS.endOtherSessions, undefined)
        : await call(PEOPLE_OPERATIONS.endSession, undefined, { session: id });
    setProblem(answer.ok ? null : answer.problem);
    const open = await call(PEOPLE_OPERATIONS.ownSessions, undefined);
    if (open.ok) setSessions(open.value);
  };
  return (
    <section className="panel grid content-start gap-3 p-4">
      <h2 className="text-l font-bold">Where you are signed in</h2>
      <ul>
        {sessions.map(({ id, agent, address, since, seenAt, isThis }) => (
          <li
            key={id}
            className="flex flex-wrap justify-between gap-2 border-b border-rule py-2"
            data-testid="session"
          >
            <div>
              <strong>{agentWords(agent)}</strong>
              {isThis && ' (this one)'}
              <div className="text-s text-faint">
                from {address} since {timeHere(since)}, last used {timeHere(seenAt)}
              </div>
            </div>
            {!isThis && (
              <button type="button" className="act-quiet" onClick={() => void end(id)}>
                End it
              </button>
            )}
          </li>
        ))}
      </ul>
      {sessions.length > 1 && (
        <button type="button" className="act-quiet justify-self-start" onClick={() => void end(null)}>
          Sign out everywhere else
        </button>
      )}
      <ProblemNotice problem={problem} />
      <p className="text-s text-faint">
        A device that nobody uses for {idleMinutes} minutes signs itself out, and each after fourteen hours.
        What waits on it to be sent stays.
      </p>
    </section>
  );
};
