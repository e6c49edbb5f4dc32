import { useId } from 'react';
import { type FieldValues, get, useFormContext } from 'react-hook-form';
import { useFormLabels } from './form-labels.ts';

type Typed = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;

/** A field of a kit form: its registration, its error, and the ids that tie them. */
export const useField = (name: string, label: string) => {
  const form = useFormContext<FieldValues>();
  const id = useId();
  useFormLabels().set(name, label);
  const found: { readonly message?: string } | undefined = get(form.formState.errors, name);
  const error = found?.message;
  const { ref, ...registered } = form.register(name);
  return {
    form,
    error,
    labelId: `${id}-label`,
    input: {
      ...registered,
      id,
      // What was typed before the page listened stands in the element: the form takes it over instead of wiping it.
      ref: (element: Typed | null): void => {
        const isText = element instanceof HTMLInputElement ? element.type !== 'checkbox' : element !== null;
        const typed = isText ? element?.value : undefined;
        ref(element);
        if (typed !== undefined && element?.dataset['isTaken'] === undefined) {
          const held = form.getValues(name);
          if (typed !== '' && typed !== held) form.setValue(name, typed, { shouldDirty: true });
        }
        if (element) element.dataset['isTaken'] = '';
      },
      // Drawn on the server too: what the form holds stands in the element from the start.
      ...(typeof form.getValues(name) === 'boolean'
        ? { defaultChecked: form.getValues(name) as boolean }
        : { defaultValue: String(form.getValues(name) ?? '') }),
      'aria-invalid': error ? (true as const) : undefined,
      'aria-describedby': error ? `${id}-error` : `${id}-hint`,
    },
  };
};
