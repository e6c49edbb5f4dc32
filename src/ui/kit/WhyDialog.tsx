import { z } from 'zod';
import { whySchema } from '#core/bounds.ts';
import { Dialog } from './Dialog.tsx';
import { Form } from './form/Form.tsx';
import { SubmitButton } from './form/SubmitButton.tsx';
import { TextField } from './form/TextField.tsx';
import { useKitForm } from './form/use-kit-form.ts';

type Props = {
  readonly title: string;
  readonly explanation: string;
  readonly action: string;
  /** Reasons people give often, to choose instead of typing. */
  readonly usual: readonly string[];
  readonly onDone: (why: string) => void;
  readonly onClose: () => void;
};

const LONGEST = 300;
const schema = z.object({ why: whySchema });

/** Asks for a reason that the record keeps. */
export const WhyDialog = ({ title, explanation, action, usual, onDone, onClose }: Props) => {
  const form = useKitForm(schema, { defaults: { why: '' }, draft: null });
  return (
    <Dialog title={title} onClose={onClose}>
      <Form
        form={form}
        onSend={({ why }) => {
          onDone(why);
          return null;
        }}
      >
        <p className="mb-3">{explanation}</p>
        <div className="mb-3 flex flex-wrap gap-2">
          {usual.map((reason) => (
            <button
              key={reason}
              type="button"
              className="act-quiet"
              onClick={() => form.setValue('why', reason, { shouldValidate: true })}
            >
              {reason}
            </button>
          ))}
        </div>
        <TextField name="why" label="Why" maxLength={LONGEST} />
        <SubmitButton className="mt-4 w-full">{action}</SubmitButton>
      </Form>
    </Dialog>
  );
};
