import { useRef, useState } from 'react';
import { call } from '#client/api.ts';
import { deviceNow, newId } from '#client/happen.ts';
import type { JobEvent, Person, SignatureMeaning } from '#core/job/event.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { ProblemDetails } from '#wire/problems/problem-details.ts';
import { ProblemNotice } from '../shared/ProblemNotice.tsx';
import { ReadyForm } from '../shared/ReadyForm.tsx';

type Props = {
  readonly job: string;
  readonly meaning: SignatureMeaning;
  readonly people: readonly Person[];
  readonly first: Person;
  readonly isHeld: boolean;
  readonly onSigned: (event: JobEvent) => void;
};

const STATEMENTS: Record<SignatureMeaning, string> = {
  done: 'I did this work as the record states it.',
  inspected: 'I inspected this work and the record, and did not do the work myself.',
};

/** Signs with a PIN: one's own, whoever is signed in on this device. */
export const SignForm = ({ job, meaning, people, first, isHeld, onSigned }: Props) => {
  const [who, setWho] = useState(first.id);
  const [pin, setPin] = useState('');
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [isBusy, setBusy] = useState(false);
  // The same id until it is signed: a signature sent twice counts once.
  const attempt = useRef({ eventId: newId(), deviceTime: deviceNow() });
  const sign = async (): Promise<void> => {
    setBusy(true);
    const answer = await call(
      OPERATIONS.signJob,
      { ...attempt.current, personId: who, pin, meaning },
      { job },
    );
    setBusy(false);
    setPin('');
    if (!answer.ok) {
      setProblem(answer.problem);
      if (!answer.problem.retry) attempt.current = { eventId: newId(), deviceTime: deviceNow() };
      return;
    }
    setProblem(null);
    onSigned(answer.value);
  };
  return (
    <ReadyForm className="grid gap-3" onSubmit={() => void sign()}>
      <p>{STATEMENTS[meaning]}</p>
      <label>
        Who signs
        <select className="field mt-1" value={who} onChange={(event) => setWho(event.target.value)}>
          {people.map(({ id, name, role }) => (
            <option key={id} value={id}>
              {name}, {role}
            </option>
          ))}
        </select>
      </label>
      <label>
        PIN
        <input
          className="field mt-1 font-mono text-xl tracking-widest"
          type="password"
          inputMode="numeric"
          autoComplete="off"
          pattern="\d{4,8}"
          maxLength={8}
          required
          value={pin}
          onChange={(event) => setPin(event.target.value)}
        />
      </label>
      <ProblemNotice problem={problem} />
      <button type="submit" className="act min-h-14 text-l" disabled={isBusy || isHeld || pin.length < 4}>
        {isHeld ? 'Waiting until everything is sent' : `Sign as ${meaning}`}
      </button>
    </ReadyForm>
  );
};
