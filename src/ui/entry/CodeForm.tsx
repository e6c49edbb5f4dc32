import { z } from 'zod';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';

const schema = z.object({ code: z.string().trim().min(1).max(40) });

/** Asks for the code of an invitation. */
export const CodeForm = ({
  onCode,
}: {
  readonly onCode: (code: string) => Promise<ProblemDetails | null>;
}) => {
  const form = useKitForm(schema, { defaults: { code: '' }, draft: null });
  return (
    <Form form={form} className="grid gap-3" onSend={({ code }) => onCode(code)}>
      <TextField
        name="code"
        label="Code of the invitation"
        hint="It stands on the lead’s screen, under the name."
        placeholder="XXXXX-XXXXX-XXXXX"
        autoComplete="off"
        maxLength={40}
        look="font-mono text-l uppercase"
      />
      <SubmitButton>Go on</SubmitButton>
    </Form>
  );
};
