import { useEffect, useState } from 'react';
import { call } from '#client/api.ts';
import { PEOPLE_OPERATIONS } from '#wire/api-people.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { ChoosePin } from './ChoosePin.tsx';
import { CodeForm } from './CodeForm.tsx';

type Invited = { readonly code: string; readonly name: string; readonly pinDigits: number };

/** Where an invitation leads: the code behind the # of its address, or typed; then the PIN that the person chooses. */
export const JoinScreen = () => {
  const [invited, setInvited] = useState<Invited | null>(null);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const look = async (code: string): Promise<ProblemDetails | null> => {
    const answer = await call(PEOPLE_OPERATIONS.invited, { code });
    if (!answer.ok) return answer.problem;
    setInvited({ code, ...answer.value });
    return null;
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: the address is read once
  useEffect(() => {
    const code = decodeURIComponent(window.location.hash.slice(1));
    if (code === '') return;
    // Not left in the history of a device that others use too.
    window.history.replaceState(null, '', '/join');
    void look(code).then(setProblem);
  }, []);
  if (invited) return <ChoosePin {...invited} />;
  return (
    <div className="panel mx-auto grid max-w-sm gap-3 p-5">
      <ProblemNotice problem={problem} />
      <CodeForm onCode={look} />
      <a href="/sign-in" className="min-h-11 content-center text-layout underline underline-offset-3">
        I have a PIN
      </a>
    </div>
  );
};
