import { useState } from 'react';
import type { Person } from '#core/people/person.ts';
import { PinPad } from './PinPad.tsx';

/** Sign in by tile and PIN. `to` is where one was going. */
export const SignIn = ({ people, to }: { readonly people: readonly Person[]; readonly to: string }) => {
  const [person, setPerson] = useState<Person | null>(null);
  if (person) return <PinPad key={person.id} person={person} to={to} onBack={() => setPerson(null)} />;
  return (
    <div className="mx-auto grid max-w-3xl grid-cols-2 gap-3 sm:grid-cols-3">
      {people.map((each) => (
        <button
          key={each.id}
          type="button"
          className="panel grid min-h-28 content-center justify-items-start gap-1 px-5 text-left hover:border-layout"
          onClick={() => setPerson(each)}
        >
          <span className="max-w-full text-xl font-bold wrap-anywhere">{each.name}</span>
          <span className="text-faint">{each.role}</span>
        </button>
      ))}
      <a
        href="/join"
        className="col-span-full min-h-11 content-center text-layout underline underline-offset-3"
      >
        I have an invitation
      </a>
    </div>
  );
};
