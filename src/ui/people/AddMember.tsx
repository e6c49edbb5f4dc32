import { z } from 'zod';
import { call } from '#client/api.ts';
import { type Person, ROLES } from '#core/people/person.ts';
import { PEOPLE_OPERATIONS } from '#wire/api-people.ts';
import { newPersonSchema } from '#wire/person.ts';
import { ChoiceField } from '../kit/form/ChoiceField.tsx';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';

const schema = z.object({ name: newPersonSchema.shape.name, role: newPersonSchema.shape.role });
const EMPTY = { name: '', role: 'technician' } as const;

/** Adds somebody by name and role, and holds their invitation up at once: they choose the PIN themselves. */
export const AddMember = ({ onAdded }: { readonly onAdded: (person: Person) => Promise<void> }) => {
  const form = useKitForm(schema, { defaults: EMPTY as z.input<typeof schema>, draft: null });
  return (
    <Form
      form={form}
      className="grid gap-3"
      onSend={async (said) => {
        const answer = await call(PEOPLE_OPERATIONS.addPerson, { ...said, pin: null });
        if (!answer.ok) return answer.problem;
        form.reset(EMPTY);
        await onAdded(answer.value);
        return null;
      }}
    >
      <TextField name="name" label="Name, as records will say it" maxLength={60} autoComplete="off" />
      <ChoiceField name="role" label="Role" options={ROLES.map((value) => ({ value, words: value }))} />
      <SubmitButton>Add and invite</SubmitButton>
    </Form>
  );
};
