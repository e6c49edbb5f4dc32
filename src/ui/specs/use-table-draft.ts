import { useMemo } from 'react';
import type { Result } from '#core/result.ts';
import type { AskedLine } from '#core/spec/label/label-reading.ts';
import { type ProposedTable, readLabel } from '#core/spec/label/read-label.ts';
import { readTableCsv } from '#core/spec/label/table-csv.ts';
import { decodeText } from '#core/spec/list/decode-text.ts';
import {
  type CellPlace,
  type LookupTable,
  type ReadTable,
  readLookupTable,
  type TableFinding,
  tableFindings,
} from '#core/spec/lookup/lookup-table.ts';
import type { KeptTable } from '#wire/book.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Site } from '#wire/site.ts';
import { useKeptDraft } from '../kit/form/use-kept-draft.ts';

export type TableDraftState = {
  readonly text: string;
  readonly table: LookupTable | null;
  readonly asked: ProposedTable['asked'];
};

const EMPTY: TableDraftState = { text: '', table: null, asked: [] };

const revive = (kept: unknown): TableDraftState | null =>
  typeof kept === 'object' && kept !== null && 'text' in kept
    ? { ...EMPTY, ...(kept as TableDraftState) }
    : null;

export type TableDraft = {
  readonly draft: TableDraftState;
  readonly read: ReadTable | null;
  readonly findings: readonly TableFinding[];
  readonly change: (part: Partial<TableDraftState>) => void;
  readonly changeTable: (part: Partial<LookupTable>) => void;
  readonly readText: (text: string) => Problem | null;
  readonly readFile: (file: File) => Promise<Problem | null>;
  readonly settle: (place: CellPlace, text: string) => void;
  readonly dropRow: (row: number) => void;
  /** Answers what was asked about a line, with the table as the answer leaves it. */
  readonly answer: (line: AskedLine, table?: LookupTable) => void;
  readonly forget: () => void;
};

const withName = (table: LookupTable, before: LookupTable | null): LookupTable =>
  before ? { ...table, name: before.name, subject: before.subject } : table;

/** A table on its way into the book: read from pasted text or a file, settled cell by cell, kept in this browser meanwhile. */
export const useTableDraft = (kept: KeptTable | null, site: Site): TableDraft => {
  const first = kept ? { ...EMPTY, table: kept.body } : EMPTY;
  const [draft, setDraft, forget] = useKeptDraft<TableDraftState>(
    `jentik-table-${kept ? `${kept.id}.${kept.revision}` : 'new'}`,
    first,
    revive,
  );
  const read = useMemo(
    () => (draft.table ? readLookupTable(draft.table, site.unit) : null),
    [draft.table, site.unit],
  );
  const findings = useMemo(() => (read ? tableFindings(read) : []), [read]);
  const change = (part: Partial<TableDraftState>): void => setDraft((before) => ({ ...before, ...part }));
  const alterTable = (by: (table: LookupTable) => LookupTable): void =>
    setDraft((before) => ({ ...before, table: before.table && by(before.table) }));
  const changeTable = (part: Partial<LookupTable>): void => alterTable((table) => ({ ...table, ...part }));
  const take = (text: string, proposed: Result<ProposedTable, Problem>): Problem | null => {
    if (!proposed.ok) {
      change({ text });
      return proposed.refusal;
    }
    change({ text, table: withName(proposed.value.table, draft.table), asked: proposed.value.asked });
    return null;
  };
  return {
    draft,
    read,
    findings,
    change,
    changeTable,
    forget,
    readText: (text) => take(text, readLabel(text)),
    readFile: async (file) => {
      const decoded = decodeText(new Uint8Array(await file.arrayBuffer()));
      return decoded.ok ? take(decoded.value.text, readTableCsv(decoded.value.text)) : decoded.refusal;
    },
    settle: ({ row, part, column }, text) => {
      const cells = part === 'key' ? 'keys' : 'values';
      const readAs = text.trim() === '' ? null : text.trim();
      alterTable((table) => ({
        ...table,
        rows: table.rows.map((each, index) =>
          index === row
            ? {
                ...each,
                [cells]: each[cells].map((cell, at) => (at === column ? { ...cell, readAs } : cell)),
              }
            : each,
        ),
      }));
    },
    answer: (line, table) =>
      setDraft((before) => ({
        ...before,
        asked: before.asked.filter((each) => each.line !== line.line),
        table: table ?? before.table,
      })),
    dropRow: (row) =>
      alterTable((table) => ({ ...table, rows: table.rows.filter((_, index) => index !== row) })),
  };
};
