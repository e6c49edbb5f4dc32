import type { z } from 'zod';
import { call } from '#client/api.ts';
import { SOURCE_KINDS, type Source } from '#core/spec/book/source.ts';
import { OPERATIONS } from '#wire/api.ts';
import { newSourceSchema } from '#wire/book.ts';
import { SOURCE_KIND_WORDS } from '#wire/words/book.ts';
import { ChoiceField } from '../kit/form/ChoiceField.tsx';
import { DayField } from '../kit/form/DayField.tsx';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';

type Described = z.input<typeof newSourceSchema>;

const EMPTY: Described = { title: '', kind: 'manual', number: '', revision: '', datedOn: '', place: '' };

const describedOf = (source: Source | null): Described => {
  if (!source) return EMPTY;
  const { title, kind, number, revision, datedOn, place } = source;
  return { title, kind, number, revision, datedOn, place };
};

type Props = { readonly source: Source | null; readonly onKept: (source: Source) => void };

/** Adds a source, or changes what is said of one. */
export const SourceForm = ({ source, onKept }: Props) => {
  const form = useKitForm(newSourceSchema, {
    defaults: describedOf(source),
    draft: `jentik-source-${source?.id ?? 'new'}`,
  });
  return (
    <Form
      form={form}
      className="grid gap-3 sm:grid-cols-2"
      onSend={async (described) => {
        const answer = source
          ? await call(
              OPERATIONS.changeSource,
              { source: { ...source, ...described }, why: '' },
              { source: source.id },
            )
          : await call(OPERATIONS.addSource, described);
        if (answer.ok) onKept(answer.value);
        return answer.ok ? null : answer.problem;
      }}
    >
      <TextField
        name="title"
        label="Document"
        placeholder="Coolant loop manual"
        maxLength={120}
        className="sm:col-span-2"
      />
      <TextField name="number" label="Number" isOptional placeholder="BL-114" maxLength={60} />
      <TextField name="revision" label="Revision" isOptional placeholder="C" maxLength={40} />
      <TextField
        name="place"
        label="Where it is"
        placeholder="shelf 3, or inside the door"
        maxLength={120}
        className="sm:col-span-2"
      />
      <ChoiceField
        name="kind"
        label="Kind"
        options={SOURCE_KINDS.map((value) => ({ value, words: SOURCE_KIND_WORDS[value] }))}
      />
      <DayField name="datedOn" label="Dated" isOptional />
      <SubmitButton className="sm:col-span-2">{source ? 'Keep' : 'Add this source'}</SubmitButton>
    </Form>
  );
};
