import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect } from 'react';
import {
  type DefaultValues,
  type FieldValues,
  type Path,
  type PathValue,
  type UseFormReturn,
  useForm,
} from 'react-hook-form';
import type { z } from 'zod';
import { fieldWords } from './field-words.ts';
import { keptDraft } from './kept-draft.ts';

/** A form of the kit: react-hook-form with a schema of the wire, and a draft that outlives errors, reloads and sign-ins where it has a name. */
export type KitForm<In extends FieldValues, Out> = UseFormReturn<In, unknown, Out> & {
  /** Forgets what was kept, once it is sent. */
  readonly forget: () => void;
  /** Whether this browser keeps what is typed. */
  readonly isKept: boolean;
};

type Options<In> = {
  readonly defaults: In;
  /** The name under which this browser keeps what is typed; null for what is never kept, such as a PIN. */
  readonly draft: string | null;
};

/** What was kept, over what the form has by now: only fields that it still has, and none that was typed in since. */
const isFieldValue = (value: unknown): boolean =>
  typeof value === 'string' || typeof value === 'boolean' || (typeof value === 'object' && value !== null);

/** A form whose fields hold what was typed, and whose schema turns that into what is sent. */
export const useKitForm = <In extends FieldValues, Out>(
  schema: z.ZodType<Out, In>,
  { defaults, draft }: Options<In>,
): KitForm<In, Out> => {
  const form = useForm<In, unknown, Out>({
    resolver: zodResolver(schema, { error: fieldWords }),
    defaultValues: defaults as DefaultValues<In>,
    // The summary takes the focus, and leads to each field from there.
    shouldFocusError: false,
    reValidateMode: 'onChange',
  });
  const store = draft === null ? null : keptDraft(draft);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a form keeps its draft from when it opens until it is left
  useEffect(() => {
    if (!store) return;
    const kept = store.read();
    const isTouched = (name: string): boolean =>
      JSON.stringify(form.getValues(name as Path<In>)) !== JSON.stringify(defaults[name]);
    for (const [name, value] of Object.entries(kept ?? {})) {
      const path = name as Path<In>;
      // What was typed while the page woke up is newer than what was kept.
      if (name in defaults && isFieldValue(value) && !isTouched(name))
        form.setValue(path, value as PathValue<In, Path<In>>, { shouldDirty: true });
    }
    if (Object.keys(defaults).some(isTouched)) store.keep(form.getValues());
    return form.subscribe({
      formState: { values: true },
      callback: ({ values }) => store.keep(values),
    });
  }, [draft]);
  return { ...form, forget: () => store?.forget(), isKept: store !== null };
};
