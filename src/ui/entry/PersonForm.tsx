import type { z } from 'zod';
import { call } from '#client/api.ts';
import type { Person } from '#core/people/person.ts';
import { PEOPLE_OPERATIONS } from '#wire/api-people.ts';
import { newPersonSchema, pinSchema } from '#wire/person.ts';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';

type Props = { readonly onAdded: (person: Person, pin: string) => void | Promise<void> };

const schema = newPersonSchema.extend({ pin: pinSchema });
const EMPTY: z.input<typeof schema> = { name: '', role: 'lead', pin: '', setupCode: '' };

/** Adds the first person of an empty site, who is its lead. What was typed stays when it is refused. */
export const PersonForm = ({ onAdded }: Props) => {
  const form = useKitForm(schema, { defaults: EMPTY, draft: null });
  return (
    <Form
      form={form}
      className="grid gap-3"
      onSend={async (person) => {
        const answer = await call(PEOPLE_OPERATIONS.addPerson, person);
        if (!answer.ok) return answer.problem;
        await onAdded(answer.value, person.pin);
        form.reset(EMPTY);
        return null;
      }}
    >
      <TextField name="name" label="Name" maxLength={60} autoComplete="off" />
      <TextField
        name="pin"
        label="PIN, at least 6 digits"
        hint="No pattern, no year, no birthday: those are tried first."
        type="password"
        inputMode="numeric"
        autoComplete="new-password"
        look="font-mono text-l tracking-widest"
      />
      <TextField
        name="setupCode"
        label="Set-up code"
        hint="It stands where Jentik was started, so that nobody else begins this site."
        maxLength={40}
        autoComplete="off"
        placeholder="XXXX-XXXX-XXXX"
        look="font-mono text-l uppercase"
      />
      <SubmitButton>Begin</SubmitButton>
    </Form>
  );
};
