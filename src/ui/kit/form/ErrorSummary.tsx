import TriangleAlert from 'lucide-react/icons/triangle-alert';
import { useEffect, useRef } from 'react';
import { type FieldErrors, type FieldValues, useFormContext } from 'react-hook-form';
import { useFormLabels } from './form-labels.ts';

/** The errors of a form as a flat list, each with the name of its field. */
export const flatErrors = (
  errors: FieldErrors,
  prefix = '',
): readonly { readonly name: string; readonly message: string }[] =>
  Object.entries(errors).flatMap(([key, error]) => {
    if (!error || typeof error !== 'object') return [];
    const name = prefix === '' ? key : `${prefix}.${key}`;
    return 'message' in error && typeof error.message === 'string'
      ? [{ name, message: error.message }]
      : flatErrors(error as FieldErrors, name);
  });

/** What is wrong with a form that was sent: takes the focus, and leads to each field. */
export const ErrorSummary = () => {
  const { formState, setFocus } = useFormContext<FieldValues>();
  const labels = useFormLabels();
  const box = useRef<HTMLDivElement>(null);
  const { submitCount } = formState;
  const errors = flatErrors(formState.errors);
  const isShown = submitCount > 0 && errors.length > 0;
  // biome-ignore lint/correctness/useExhaustiveDependencies: each time it is sent, and not as one mends it
  useEffect(() => {
    if (isShown) box.current?.focus();
  }, [submitCount]);
  if (!isShown) return null;
  return (
    <div
      ref={box}
      role="alert"
      tabIndex={-1}
      className="col-span-full flex gap-3 rounded-md border-2 border-high bg-sheet p-3"
      data-testid="error-summary"
    >
      <TriangleAlert size={20} className="mt-0.5 shrink-0 text-high" aria-hidden="true" />
      <div>
        <strong>Not sent yet. What you typed is kept.</strong>
        <ul>
          {errors.map(({ name, message }) => (
            <li key={name}>
              <button
                type="button"
                className="min-h-8 text-left text-layout underline underline-offset-3"
                onClick={() => setFocus(name)}
              >
                {labels.get(name) ?? 'Here'}
              </button>
              : {message}
            </li>
          ))}
        </ul>
      </div>
    </div>
  );
};
