import { type ReactNode, useState } from 'react';
import { type FieldValues, FormProvider } from 'react-hook-form';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { ProblemNotice } from '../ProblemNotice.tsx';
import { ErrorSummary } from './ErrorSummary.tsx';
import { FormLabels } from './form-labels.ts';
import type { KitForm } from './use-kit-form.ts';

type Props<In extends FieldValues, Out> = {
  readonly form: KitForm<In, Out>;
  /** Sends it; answers the problem that stopped it, or null. Only then is the draft forgotten. */
  readonly onSend: (value: Out) => Promise<ProblemDetails | null> | ProblemDetails | null;
  readonly className?: string;
  readonly children: ReactNode;
};

/** A form of the kit: its errors stand at the fields and in a summary, and what is typed stays until it has arrived. */
export const Form = <In extends FieldValues, Out>({ form, onSend, className, children }: Props<In, Out>) => {
  const [labels] = useState(() => new Map<string, string>());
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const send = async (value: Out): Promise<void> => {
    const stopped = await onSend(value);
    setProblem(stopped);
    if (!stopped) form.forget();
  };
  return (
    <FormLabels value={labels}>
      <FormProvider {...form}>
        <form
          noValidate
          className={className}
          onSubmit={(event) => {
            // A form in a dialog of another form is sent alone.
            event.stopPropagation();
            void form.handleSubmit(send)(event);
          }}
        >
          <ErrorSummary />
          {children}
          {problem && (
            <div className="col-span-full">
              <ProblemNotice
                problem={problem}
                {...(form.isKept ? { also: 'What you typed is kept here.' } : {})}
              />
            </div>
          )}
        </form>
      </FormProvider>
    </FormLabels>
  );
};
