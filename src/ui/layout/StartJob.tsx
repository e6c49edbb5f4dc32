import { useRef } from 'react';
import { call } from '#client/api.ts';
import { newId } from '#client/happen.ts';
import { boardJob } from '#client/layout/board-job.ts';
import { clearBoard, type Laying } from '#client/layout/board-store.ts';
import { forgetPicture } from '#client/layout/kept-picture.ts';
import { OPERATIONS } from '#wire/api.ts';
import { ImportFacts } from '../import/ImportFacts.tsx';
import { EMPTY_FACTS, importFactsSchema, newJobOf } from '../import/import-draft.ts';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';

type Props = {
  readonly laying: Laying;
  /** What is still missing, in words; null where nothing is. */
  readonly missing: string | null;
};

/** Says what the job is and where its values are printed, and starts it with what is laid out. */
export const StartJob = ({ laying, missing }: Props) => {
  const form = useKitForm(importFactsSchema, { defaults: EMPTY_FACTS, draft: 'jentik-layout-facts' });
  // The same ids until it is started: one sent twice becomes one job.
  const attempt = useRef({ jobId: newId(), eventId: newId() });
  const count = laying.board.length;
  return (
    <Form
      form={form}
      className="grid gap-4"
      onSend={async (facts) => {
        const answer = await call(OPERATIONS.planJob, newJobOf(facts, boardJob(laying), attempt.current));
        if (!answer.ok) return answer.problem;
        clearBoard();
        await forgetPicture();
        window.location.assign(`/jobs/${answer.value.job}/plan`);
        return null;
      }}
    >
      <ImportFacts />
      <SubmitButton className="sticky bottom-16 text-l sm:bottom-2" isHeld={missing !== null}>
        {missing ?? `Start the job with ${count === 1 ? 'this fastener' : `these ${count}`}`}
      </SubmitButton>
    </Form>
  );
};
