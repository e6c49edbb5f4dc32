import { z } from 'zod';
import { call } from '#client/api.ts';
import { ADAPTER_KINDS, type Adapter } from '#core/tool/adapter.ts';
import { TOOL_DRIVES } from '#core/tool/tool.ts';
import { OPERATIONS } from '#wire/api.ts';
import { newAdapterSchema } from '#wire/tool.ts';
import { ADAPTER_KIND_WORDS, TOOL_DRIVE_WORDS } from '#wire/words/tool.ts';
import { ChoiceField } from '../kit/form/ChoiceField.tsx';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';
import { writtenNumber } from '../kit/form/written.ts';

const offset = newAdapterSchema.shape.offsetMillimetres;
/** An adapter as typed: an offset that is not said is none, as for what stands in line. */
const schema = newAdapterSchema.extend({
  offsetMillimetres: z.union([
    z
      .string()
      .regex(/^\s*$/)
      .transform(() => 0),
    writtenNumber(offset),
  ]),
});

const DEFAULTS: z.input<typeof schema> = {
  code: '',
  kind: 'offset-head',
  driveIn: 'square-3/8',
  driveOut: '',
  offsetMillimetres: '',
};

/** Describes an adapter or bit. */
export const AdapterForm = ({ onAdded }: { readonly onAdded: (adapter: Adapter) => void }) => {
  const form = useKitForm(schema, { defaults: DEFAULTS, draft: 'jentik-adapter' });
  return (
    <Form
      form={form}
      className="grid gap-3 sm:grid-cols-2"
      onSend={async (adapter) => {
        const answer = await call(OPERATIONS.addAdapter, adapter);
        if (answer.ok) onAdded(answer.value);
        return answer.ok ? null : answer.problem;
      }}
    >
      <TextField name="code" label="What is written on it" maxLength={20} />
      <ChoiceField
        name="kind"
        label="Kind"
        options={ADAPTER_KINDS.map((value) => ({ value, words: ADAPTER_KIND_WORDS[value] }))}
      />
      <ChoiceField
        name="driveIn"
        label="Goes on"
        options={TOOL_DRIVES.map((value) => ({ value, words: TOOL_DRIVE_WORDS[value] }))}
      />
      <TextField name="driveOut" label="Engages" maxLength={40} placeholder="17 mm hex head" />
      <TextField
        name="offsetMillimetres"
        label="Drive centre to fastener centre"
        unit="mm"
        placeholder="0: in line"
        look="font-mono"
      />
      <SubmitButton className="sm:col-span-2">Add this adapter</SubmitButton>
    </Form>
  );
};
