import { useRef, useState } from 'react';
import { z } from 'zod';
import { call } from '#client/api.ts';
import { newId } from '#client/happen.ts';
import { typedText } from '#core/bounds.ts';
import { TEMPLATE_TITLE_MAX } from '#core/job/template.ts';
import type { JobView } from '#core/view/job-view.ts';
import { TEMPLATE_OPERATIONS } from '#wire/api-templates.ts';
import type { ListedTemplate } from '#wire/template.ts';
import { useAnswer } from '../kit/answer/use-answer.ts';
import { Dialog } from '../kit/Dialog.tsx';
import { ChoiceField } from '../kit/form/ChoiceField.tsx';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';

const NEW = 'new';
const schema = z.object({ title: typedText(TEMPLATE_TITLE_MAX), as: z.string() });

type Props = { readonly view: JobView; readonly onClose: () => void };

const KeepDialog = ({ view, onClose }: Props) => {
  const form = useKitForm(schema, { defaults: { title: view.plan.title, as: NEW }, draft: null });
  const { value: templates } = useAnswer<readonly ListedTemplate[]>(
    ['templates'],
    () => call(TEMPLATE_OPERATIONS.listTemplates, undefined),
    [],
  );
  // The same id until it is kept: one sent twice is one template.
  const id = useRef(newId());
  const as = form.watch('as');
  const next = templates.find((template) => template.id === as) ?? null;
  return (
    <Dialog title="Keep as a template" onClose={onClose}>
      <Form
        form={form}
        className="grid gap-3"
        onSend={async ({ title }) => {
          const answer = await call(TEMPLATE_OPERATIONS.keepTemplate, {
            id: next?.id ?? id.current,
            title: next?.title ?? title,
            job: view.job,
            basedOn: next?.revision ?? 0,
          });
          if (!answer.ok) return answer.problem;
          window.location.assign(`/jobs/new/templates/${answer.value.id}`);
          return null;
        }}
      >
        <p>
          Groups, fasteners, requirements, order and passes are kept as they are planned here; what was pulled
          is not. Jobs opened from it keep the plan they were opened with.
        </p>
        {templates.length > 0 && (
          <ChoiceField
            name="as"
            label="As"
            options={[
              { value: NEW, words: 'a new template' },
              ...templates.map(({ id: of, title, revision }) => ({
                value: of,
                words: `revision ${revision + 1} of ${title}`,
              })),
            ]}
          />
        )}
        {!next && <TextField name="title" label="What assembly it is" maxLength={TEMPLATE_TITLE_MAX} />}
        <SubmitButton className="w-full">Keep it</SubmitButton>
      </Form>
    </Dialog>
  );
};

/** Keeps the plan of a job for the next time the same assembly is worked. */
export const KeepTemplate = ({ view }: Pick<Props, 'view'>) => {
  const [isAsked, setAsked] = useState(false);
  return (
    <>
      <button type="button" className="act-quiet justify-self-start" onClick={() => setAsked(true)}>
        Keep as a template
      </button>
      {isAsked && <KeepDialog view={view} onClose={() => setAsked(false)} />}
    </>
  );
};
