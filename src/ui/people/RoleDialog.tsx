import { z } from 'zod';
import { call } from '#client/api.ts';
import { whySchema } from '#core/bounds.ts';
import { type Person, ROLES } from '#core/people/person.ts';
import { PEOPLE_OPERATIONS } from '#wire/api-people.ts';
import { Dialog } from '../kit/Dialog.tsx';
import { ChoiceField } from '../kit/form/ChoiceField.tsx';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';
import type { usePeople } from './use-people.ts';

const schema = z.object({ role: z.enum(ROLES), why: whySchema });

type Props = {
  readonly person: Person;
  readonly after: ReturnType<typeof usePeople>['after'];
  readonly onClose: () => void;
};

/** Gives a person another role, with a reason that the log keeps. */
export const RoleDialog = ({ person: { id, name, role }, after, onClose }: Props) => {
  const form = useKitForm(schema, { defaults: { role, why: '' }, draft: null });
  return (
    <Dialog title={`What ${name} may do`} onClose={onClose}>
      <Form
        form={form}
        className="grid gap-3"
        onSend={async (said) => {
          const answer = await call(PEOPLE_OPERATIONS.changeRole, said, { person: id });
          if (!answer.ok) return answer.problem;
          await after(Promise.resolve(answer));
          onClose();
          return null;
        }}
      >
        <p>
          A technician works and signs what they did. An inspector also inspects, calibrates and opens signed
          jobs again. A lead also decides for the site: people, tools, conflicts, recalls.
        </p>
        <ChoiceField name="role" label="Role" options={ROLES.map((value) => ({ value, words: value }))} />
        <TextField name="why" label="Why" maxLength={300} placeholder="passed the inspector’s course" />
        <SubmitButton>Change it; it holds at once</SubmitButton>
      </Form>
    </Dialog>
  );
};
