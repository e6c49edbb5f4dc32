import { useState } from 'react';
import { z } from 'zod';
import { call } from '#client/api.ts';
import { PEOPLE_OPERATIONS } from '#wire/api-people.ts';
import { pinSchema } from '#wire/person.ts';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';

const schema = z
  .object({ pin: pinSchema, newPin: pinSchema, again: z.string() })
  .refine(({ newPin, again }) => newPin === again, { path: ['again'], message: 'is not the same' });
const EMPTY = { pin: '', newPin: '', again: '' };
const LOOK = { type: 'password', inputMode: 'numeric', look: 'font-mono text-l tracking-widest' } as const;

type Props = { readonly pinDigits: number; readonly onChanged: () => void };

/** Changes the PIN of whoever proves the one they have. */
export const ChangePin = ({ pinDigits, onChanged }: Props) => {
  const form = useKitForm(schema, { defaults: EMPTY, draft: null });
  const [isSaved, setSaved] = useState(false);
  return (
    <Form
      form={form}
      className="grid gap-3"
      onSend={async ({ pin, newPin }) => {
        const answer = await call(PEOPLE_OPERATIONS.changePin, { pin, newPin });
        if (!answer.ok) return answer.problem;
        form.reset(EMPTY);
        setSaved(true);
        onChanged();
        return null;
      }}
    >
      <TextField name="pin" label="The PIN you have" autoComplete="current-password" {...LOOK} />
      <TextField
        name="newPin"
        label={`A new one, at least ${pinDigits} digits`}
        hint="No pattern, no year, no birthday: those are tried first."
        autoComplete="new-password"
        {...LOOK}
      />
      <TextField name="again" label="The new one again" autoComplete="new-password" {...LOOK} />
      <SubmitButton>{isSaved ? 'Changed; your other devices are signed out' : 'Change my PIN'}</SubmitButton>
    </Form>
  );
};
