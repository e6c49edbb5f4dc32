import { useState } from 'react';
import { call } from '#client/api.ts';
import { PEOPLE_OPERATIONS } from '#wire/api-people.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { ShownOnce } from '../kit/ShownOnce.tsx';
import { timeHere } from '../kit/time/here.ts';

type Standing = { readonly madeAt: string; readonly usedAt: string | null } | null;

/** The address for a person's own calendar: shown once when it is made, and revoked at a touch. */
export const CalendarPanel = ({ first }: { readonly first: Standing }) => {
  const [standing, setStanding] = useState(first);
  const [address, setAddress] = useState<string | null>(null);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const make = async (): Promise<void> => {
    const answer = await call(PEOPLE_OPERATIONS.makeCalendar, undefined);
    setProblem(answer.ok ? null : answer.problem);
    if (!answer.ok) return;
    setAddress(answer.value.address);
    setStanding({ madeAt: new Date().toISOString(), usedAt: null });
  };
  const revoke = async (): Promise<void> => {
    const answer = await call(PEOPLE_OPERATIONS.revokeCalendar, undefined);
    setProblem(answer.ok ? null : answer.problem);
    if (!answer.ok) return;
    setAddress(null);
    setStanding(null);
  };
  return (
    <section className="panel grid content-start gap-3 p-4">
      <h2 className="text-l font-bold">Due dates in your calendar</h2>
      <p>An address of your own for an ordinary calendar, with every due date of tools and loans.</p>
      {address !== null && (
        <ShownOnce doNow="Subscribe to it now" label="Address of the calendar" secret={address} />
      )}
      {standing && (
        <p className="text-s text-faint">
          Made {timeHere(standing.madeAt)};{' '}
          {standing.usedAt === null
            ? 'no calendar has asked yet'
            : `a calendar last asked ${timeHere(standing.usedAt)}`}
          .
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <button type="button" className="act-quiet" onClick={() => void make()}>
          {standing ? 'A new address; the old one ends' : 'Make an address'}
        </button>
        {standing && (
          <button type="button" className="act-quiet" onClick={() => void revoke()}>
            Revoke it
          </button>
        )}
      </div>
      <ProblemNotice problem={problem} />
    </section>
  );
};
