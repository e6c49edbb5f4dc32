import { useMemo, useState } from 'react';
import { z } from 'zod';
import { call } from '#client/api.ts';
import { newId } from '#client/happen.ts';
import {
  REQUIREMENT_COLUMNS,
  type ReadRequirementLine,
  type RequirementColumn,
  readRequirementLine,
  requirementLines,
} from '#core/spec/book/requirement-list.ts';
import type { Source } from '#core/spec/book/source.ts';
import {
  type ReadSourceLine,
  readSourceLine,
  SOURCE_COLUMNS,
  type SourceColumn,
  sourceLines,
} from '#core/spec/book/source-list.ts';
import { decodeText } from '#core/spec/list/decode-text.ts';
import type { ListLine } from '#core/spec/list/list-line.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import type { Site } from '#wire/site.ts';
import { conditionWords, SOURCE_KIND_WORDS } from '#wire/words/book.ts';
import { requirementWords } from '#wire/words/requirement.ts';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { useKeptDraft } from '../kit/form/use-kept-draft.ts';
import { useKitForm } from '../kit/form/use-kit-form.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { DoubtsBar } from '../shared/DoubtsBar.tsx';
import { FileButton, LIST_FILES } from '../shared/FileButton.tsx';
import { ListPreview } from '../shared/ListPreview.tsx';

type Props = {
  readonly list: 'requirements' | 'sources';
  readonly sources: readonly Source[];
  readonly site: Site;
};

type Line = ListLine<RequirementColumn> & ListLine<SourceColumn> & { readonly id: string };
type Draft = { readonly fileName: string; readonly lines: readonly Line[] };
type Read = ReadRequirementLine | ReadSourceLine;

/** The form has its list and nothing else to fill in. */
const NO_FIELDS = z.object({});
const EMPTY: Draft = { fileName: '', lines: [] };
const revive = (kept: unknown): Draft | null =>
  typeof kept === 'object' && kept !== null && 'lines' in kept ? { ...EMPTY, ...(kept as Draft) } : null;

const words = (line: Read): string => {
  if (!line.value) return '';
  if ('body' in line.value) {
    const { torque, conditions } = line.value.body;
    return [requirementWords(torque.requirement), ...conditionWords(conditions)].join('; ');
  }
  return SOURCE_KIND_WORDS[line.value.kind];
};

/** Sources or requirements from a list: how each line was read, what must be settled, all or nothing. */
export const ImportBookScreen = ({ list, sources, site }: Props) => {
  const isSources = list === 'sources';
  const [draft, setDraft, forget] = useKeptDraft<Draft>(`jentik-import-${list}`, EMPTY, revive);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const form = useKitForm(NO_FIELDS, { defaults: {}, draft: null });
  const [isDoubtsOnly, setDoubtsOnly] = useState(false);
  const read = useMemo<readonly Read[]>(
    () =>
      draft.lines.map((line) =>
        isSources ? readSourceLine(line) : readRequirementLine(line, sources, site.unit),
      ),
    [draft.lines, isSources, sources, site.unit],
  );
  const doubts = read.filter(({ findings }) => findings.length > 0);
  const load = async (file: File): Promise<void> => {
    const decoded = decodeText(new Uint8Array(await file.arrayBuffer()));
    if (!decoded.ok) return setProblems([decoded.refusal]);
    const parsed = isSources ? sourceLines(decoded.value.text) : requirementLines(decoded.value.text);
    if (!parsed.ok) return setProblems(parsed.refusal);
    setProblems([]);
    setDraft({
      fileName: file.name,
      lines: parsed.value.lines.map((line) => ({ ...line, id: newId() }) as Line),
    });
  };
  const settle = ({ listed }: Read, column: string, text: string): void =>
    setDraft((before) => ({
      ...before,
      lines: before.lines.map((line) => {
        if (line.line !== listed.line) return line;
        if (column === 'requirement' && (line.cells.requirement ?? '') !== '')
          return { ...line, readAs: text.trim() === '' ? null : text.trim() };
        return { ...line, cells: { ...line.cells, [column]: text.trim() } };
      }),
    }));
  const keep = async (): Promise<ProblemDetails | null> => {
    if (isSources) {
      for (const line of read) {
        if (!line.value || 'body' in line.value) continue;
        const answer = await call(OPERATIONS.addSource, line.value);
        if (!answer.ok) return answer.problem;
      }
    } else {
      const drafts = read.flatMap((line, index) =>
        line.value && 'body' in line.value
          ? [
              {
                id: draft.lines[index]?.id ?? newId(),
                basedOn: null,
                isWithdrawn: false,
                why: `list ${draft.fileName}`,
                ...line.value,
              },
            ]
          : [],
      );
      const answer = await call(OPERATIONS.keepRequirements, drafts);
      if (!answer.ok) return answer.problem;
    }
    forget();
    window.location.assign(isSources ? '/specs/sources' : '/specs');
    return null;
  };
  const shown = isDoubtsOnly && doubts.length > 0 ? doubts : read;
  return (
    <Form form={form} className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4" onSend={keep}>
      <h1 className="text-xl font-bold">{isSources ? 'Sources from a list' : 'Requirements from a list'}</h1>
      <section className="panel grid gap-3 p-4">
        <div className="flex flex-wrap items-center gap-3">
          <FileButton
            words={draft.fileName ? 'Choose another list' : 'Choose the list (CSV)'}
            accept={LIST_FILES}
            onFile={(file) => void load(file)}
          />
          <p className="text-s text-faint">
            {draft.fileName && `${draft.fileName}: ${draft.lines.length} lines. `}
            Columns in any order: {(isSources ? SOURCE_COLUMNS : REQUIREMENT_COLUMNS).join(', ')}. The CSV of
            the book has them all.
          </p>
        </div>
        {problems.slice(0, 20).map((each) => (
          <ProblemNotice key={JSON.stringify(each)} problem={problemDetails(each)} />
        ))}
        {read.length > 0 && (
          <>
            <DoubtsBar
              total={read.length}
              doubts={doubts.length}
              isDoubtsOnly={isDoubtsOnly}
              onDoubtsOnly={setDoubtsOnly}
            />
            {isSources ? (
              <ListPreview<SourceColumn, ReadSourceLine>
                lines={shown as readonly ReadSourceLine[]}
                printed="title"
                columns={[
                  { name: 'Number', column: 'number' },
                  { name: 'Revision', column: 'revision' },
                  { name: 'Where', column: 'place' },
                ]}
                words={words}
                onResolve={settle}
              />
            ) : (
              <ListPreview<RequirementColumn, ReadRequirementLine>
                lines={shown as readonly ReadRequirementLine[]}
                printed="requirement"
                columns={[
                  { name: 'Part', column: 'part' },
                  { name: 'Size', column: 'size' },
                  { name: 'Source', column: 'source' },
                  { name: 'Place', column: 'place' },
                ]}
                words={words}
                onResolve={settle}
              />
            )}
          </>
        )}
      </section>
      <SubmitButton
        className="sticky bottom-16 text-l sm:bottom-2"
        isHeld={read.length === 0 || doubts.length > 0}
      >
        {read.length === 0
          ? 'Choose a list first'
          : doubts.length > 0
            ? `Settle ${doubts.length} more ${doubts.length === 1 ? 'line' : 'lines'}`
            : `Import all ${read.length} lines`}
      </SubmitButton>
    </Form>
  );
};
