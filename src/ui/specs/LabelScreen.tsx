import { useRef, useState } from 'react';
import { call } from '#client/api.ts';
import { newId } from '#client/happen.ts';
import { type Source, sourceName } from '#core/spec/book/source.ts';
import { KEY_KINDS, type KeyKind } from '#core/spec/lookup/key-span.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { KeptTable } from '#wire/book.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { type ProblemDetails, problemDetails } from '#wire/problems/problem-details.ts';
import type { Site } from '#wire/site.ts';
import { KEY_KIND_WORDS } from '#wire/words/lookup.ts';
import { FileButton, LIST_FILES } from '../shared/FileButton.tsx';
import { ProblemNotice } from '../shared/ProblemNotice.tsx';
import { ReadyForm } from '../shared/ReadyForm.tsx';
import { TablePreview } from './TablePreview.tsx';
import { useTableDraft } from './use-table-draft.ts';

type Props = { readonly kept: KeptTable | null; readonly sources: readonly Source[]; readonly site: Site };

const SAMPLE = '16-12 AWG CU 15 lb-in\n#10 21 lb-in\n2 x #12 CU 19';

/** Reads the pasted text of a label or a table into a lookup table: every cell shows how it was read, and doubts are settled before it is kept. */
export const LabelScreen = ({ kept, sources, site }: Props) => {
  const table = useTableDraft(kept, site);
  const { draft, read, findings } = table;
  const id = useRef(kept?.id ?? newId());
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const show = (refusal: Problem | null): void => setProblem(refusal ? problemDetails(refusal) : null);
  const keep = async (): Promise<void> => {
    if (!draft.table) return;
    const answer = await call(OPERATIONS.keepTable, {
      id: id.current,
      basedOn: kept?.revision ?? null,
      sourceId: draft.sourceId,
      isWithdrawn: false,
      why: draft.why,
      place: draft.place,
      body: draft.table,
    });
    if (!answer.ok) return setProblem(answer.problem);
    table.forget();
    window.location.assign(`/specs/tables/${answer.value.id}`);
  };
  return (
    <ReadyForm
      className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4"
      onSubmit={() => void keep()}
    >
      <div>
        <p className="text-s text-faint">
          <a href="/specs/tables">Tables</a>
        </p>
        <h1 className="text-xl font-bold">{kept ? `Change ${kept.body.name}` : 'Read a label or a table'}</h1>
      </div>
      <section className="panel grid gap-3 p-4">
        <label>
          What it prints, line by line
          <textarea
            className="field mt-1 min-h-40 py-2 font-mono"
            name="label"
            value={draft.text}
            placeholder={SAMPLE}
            maxLength={100_000}
            onChange={(event) => show(table.readText(event.target.value))}
          />
        </label>
        <div className="flex flex-wrap items-center gap-3">
          <FileButton
            words="or choose a file (CSV)"
            accept={LIST_FILES}
            onFile={(file) => void table.readFile(file).then(show)}
          />
          <p className="text-s text-faint">
            Columns by tabs, bars or spaces; units in the heading or in the cells; ranges and footnotes as
            they are.
          </p>
        </div>
        <ProblemNotice problem={problem} />
      </section>
      {read && draft.table && (
        <section className="panel grid gap-3 p-4">
          <p className="text-l" data-testid="doubts">
            {findings.length === 0 ? (
              <strong className="text-in">Every cell of {read.rows.length} rows is read.</strong>
            ) : (
              <strong className="text-unsure">
                {findings.length} {findings.length === 1 ? 'cell' : 'cells'} to settle.
              </strong>
            )}
          </p>
          {draft.unread.length > 0 && (
            <p>
              Not taken, because it holds no torque:{' '}
              {draft.unread.map(({ line, text }) => (
                <span key={line} className="mr-3">
                  line {line} <em>{text}</em>
                </span>
              ))}
            </p>
          )}
          <TablePreview read={read} findings={findings} onSettle={table.settle} onDrop={table.dropRow} />
          <div className="grid gap-3 sm:grid-cols-2">
            {draft.table.keys.map((key, column) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: columns have no identity but their place
              <div key={column} className="grid grid-cols-2 gap-2">
                <label>
                  Column {column + 1} is named
                  <input
                    className="field mt-1"
                    value={key.name}
                    required
                    maxLength={120}
                    onChange={(event) =>
                      table.changeTable({
                        keys:
                          draft.table?.keys.map((each, at) =>
                            at === column ? { ...each, name: event.target.value } : each,
                          ) ?? [],
                      })
                    }
                  />
                </label>
                <label>
                  and holds
                  <select
                    className="field mt-1"
                    value={key.kind}
                    onChange={(event) =>
                      table.changeTable({
                        keys:
                          draft.table?.keys.map((each, at) =>
                            at === column ? { ...each, kind: event.target.value as KeyKind } : each,
                          ) ?? [],
                      })
                    }
                  >
                    {KEY_KINDS.map((kind) => (
                      <option key={kind} value={kind}>
                        {KEY_KIND_WORDS[kind]}
                      </option>
                    ))}
                  </select>
                </label>
              </div>
            ))}
          </div>
          <div className="grid gap-3 sm:grid-cols-2">
            <label>
              Name of the table
              <input
                className="field mt-1"
                name="name"
                required
                maxLength={120}
                value={draft.table.name}
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
                value={draft.table.subject}
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
                value={draft.table.madeForMaterial}
                onChange={(event) => table.changeTable({ madeForMaterial: event.target.value })}
              />
            </label>
            <label className="flex min-h-11 items-center gap-2 self-end">
              <input
                type="checkbox"
                className="size-5 accent-layout"
                checked={draft.table.mayInterpolate}
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
                value={draft.table.footnote}
                onChange={(event) => table.changeTable({ footnote: event.target.value })}
              />
            </label>
            {kept && (
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
          <button
            type="submit"
            className="act sticky bottom-16 min-h-14 text-l sm:bottom-2"
            disabled={findings.length > 0 || read.rows.length === 0}
          >
            {findings.length > 0
              ? `Settle ${findings.length} more`
              : kept
                ? `Keep as revision ${kept.revision + 1}`
                : 'Keep this table'}
          </button>
        </section>
      )}
    </ReadyForm>
  );
};
