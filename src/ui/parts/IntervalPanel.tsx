import { useState } from 'react';
import { z } from 'zod';
import { call } from '#client/api.ts';
import { INTERVAL_MAX_DAYS } from '#core/job/due-again.ts';
import { TEMPLATE_OPERATIONS } from '#wire/api-templates.ts';
import type { Interval } from '#wire/interval.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { dayHere } from '../kit/time/here.ts';
import { NextJob } from './NextJob.tsx';

const schema = z.object({ days: z.coerce.number().int().positive().max(INTERVAL_MAX_DAYS) });

type Props = { readonly code: string; readonly interval: Interval | null };

/** How often a machine is tightened again, and its next job. */
export const IntervalPanel = ({ code, interval }: Props) => {
  const form = useKitForm(schema, { defaults: { days: interval?.days ?? '' }, draft: null });
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const set = async (days: number | null): Promise<ProblemDetails | null> => {
    const answer = await call(TEMPLATE_OPERATIONS.setInterval, { days }, { part: code });
    if (!answer.ok) return answer.problem;
    window.location.reload();
    return null;
  };
  return (
    <section className="panel grid gap-3 p-4" aria-label="Tighten again">
      <h2 className="text-l font-bold">Tighten again</h2>
      {interval && (
        <>
          <p>
            Every {interval.days} days, said by {interval.setBy}. Last: {interval.job.number}{' '}
            {interval.job.title}
            {interval.job.isSigned ? (
              <>
                ; <strong>next due {dayHere(interval.dueAt)}</strong>
              </>
            ) : (
              ', which is not signed yet'
            )}
            .
          </p>
          {interval.job.isSigned && <NextJob interval={interval} />}
        </>
      )}
      <Form form={form} className="flex flex-wrap items-end gap-3" onSend={({ days }) => set(days)}>
        <TextField name="days" label="Every so many days" maxLength={4} />
        <SubmitButton>{interval ? 'Change it' : 'Set the interval'}</SubmitButton>
        {interval && (
          <button
            type="button"
            className="act-quiet"
            onClick={() => void set(null).then((stopped) => setProblem(stopped))}
          >
            No more
          </button>
        )}
      </Form>
      <ProblemNotice problem={problem} />
      <p className="text-s text-faint">
        The maker’s instructions and the rules for the machine say how often; this only counts from what was
        recorded last.
      </p>
    </section>
  );
};
