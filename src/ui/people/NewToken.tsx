import { useState } from 'react';
import { z } from 'zod';
import { call } from '#client/api.ts';
import { PEOPLE_OPERATIONS } from '#wire/api-people.ts';
import { newTokenSchema, TOKEN_SCOPES } from '#wire/token.ts';
import { ChoiceField } from '../kit/form/ChoiceField.tsx';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';
import { ShownOnce } from '../kit/ShownOnce.tsx';

const schema = z.object({
  name: newTokenSchema.shape.name,
  scope: newTokenSchema.shape.scope,
  days: z.coerce.number<string>().pipe(newTokenSchema.shape.days),
});
const EMPTY: z.input<typeof schema> = { name: '', scope: 'export', days: '365' };
const WORDS = {
  export: 'export: reads records, lists and files',
  import: 'import: puts in sources, requirements, tables and jobs',
} as const;

/** Makes a token, and shows its secret this once. */
export const NewToken = ({ onMade }: { readonly onMade: () => Promise<void> }) => {
  const [secret, setSecret] = useState<string | null>(null);
  const form = useKitForm(schema, { defaults: EMPTY, draft: null });
  return (
    <>
      {secret !== null && (
        <ShownOnce doNow="Copy it now" label="Secret of the token" secret={secret}>
          <span className="text-s">
            The program sends it with each request: <code>Authorization: Bearer …</code>
          </span>
        </ShownOnce>
      )}
      <Form
        form={form}
        className="grid gap-3"
        onSend={async (said) => {
          const answer = await call(PEOPLE_OPERATIONS.makeToken, said);
          if (!answer.ok) return answer.problem;
          setSecret(answer.value.secret);
          form.reset(EMPTY);
          await onMade();
          return null;
        }}
      >
        <TextField
          name="name"
          label="What the program is called, in records too"
          maxLength={60}
          autoComplete="off"
        />
        <ChoiceField
          name="scope"
          label="Good for"
          options={TOKEN_SCOPES.map((value) => ({ value, words: WORDS[value] }))}
        />
        <TextField name="days" label="Good for how long" unit="days" inputMode="numeric" maxLength={4} />
        <SubmitButton>Make a token</SubmitButton>
      </Form>
    </>
  );
};
