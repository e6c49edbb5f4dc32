import { useState } from 'react';
import { call } from '#client/api.ts';
import { type Person, ROLES, type Role } from '#core/people/person.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { ProblemDetails } from '#wire/problems/problem-details.ts';
import { ProblemNotice } from '../shared/ProblemNotice.tsx';
import { ReadyForm } from '../shared/ReadyForm.tsx';

type Props = {
  readonly isFirst: boolean;
  readonly onAdded: (person: Person, pin: string) => void | Promise<void>;
};

/** Adds a person; on an empty site the first, who is the lead. What was typed stays when it is refused. */
export const PersonForm = ({ isFirst, onAdded }: Props) => {
  const [name, setName] = useState('');
  const [role, setRole] = useState<Role>('technician');
  const [pin, setPin] = useState('');
  const [setupCode, setSetupCode] = useState('');
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [isBusy, setBusy] = useState(false);
  const add = async (): Promise<void> => {
    setBusy(true);
    const person = isFirst ? { name, role: 'lead' as const, pin, setupCode } : { name, role, pin };
    const answer = await call(OPERATIONS.addPerson, person);
    setBusy(false);
    if (!answer.ok) return setProblem(answer.problem);
    setProblem(null);
    await onAdded(answer.value, pin);
    setName('');
    setPin('');
  };
  return (
    <ReadyForm className="grid gap-3" onSubmit={() => void add()}>
      <label>
        Name
        <input
          className="field mt-1"
          name="name"
          value={name}
          required
          maxLength={60}
          autoComplete="off"
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      {!isFirst && (
        <label>
          Role
          <select
            className="field mt-1"
            value={role}
            onChange={(event) => setRole(event.target.value as Role)}
          >
            {ROLES.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </select>
        </label>
      )}
      <label>
        PIN, 4 to 8 digits
        <input
          className="field mt-1 font-mono text-l tracking-widest"
          name="pin"
          type="password"
          inputMode="numeric"
          autoComplete="new-password"
          pattern="\d{4,8}"
          required
          value={pin}
          onChange={(event) => setPin(event.target.value)}
        />
      </label>
      {isFirst && (
        <label>
          Set-up code
          <input
            className="field mt-1 font-mono text-l uppercase"
            name="setupCode"
            value={setupCode}
            required
            maxLength={40}
            autoComplete="off"
            placeholder="XXXX-XXXX-XXXX"
            onChange={(event) => setSetupCode(event.target.value)}
          />
          <span className="text-s text-faint">
            It stands where Jentik was started, so that nobody else begins this site.
          </span>
        </label>
      )}
      <ProblemNotice problem={problem} />
      <button type="submit" className="act min-h-14" disabled={isBusy}>
        {isFirst ? 'Begin' : 'Add this person'}
      </button>
    </ReadyForm>
  );
};
