import { useMemo, useRef, useState } from 'react';
import { call } from '#client/api.ts';
import { newId } from '#client/happen.ts';
import { specificationOf } from '#core/spec/book/book-requirement.ts';
import type { RequirementColumn } from '#core/spec/book/requirement-list.ts';
import type { Source } from '#core/spec/book/source.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { KeptRequirement } from '#wire/book.ts';
import type { ProblemDetails } from '#wire/problems/problem-details.ts';
import type { Site } from '#wire/site.ts';
import { requirementWords } from '#wire/words/requirement.ts';
import { DoubtfulCell } from '../shared/DoubtfulCell.tsx';
import { ProblemNotice } from '../shared/ProblemNotice.tsx';
import { ReadyForm } from '../shared/ReadyForm.tsx';
import { useKeptDraft } from '../shared/use-kept-draft.ts';
import { LiveDerivation } from './LiveDerivation.tsx';
import {
  draftOf,
  isCondition,
  type RequirementFormDraft,
  readDraft,
  revivedDraft,
  sourceChoice,
} from './requirement-draft.ts';

type Field = {
  readonly column: RequirementColumn;
  readonly name: string;
  readonly hint: string;
  readonly isWide?: boolean;
  readonly choices?: readonly string[];
};

const MAIN: readonly Field[] = [
  { column: 'part', name: 'What is tightened', hint: 'coolant line, flare nut', isWide: true },
  { column: 'size', name: 'Size', hint: '3/8, M4, #10' },
  { column: 'requirement', name: 'As the source prints it', hint: '110 to 130 in-lb' },
  { column: 'place', name: 'Page or place', hint: 'page 12, table 3', isWide: true },
];

const MORE: readonly Field[] = [
  { column: 'other_part', name: 'Other part of the joint', hint: 'handlebar' },
  { column: 'other_requirement', name: 'What the other part demands', hint: 'max 5 Nm' },
  { column: 'run_on', name: 'Run-on torque', hint: 'measure, or 8 lbf·in' },
  { column: 'lubrication', name: 'Threads', hint: 'dry, oiled, or the compound' },
  { column: 'thread', name: 'Thread direction', hint: '', choices: ['', 'left'] },
  { column: 'single_use', name: 'Fastener used once', hint: '', choices: ['', 'yes'] },
  { column: 'made_for', name: 'Value made for the material', hint: 'steel insert' },
  { column: 'part_softer', name: 'This part is softer than that', hint: '', choices: ['', 'yes'] },
  { column: 'property_class', name: 'Strength class of the screw', hint: '8.8, A2-70, grade 5' },
  { column: 'second', name: 'Second condition', hint: 'runout 0.01 mm; no leak' },
  { column: 'tools', name: 'Tools allowed or forbidden', hint: 'only preset-screwdriver' },
  { column: 'note', name: 'Note', hint: '', isWide: true },
];

type Props = {
  readonly kept: KeptRequirement | null;
  readonly source: Source | null;
  readonly sources: readonly Source[];
  readonly site: Site;
  readonly onKept: (kept: KeptRequirement) => void;
};

