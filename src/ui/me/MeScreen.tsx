import { useState } from 'react';
import type { Person } from '#core/people/person.ts';
import type { SessionShown } from '#wire/api-people.ts';
import { CalendarPanel } from './CalendarPanel.tsx';
import { ChangePin } from './ChangePin.tsx';
import { SessionsPanel } from './SessionsPanel.tsx';

type Props = {
  readonly person: Person;
  readonly sessions: readonly SessionShown[];
  readonly calendar: { readonly madeAt: string; readonly usedAt: string | null } | null;
  readonly pinDigits: number;
  readonly idleMinutes: number;
  /** Whether the PIN is shorter than the site asks for. */
  readonly asksNewPin: boolean;
  /** How many wrong PINs were typed for this person before they signed in. */
  readonly wrongSince: number;
};

/** What is one's own: signing out, the PIN, where one is signed in, and one's calendar. */
export const MeScreen = ({
  person,
  sessions,
  calendar,
  pinDigits,
  idleMinutes,
  asksNewPin,
  wrongSince,
}: Props) => {
  const [isAsked, setAsked] = useState(asksNewPin);
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-xl font-bold">
          {person.name} <span className="font-normal text-faint">{person.role}</span>
        </h1>
        <div className="flex flex-wrap gap-2">
          <a href="/settings" className="act-quiet">
            Settings
          </a>
          <a href="/sign-in" className="act-quiet">
            Someone else signs in
          </a>
          <button type="button" data-asks="sign-out" className="act">
            Sign out
          </button>
        </div>
      </div>
      {isAsked && (
        <p className="border-l-4 border-low pl-3" data-testid="asks-new-pin">
          <strong>Choose a longer PIN.</strong> This site asks for at least {pinDigits} digits now; yours is
          shorter, or from before that was noted.
        </p>
      )}
      {wrongSince > 0 && (
        <p className="border-l-4 border-high pl-3" data-testid="wrong-since">
          <strong>
            {wrongSince} wrong {wrongSince === 1 ? 'PIN was' : 'PINs were'} typed for you since you last
            signed in.
          </strong>{' '}
          If that was not you, tell a lead and choose another PIN.
        </p>
      )}
      <div className="grid items-start gap-4 lg:grid-cols-3">
        <SessionsPanel first={sessions} idleMinutes={idleMinutes} />
        <section className="panel grid gap-3 p-4">
          <h2 className="text-l font-bold">Your PIN</h2>
          <ChangePin pinDigits={pinDigits} onChanged={() => setAsked(false)} />
        </section>
        <CalendarPanel first={calendar} />
      </div>
    </div>
  );
};
