import { useEffect, useRef } from 'react';
import { z } from 'zod';
import { ChoiceField } from '#ui/kit/form/ChoiceField.tsx';
import { DayField } from '#ui/kit/form/DayField.tsx';
import { Form } from '#ui/kit/form/Form.tsx';
import { ReadingField } from '#ui/kit/form/ReadingField.tsx';
import { SubmitButton } from '#ui/kit/form/SubmitButton.tsx';
import { TextField } from '#ui/kit/form/TextField.tsx';
import { TickField } from '#ui/kit/form/TickField.tsx';
import { useKitForm } from '#ui/kit/form/use-kit-form.ts';
import { WhyDialog } from '#ui/kit/WhyDialog.tsx';

const schema = z.object({
  name: z.string().trim().min(1).max(20),
  kind: z.enum(['manual', 'letter']),
  day: z.iso.date(),
  isMarked: z.boolean(),
  reading: z.string().trim().min(1),
});
type Values = z.input<typeof schema>;

const EMPTY: Values = { name: '', kind: 'manual', day: '', isMarked: false, reading: '' };

/** A form with one field of every kind. */
export const FilledForm = ({ values }: { readonly values: Partial<Values> }) => {
  const form = useKitForm(schema, { defaults: { ...EMPTY, ...values }, draft: null });
  return (
    <Form form={form} className="panel grid max-w-2xl gap-3 p-4 sm:grid-cols-2" onSend={() => null}>
      <TextField name="name" label="Document" placeholder="Coolant loop manual" hint="As its cover says." />
      <ChoiceField
        name="kind"
        label="Kind"
        options={[
          { value: 'manual', words: 'manual' },
          { value: 'letter', words: 'letter from the maker' },
        ]}
      />
      <DayField name="day" label="Dated" />
      <TickField name="isMarked" label="witness marked" />
      <ReadingField name="reading" label="Reading" unit="lbf.in" />
      <SubmitButton>Keep it</SubmitButton>
    </Form>
  );
};

/** The same as it stands when it was sent with nothing in it. */
export const SentForm = () => {
  const frame = useRef<HTMLDivElement>(null);
  useEffect(() => frame.current?.querySelector('form')?.requestSubmit(), []);
  return (
    <div ref={frame}>
      <FilledForm values={{}} />
    </div>
  );
};

/** A dialog that asks for a reason. */
export const WhyOpen = () => (
  <WhyDialog
    title="Leave P-07 open"
    explanation="It is not in acceptance. The reason stands in the record beside your name."
    action="Leave it open"
    usual={['part on order', 'no access today']}
    onClose={() => {}}
    onDone={() => {}}
  />
);
