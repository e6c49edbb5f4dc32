import { type Source, sourceName } from '#core/spec/book/source.ts';
import type { useTableDraft } from './use-table-draft.ts';

type Props = {
  readonly table: ReturnType<typeof useTableDraft>;
  readonly sources: readonly Source[];
  readonly isKept: boolean;
};

/** What a table is, where it is printed, and what it holds for. */
export const TableFacts = ({ table, sources, isKept }: Props) => {
  const { draft } = table;
  const body = draft.table;
  if (!body) return null;
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <label>
        Name of the table
        <input
          className="field mt-1"
          name="name"
          required
          maxLength={120}
          value={body.name}
          placeholder="Terminal block TB4"
          onChange={(event) => table.changeTable({ name: event.target.value })}
        />
      </label>
      <label>
        What its values are for
        <input
          className="field mt-1"
          name="subject"
          required
          maxLength={160}
          value={body.subject}
          placeholder="terminal block TB4, clamp screw"
          onChange={(event) => table.changeTable({ subject: event.target.value })}
        />
      </label>
      <label>
        Source
        <select
          className="field mt-1"
          name="source"
          required
          value={draft.sourceId}
          onChange={(event) => table.change({ sourceId: event.target.value })}
        >
          <option value="">choose the document</option>
          {sources
            .filter(({ status, id: each }) => status === 'current' || each === draft.sourceId)
            .map((source) => (
              <option key={source.id} value={source.id}>
                {sourceName(source)}
              </option>
            ))}
        </select>
      </label>
      <label>
        Page or place
        <input
          className="field mt-1"
          name="place"
          maxLength={120}
          value={draft.place}
          placeholder="inside the door"
          onChange={(event) => table.change({ place: event.target.value })}
        />
      </label>
      <label>
        Made for the material (if it says)
        <input
          className="field mt-1"
          name="madeFor"
          maxLength={80}
          value={body.madeForMaterial}
          onChange={(event) => table.changeTable({ madeForMaterial: event.target.value })}
        />
      </label>
      <label className="flex min-h-11 items-center gap-2 self-end">
        <input
          type="checkbox"
          className="size-5 accent-layout"
          checked={body.mayInterpolate}
          onChange={(event) => table.changeTable({ mayInterpolate: event.target.checked })}
        />
        it says that values between rows may be interpolated
      </label>
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
      {isKept && (
        <label className="sm:col-span-2">
          Why it changes
          <input
            className="field mt-1"
            name="why"
            required
            maxLength={300}
            value={draft.why}
            onChange={(event) => table.change({ why: event.target.value })}
          />
        </label>
      )}
    </div>
  );
};