/** Writes a requirement, new or as the next revision of one. It is read while it is typed, and what is typed outlives an error. */
export const RequirementForm = ({ kept, source, sources, site, onKept }: Props) => {
  const [draft, setDraft, forget] = useKeptDraft<RequirementFormDraft>(
    `jentik-requirement-${kept ? `${kept.id}.${kept.revision}` : 'new'}`,
    draftOf(kept, source),
    revivedDraft,
  );
  const id = useRef(kept?.id ?? newId());
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const read = useMemo(() => readDraft(draft, sources, site.unit), [draft, site.unit, sources]);
  const set = (column: RequirementColumn, text: string): void =>
    setDraft({
      ...draft,
      cells: { ...draft.cells, [column]: text },
      // What one person read a print as says nothing about another print.
      readAs: column === 'requirement' ? null : draft.readAs,
    });
  const keep = async (): Promise<void> => {
    if (!read.value) return;
    const answer = await call(OPERATIONS.keepRequirements, [
      {
        id: id.current,
        basedOn: kept?.revision ?? null,
        sourceId: read.value.sourceId,
        isWithdrawn: draft.isWithdrawn,
        why: draft.why,
        body: read.value.body,
      },
    ]);
    if (!answer.ok) return setProblem(answer.problem);
    forget();
    const [first] = answer.value;
    if (first) onKept(first);
  };
  const printFinding = read.findings.find(({ column }) => column === 'requirement');
  const field = ({ column, name, hint, isWide, choices }: Field) => (
    // biome-ignore lint/a11y/noLabelWithoutControl: its control is one of the two inside
    <label key={column} className={isWide ? 'sm:col-span-2' : ''}>
      {name}
      {choices ? (
        <select
          className="field mt-1"
          name={column}
          value={draft.cells[column]}
          onChange={(event) => set(column, event.target.value)}
        >
          {choices.map((choice) => (
            <option key={choice} value={choice}>
              {choice || (column === 'thread' ? 'right' : 'no')}
            </option>
          ))}
        </select>
      ) : (
        <input
          className="field mt-1"
          name={column}
          value={draft.cells[column]}
          placeholder={hint}
          onChange={(event) => set(column, event.target.value)}
        />
      )}
      {read.findings
        .filter(
          (finding) => finding.column === column && column !== 'requirement' && draft.cells[column] !== '',
        )
        .map(({ refusal }) => (
          <span key={refusal.code} className="block text-s text-high">
            {'known' in refusal ? `one of: ${refusal.known.join(', ')}` : 'can’t be read'}
          </span>
        ))}
    </label>
  );
  const hasMore = MORE.some(
    ({ column }) => draft.cells[column] !== '' && (isCondition(column) || column !== 'note'),
  );
  return (
    <ReadyForm className="grid gap-3 sm:grid-cols-2" onSubmit={() => void keep()}>
      {MAIN.map(field)}
      {printFinding && draft.cells.requirement !== '' && (
        <div className="sm:col-span-2">
          <DoubtfulCell
            key={draft.cells.requirement}
            refusal={printFinding.refusal}
            where="the printed torque"
            text={draft.readAs ?? draft.cells.requirement}
            onResolve={(text) => setDraft({ ...draft, readAs: text.trim() === '' ? null : text.trim() })}
          />
        </div>
      )}
      <label className="sm:col-span-2">
        Source
        <select
          className="field mt-1"
          name="source"
          value={draft.cells.source}
          onChange={(event) => set('source', event.target.value)}
        >
          <option value="">choose the document</option>
          {sources
            .filter((each) => each.status === 'current' || sourceChoice(each) === draft.cells.source)
            .map((each) => (
              <option key={each.id} value={sourceChoice(each)}>
                {sourceChoice(each)}
              </option>
            ))}
        </select>
      </label>
      <details className="sm:col-span-2" open={hasMore}>
        <summary className="min-h-11 cursor-pointer py-2 text-layout underline underline-offset-3">
          what it holds for: other part, run-on torque, threads, tools, second conditions
        </summary>
        <div className="grid gap-3 sm:grid-cols-2">{MORE.map(field)}</div>
      </details>
      {kept && (
        <>
          <label className="sm:col-span-2">
            Why it changes
            <input
              className="field mt-1"
              name="why"
              value={draft.why}
              required
              maxLength={300}
              placeholder="new revision of the manual"
              onChange={(event) => setDraft({ ...draft, why: event.target.value })}
            />
          </label>
          <label className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-layout"
              checked={draft.isWithdrawn}
              onChange={(event) => setDraft({ ...draft, isWithdrawn: event.target.checked })}
            />
            withdrawn: no new job may use it
          </label>
        </>
      )}
      {read.value && (
        <div className="panel grid gap-2 p-3 sm:col-span-2">
          <p>
            Read as <strong>{requirementWords(read.value.body.torque.requirement)}</strong>
          </p>
          <LiveDerivation
            key={JSON.stringify(read.value.body)}
            specification={specificationOf(read.value.body)}
            site={site}
          />
        </div>
      )}
      <div className="grid gap-3 sm:col-span-2">
        <ProblemNotice problem={problem} />
        <button type="submit" className="act min-h-14" disabled={!read.value}>
          {kept ? `Keep as revision ${kept.revision + 1}` : 'Keep this requirement'}
        </button>
      </div>
    </ReadyForm>
  );
};
