import { z } from 'zod';
import { call } from '#client/api.ts';
import { forgetPages } from '#client/offline/pages.ts';
import { PEOPLE_OPERATIONS } from '#wire/api-people.ts';
import { pinSchema } from '#wire/person.ts';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';

const schema = z
  .object({ pin: pinSchema, again: z.string() })
  .refine(({ pin, again }) => pin === again, { path: ['again'], message: 'is not the same' });
const LOOK = {
  type: 'password',
  inputMode: 'numeric',
  autoComplete: 'new-password',
  look: 'min-h-14 text-center font-mono text-2xl tracking-[0.4em]',
} as const;

type Props = { readonly code: string; readonly name: string; readonly pinDigits: number };

/** Lets whoever was invited choose their PIN, and signs them in on this device. */
export const ChoosePin = ({ code, name, pinDigits }: Props) => {
  const form = useKitForm(schema, { defaults: { pin: '', again: '' }, draft: null });
  return (
    <Form
      form={form}
      className="panel mx-auto grid max-w-sm gap-3 p-5"
      onSend={async ({ pin }) => {
        const answer = await call(PEOPLE_OPERATIONS.join, { code, pin });
        if (!answer.ok) return answer.problem;
        await forgetPages();
        window.location.assign('/jobs');
        return null;
      }}
    >
      <h2 className="text-xl font-bold">Welcome, {name}</h2>
      <p>
        Choose a PIN of at least {pinDigits} digits. You sign in with it, and it is your signature under what
        you did: nobody else should know it.
      </p>
      <TextField name="pin" label="Your PIN" hint="No pattern, no year, no birthday." autoFocus {...LOOK} />
      <TextField name="again" label="Once more" {...LOOK} />
      <SubmitButton>Begin</SubmitButton>
    </Form>
  );
};
