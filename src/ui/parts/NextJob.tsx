import { useRef, useState } from 'react';
import { call } from '#client/api.ts';
import { deviceNow, newId } from '#client/happen.ts';
import { TEMPLATE_OPERATIONS } from '#wire/api-templates.ts';
import type { Interval } from '#wire/interval.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';

type Props = { readonly interval: Interval };

/** Opens the next job of a machine, as the one before. */
export const NextJob = ({ interval: { code } }: Props) => {
  const attempt = useRef({ jobId: newId(), eventId: newId() });
  const [isSending, setSending] = useState(false);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const open = async (): Promise<void> => {
    setSending(true);
    const body = { ...attempt.current, deviceTime: deviceNow() };
    const answer = await call(TEMPLATE_OPERATIONS.openNextJob, body, { part: code });
    setSending(false);
    if (answer.ok) window.location.assign(`/jobs/${answer.value.job}/plan`);
    else setProblem(answer.problem);
  };
  return (
    <>
      <button
        type="button"
        className="act-quiet justify-self-start"
        disabled={isSending}
        onClick={() => void open()}
      >
        Open its next job
      </button>
      <ProblemNotice problem={problem} />
    </>
  );
};
