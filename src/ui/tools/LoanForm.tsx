import { loanSchema } from '#core/tool/tool-blocks.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import type { ToolReport } from '#wire/tool.ts';
import { DayField } from '../kit/form/DayField.tsx';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';

type Props = {
  readonly toolId: string;
  readonly today: string;
  readonly onLent: (happening: ToolReport) => Promise<ProblemDetails | null>;
};

/** To whom a tool goes, until when, and as what. */
export const LoanForm = ({ toolId, today, onLent }: Props) => {
  const form = useKitForm(loanSchema, {
    defaults: { to: '', since: today, dueOn: '', condition: '', proofOfPosting: '' },
    draft: `jentik-loan-${toolId}`,
  });
  return (
    <Form form={form} className="grid gap-3" onSend={(loan) => onLent({ kind: 'lent', loan })}>
      <TextField name="to" label="To whom, or which site" maxLength={80} />
      <DayField name="dueOn" label="Due back on" least={today} />
      <TextField
        name="condition"
        label="Condition it leaves in"
        maxLength={200}
        placeholder="clean, wound down, in its case"
      />
      <TextField name="proofOfPosting" label="Proof of posting (if it is sent)" maxLength={80} />
      <SubmitButton>Lend it</SubmitButton>
    </Form>
  );
};
