import { useState } from 'react';
import { call } from '#client/api.ts';
import type { Person } from '#core/people/person.ts';
import type { Invitation, Members } from '#wire/api-people.ts';
import { PEOPLE_OPERATIONS } from '#wire/api-people.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';

type Answered = { readonly ok: true } | { readonly ok: false; readonly problem: ProblemDetails };

/** Everyone who works here as a lead sees them, what a lead does about them, and the invitation that is held up. */
export const usePeople = (first: Members) => {
  const [members, setMembers] = useState(first);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [invited, setInvited] = useState<{ readonly name: string; readonly invitation: Invitation } | null>(
    null,
  );
  const look = async (): Promise<void> => {
    const answer = await call(PEOPLE_OPERATIONS.members, undefined);
    if (answer.ok) setMembers(answer.value);
  };
  /** Does something about a person, and looks how all stand then. Answers whether it was done. */
  const after = async (asked: Promise<Answered>): Promise<boolean> => {
    const answer = await asked;
    setProblem(answer.ok ? null : answer.problem);
    await look();
    return answer.ok;
  };
  const invite = async ({ id, name }: Person): Promise<void> => {
    const answer = await call(PEOPLE_OPERATIONS.invite, undefined, { person: id });
    if (answer.ok) setInvited({ name, invitation: answer.value });
    await after(Promise.resolve(answer));
  };
  const closeInvitation = (): void => {
    setInvited(null);
    void look();
  };
  return { members, problem, invited, after, invite, closeInvitation, look };
};
