import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { assumptionsOf } from '#core/view/assumptions.ts';
import { cautionsOf, makeSafeSteps } from '#core/view/due-steps.ts';
import type { JobView } from '#core/view/job-view.ts';
import { assumptionWords } from '#wire/words/assumption.ts';
import { Dialog } from '../../kit/Dialog.tsx';
import { Form } from '../../kit/form/Form.tsx';
import { SubmitButton } from '../../kit/form/SubmitButton.tsx';
import { TickField } from '../../kit/form/TickField.tsx';
import { useKitForm } from '../../kit/form/use-kit-form.ts';

type Props = {
  readonly view: JobView;
  readonly person: string;
  readonly onConfirm: (cautions: readonly string[]) => void;
  readonly onClose: () => void;
};

const schema = z.object({ done: z.record(z.string(), z.boolean()) });

/** The cautions of a job's kinds of joint and what was assumed on it, ticked one by one before the first pull. The record says who confirmed them. */
export const MakeSafe = ({ view, person, onConfirm, onClose }: Props) => {
  const asked = [
    ...cautionsOf(view.plan),
    ...assumptionsOf(view).map((assumption) => ({
      id: assumption.id,
      ...assumptionWords(assumption, view.fasteners.length),
    })),
  ];
  const form = useKitForm(schema, {
    defaults: { done: Object.fromEntries(asked.map(({ id }) => [id, false])) },
    draft: null,
  });
  const ticked = useWatch({ control: form.control, name: 'done' });
  const left = asked.filter(({ id }) => ticked[id] !== true).length;
  return (
    <Dialog title="Make safe" onClose={onClose}>
      <Form
        form={form}
        onSend={() => {
          onConfirm(asked.map(({ id }) => id));
          return null;
        }}
      >
        <p className="mb-3 text-m">
          Jentik replaces no lock, no meter and no licensed person. Local codes and the maker’s instructions
          come first. Tick each as you have done or seen it; the record names you, {person}.
          {makeSafeSteps(view.plan).length > 0 && ' What is measured comes after it.'}
        </p>
        <div className="grid gap-1">
          {asked.map(({ id, title, detail }) => (
            <TickField
              key={id}
              name={`done.${id}`}
              label={title}
              className="grid min-h-14 content-center rounded-md border border-rule px-3"
            >
              <strong>{title}.</strong> <span className="text-faint">{detail}</span>
            </TickField>
          ))}
        </div>
        <SubmitButton className="mt-4 w-full text-l" isHeld={left > 0}>
          {left > 0 ? `${left} still to tick` : `All done: I confirm, ${person}`}
        </SubmitButton>
      </Form>
    </Dialog>
  );
};
