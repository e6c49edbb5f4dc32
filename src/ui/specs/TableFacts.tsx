import { type Source, sourceName } from '#core/spec/book/source.ts';
import { ChoiceField } from '../kit/form/ChoiceField.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { TickField } from '../kit/form/TickField.tsx';
import type { useTableDraft } from './use-table-draft.ts';

type Props = {
  readonly table: ReturnType<typeof useTableDraft>;
  readonly sources: readonly Source[];
  /** The document of a table that is kept, which stays a choice when it is no longer in force. */
  readonly keptSource: string;
  readonly isKept: boolean;
};

/** What a table is, where it is printed, and what it holds for. */
export const TableFacts = ({ table, sources, keptSource, isKept }: Props) => {
  const body = table.draft.table;
  if (!body) return null;
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <TextField name="name" label="Name of the table" maxLength={120} placeholder="Terminal block TB4" />
      <TextField
        name="subject"
        label="What its values are for"
        maxLength={160}
        placeholder="terminal block TB4, clamp screw"
      />
      <ChoiceField
        name="sourceId"
        label="Source"
        options={[
          { value: '', words: 'choose the document' },
          ...sources
            .filter(({ status, id }) => status === 'current' || id === keptSource)
            .map((source) => ({ value: source.id, words: sourceName(source) })),
        ]}
      />
      <TextField name="place" label="Page or place" maxLength={120} placeholder="inside the door" />
      <TextField name="madeForMaterial" label="Made for the material (if it says)" maxLength={80} />
      <TickField
        name="mayInterpolate"
        label="it says that values between rows may be interpolated"
        className="self-end"
      />
      <label className="sm:col-span-2">
        Footnote
        <input
          className="field mt-1"
          name="footnote"
          maxLength={1000}
          value={body.footnote}
          onChange={(event) => table.changeTable({ footnote: event.target.value })}
        />
      </label>
      {isKept && <TextField name="why" label="Why it changes" className="sm:col-span-2" maxLength={300} />}
    </div>
  );
};
