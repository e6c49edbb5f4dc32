import type { z } from 'zod';
import { call } from '#client/api.ts';
import { type Person, ROLES } from '#core/people/person.ts';
import { OPERATIONS } from '#wire/api.ts';
import { newPersonSchema } from '#wire/person.ts';
import { ChoiceField } from '../kit/form/ChoiceField.tsx';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';

type Props = {
  readonly isFirst: boolean;
  readonly onAdded: (person: Person, pin: string) => void | Promise<void>;
};

const empty = (isFirst: boolean): z.input<typeof newPersonSchema> =>
  isFirst ? { name: '', role: 'lead', pin: '', setupCode: '' } : { name: '', role: 'technician', pin: '' };

/** Adds a person; on an empty site the first, who is the lead. What was typed stays when it is refused. */
export const PersonForm = ({ isFirst, onAdded }: Props) => {
  const form = useKitForm(newPersonSchema, { defaults: empty(isFirst), draft: null });
  return (
    <Form
      form={form}
      className="grid gap-3"
      onSend={async (person) => {
        const answer = await call(OPERATIONS.addPerson, person);
        if (!answer.ok) return answer.problem;
        await onAdded(answer.value, person.pin);
        form.reset(empty(isFirst));
        return null;
      }}
    >
      <TextField name="name" label="Name" maxLength={60} autoComplete="off" />
      {!isFirst && (
        <ChoiceField name="role" label="Role" options={ROLES.map((value) => ({ value, words: value }))} />
      )}
      <TextField
        name="pin"
        label="PIN, 4 to 8 digits"
        type="password"
        inputMode="numeric"
        autoComplete="new-password"
        look="font-mono text-l tracking-widest"
      />
      {isFirst && (
        <TextField
          name="setupCode"
          label="Set-up code"
          hint="It stands where Jentik was started, so that nobody else begins this site."
          maxLength={40}
          autoComplete="off"
          placeholder="XXXX-XXXX-XXXX"
          look="font-mono text-l uppercase"
        />
      )}
      <SubmitButton>{isFirst ? 'Begin' : 'Add this person'}</SubmitButton>
    </Form>
  );
};
