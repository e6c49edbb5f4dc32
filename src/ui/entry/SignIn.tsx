import { useEffect, useRef, useState } from 'react';
import { call } from '#client/api.ts';
import type { Person } from '#core/people/person.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { ProblemDetails } from '#wire/problems/problem-details.ts';
import { ProblemNotice } from '../shared/ProblemNotice.tsx';
import { ReadyForm } from '../shared/ReadyForm.tsx';

const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', 'Clear', '0'] as const;
const PIN_MAX = 8;

type PadProps = { readonly person: Person; readonly to: string; readonly onBack: () => void };

const PinPad = ({ person, to, onBack }: PadProps) => {
  const [pin, setPin] = useState('');
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [isBusy, setBusy] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  const signIn = async (): Promise<void> => {
    setBusy(true);
    const answer = await call(OPERATIONS.signIn, { personId: person.id, pin });
    if (answer.ok) return window.location.assign(to);
    setBusy(false);
    setPin('');
    setProblem(answer.problem);
    field.current?.focus();
  };
  return (
    <ReadyForm className="panel mx-auto grid max-w-sm gap-3 p-5" onSubmit={() => void signIn()}>
      <h2 className="text-xl font-bold">{person.name}</h2>
      <label>
        PIN
        <input
          ref={field}
          className="field mt-1 min-h-14 text-center font-mono text-2xl tracking-[0.4em]"
          type="password"
          inputMode="numeric"
          autoComplete="off"
          maxLength={PIN_MAX}
          value={pin}
          onChange={(event) => setPin(event.target.value.replace(/\D/g, ''))}
        />
      </label>
      <div className="grid grid-cols-3 gap-2">
        {DIGITS.map((digit) => (
          <button
            key={digit}
            type="button"
            className="act-quiet min-h-14 text-l"
            onClick={() => setPin(digit === 'Clear' ? '' : (pin + digit).slice(0, PIN_MAX))}
          >
            {digit}
          </button>
        ))}
        <button type="submit" className="act min-h-14" disabled={isBusy || pin.length < 4}>
          Sign in
        </button>
      </div>
      <ProblemNotice problem={problem} />
      <button type="button" className="min-h-11 text-layout underline underline-offset-3" onClick={onBack}>
        I am someone else
      </button>
    </ReadyForm>
  );
};

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
          <span className="text-xl font-bold">{each.name}</span>
          <span className="text-faint">{each.role}</span>
        </button>
      ))}
    </div>
  );
};
