import { z } from 'zod';
import { whySchema } from '#core/bounds.ts';
import type { PlannedPart } from '#core/job/plan.ts';
import { Dialog } from '../../kit/Dialog.tsx';
import { Form } from '../../kit/form/Form.tsx';
import { SubmitButton } from '../../kit/form/SubmitButton.tsx';
import { TextField } from '../../kit/form/TextField.tsx';
import { useKitForm } from '../../kit/form/use-kit-form.ts';
import type { Bench } from './use-bench.ts';

type Props = {
  readonly bench: Bench;
  readonly group: string;
  readonly part: PlannedPart;
  readonly onClose: () => void;
};

const schema = z.object({ why: whySchema, code: z.string().trim().max(40) });

/** Takes a part out of use, and puts the one that takes its place into the record. */
export const ScrapForm = ({ bench, group, part, onClose }: Props) => {
  const form = useKitForm(schema, { defaults: { why: '', code: '' }, draft: null });
  return (
    <Dialog title={`Scrap ${part.name} ${part.code}`} onClose={onClose}>
      <Form
        form={form}
        className="grid gap-3"
        onSend={({ why, code }) => {
          const replacement = code === '' ? null : { code, name: part.name, isIrreplaceable: false };
          bench.happen({ kind: 'part-scrapped', body: { group, part: part.code, why, replacement } });
          onClose();
          return null;
        }}
      >
        <p>
          It is out of use, and its history says why. What was pulled on it stays in the record; the new one
          is prepared and pulled from the start.
          {part.isIrreplaceable && (
            <strong className="text-low"> There is no other {part.code}: ask first.</strong>
          )}
        </p>
        <TextField name="why" label="What is wrong with it" maxLength={300} />
        <TextField
          name="code"
          label="Code of the one that takes its place"
          hint="Left empty: there is none, and its fasteners are left open with this reason."
          maxLength={40}
        />
        <SubmitButton>Scrap it</SubmitButton>
      </Form>
    </Dialog>
  );
};
