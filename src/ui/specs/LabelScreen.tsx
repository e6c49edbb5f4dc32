import { useRef, useState } from 'react';
import { call } from '#client/api.ts';
import { newId } from '#client/happen.ts';
import type { Source } from '#core/spec/book/source.ts';
import { asScrews, withNote } from '#core/spec/label/settled-line.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { KeptTable } from '#wire/book.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import type { Site } from '#wire/site.ts';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';
import { AskedLines } from './AskedLines.tsx';
import { KeyColumns } from './KeyColumns.tsx';
import { LabelText } from './LabelText.tsx';
import { TableFacts } from './TableFacts.tsx';
import { TablePreview } from './TablePreview.tsx';
import { type TableFactsSaid, tableFacts, tableFactsSchema } from './table-facts.ts';
import { useTableDraft } from './use-table-draft.ts';

type Props = { readonly kept: KeptTable | null; readonly sources: readonly Source[]; readonly site: Site };

const counted = (count: number, one: string): string => `${count} ${count === 1 ? one : `${one}s`}`;

const toSettleWords = (cells: number, lines: number): string =>
  `${[cells > 0 ? counted(cells, 'cell') : '', lines > 0 ? counted(lines, 'line') : ''].filter(Boolean).join(' and ')} to settle.`;

/** Reads the pasted text of a label or a table into a lookup table: every cell shows how it was read, and doubts are settled before it is kept. */
export const LabelScreen = ({ kept, sources, site }: Props) => {
  const table = useTableDraft(kept, site);
  const { draft, read, findings } = table;
  const open = findings.length + draft.asked.length;
  const id = useRef(kept?.id ?? newId());
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [defaults] = useState(() => tableFacts(kept));
  const form = useKitForm(tableFactsSchema(kept !== null), {
    defaults,
    draft: `jentik-table-facts-${kept ? `${kept.id}.${kept.revision}` : 'new'}`,
  });
  const show = (refusal: Problem | null): void => setProblem(refusal ? problemDetails(refusal) : null);
  const keep = async ({ sourceId, place, why, ...said }: TableFactsSaid) => {
    if (!draft.table) return null;
    const answer = await call(OPERATIONS.keepTable, {
      id: id.current,
      basedOn: kept?.revision ?? null,
      sourceId,
      isWithdrawn: false,
      why,
      place,
      body: { ...draft.table, ...said },
    });
    if (!answer.ok) return answer.problem;
    table.forget();
    window.location.assign(`/specs/tables/${answer.value.id}`);
    return null;
  };
  return (
    <Form form={form} className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4" onSend={keep}>
      <div>
        <p className="text-s text-faint">
          <a href="/specs/tables">Tables</a>
        </p>
        <h1 className="text-xl font-bold">{kept ? `Change ${kept.body.name}` : 'Read a label or a table'}</h1>
      </div>
      <LabelText
        text={draft.text}
        problem={problem}
        onText={(text) => show(table.readText(text))}
        onFile={(file) => void table.readFile(file).then(show)}
      />
      {read && draft.table && (
        <section className="panel grid gap-3 p-4">
          <p className="text-l" data-testid="doubts">
            {open === 0 ? (
              <strong className="text-in">Every cell of {read.rows.length} rows is read.</strong>
            ) : (
              <strong className="text-unsure">{toSettleWords(findings.length, draft.asked.length)}</strong>
            )}
          </p>
          {draft.asked.length > 0 && (
            <AskedLines
              asked={draft.asked}
              onNote={(line) => draft.table && table.answer(line, withNote(draft.table, line.text))}
              onScrew={(line) => draft.table && table.answer(line, asScrews(draft.table, line.text))}
              onSettled={(line) => table.answer(line)}
            />
          )}
          <TablePreview read={read} findings={findings} onResolve={table.settle} onDrop={table.dropRow} />
          <KeyColumns keys={draft.table.keys} onKeys={(keys) => table.changeTable({ keys })} />
          <TableFacts
            table={table}
            sources={sources}
            keptSource={kept?.sourceId ?? ''}
            isKept={kept !== null}
          />
          <SubmitButton
            className="sticky bottom-16 text-l sm:bottom-2"
            isHeld={open > 0 || read.rows.length === 0}
          >
            {open > 0
              ? `Settle ${open} more`
              : kept
                ? `Keep as revision ${kept.revision + 1}`
                : 'Keep this table'}
          </SubmitButton>
        </section>
      )}
    </Form>
  );
};
