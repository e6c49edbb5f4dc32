import { useRef, useState } from 'react';
import { call } from '#client/api.ts';
import { deviceId } from '#client/device/id.ts';
import { deviceNow, newId } from '#client/happen.ts';
import type { LedgerEvent } from '#core/event/lifted.ts';
import type { SignatureMeaning, SignedHead } from '#core/job/signature.ts';
import type { Person } from '#core/people/person.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { ProblemDetails } from '#wire/problems/problem-details.ts';
import { ProblemNotice } from '../../shared/ProblemNotice.tsx';
import { ReadyForm } from '../../shared/ReadyForm.tsx';

type Props = {
  readonly job: string;
  readonly meaning: SignatureMeaning;
  readonly people: readonly Person[];
  readonly first: Person;
  readonly isHeld: boolean;
  /** Where the job's chain stands on this screen: what is signed. */
  readonly head: SignedHead;
  readonly onSigned: (event: LedgerEvent) => void;
  /** The job has moved on since this screen was drawn. */
  readonly onMoved: () => void;
};

const STATEMENTS: Record<SignatureMeaning, string> = {
  done: 'I did this work as the record states it.',
  inspected: 'I inspected this work and the record, and did not do the work myself.',
};

/** Signs with a PIN: one's own, whoever is signed in on this device. */
export const SignForm = ({ job, meaning, people, first, isHeld, head, onSigned, onMoved }: Props) => {
  const [who, setWho] = useState(first.id);
  const [pin, setPin] = useState('');
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [isBusy, setBusy] = useState(false);
  // The same id until it is signed: a signature sent twice counts once.
  const attempt = useRef<string>(newId());
  const isNoPull = problem?.problem.code === 'no-pull-by-signer';
  const sign = async (madeNoPull: boolean): Promise<void> => {
    setBusy(true);
    const at = deviceNow();
    const said = { eventId: attempt.current, deviceTime: at, sentAt: at, device: deviceId() };
    const answer = await call(
      OPERATIONS.signJob,
      { ...said, personId: who, pin, meaning, head, madeNoPull },
      { job },
    );
    setBusy(false);
    if (!answer.ok) {
      const { code } = answer.problem.problem;
      setProblem(answer.problem);
      // A question is answered with the PIN that was typed; anything else asks for it again.
      if (code !== 'no-pull-by-signer') setPin('');
      if (code === 'head-moved') onMoved();
      if (!answer.problem.retry) attempt.current = newId();
      return;
    }
    setPin('');
    setProblem(null);
    onSigned(answer.value);
  };
  return (
    <ReadyForm className="grid gap-3" onSubmit={() => void sign(isNoPull)}>
      <p>{STATEMENTS[meaning]}</p>
      <label>
        Who signs
        <select
          className="field mt-1"
          value={who}
          onChange={(event) => {
            setWho(event.target.value);
            setProblem(null);
          }}
        >
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
        {isHeld
          ? 'Waiting until everything is sent'
          : isNoPull
            ? 'Sign all the same: I made no pull here'
            : `Sign as ${meaning}`}
      </button>
    </ReadyForm>
  );
};
