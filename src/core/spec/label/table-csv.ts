import Papa from 'papaparse';
import { TORQUE_UNIT_CODES } from '../../quantity/unit.ts';
import { accepted, type Result } from '../../result.ts';
import { csvText } from '../list/csv-text.ts';
import { unguardedCell } from '../list/guarded-cell.ts';
import { KEY_KINDS } from '../lookup/key-span.ts';
import {
  type Cell,
  cellText,
  type KeyColumn,
  type LookupTable,
  type ValueColumn,
} from '../lookup/lookup-table.ts';
import { type LabelRefusal, type ProposedTable, readLabel } from './read-label.ts';

const heading = (column: KeyColumn | ValueColumn): string => {
  const kind =
    column.kind === 'torque' ? `torque ${column.unit ?? ''}` : `${column.kind} ${column.unit ?? ''}`;
  return `${column.name} {${kind.trim()}}`;
};

/** A table as CSV (RFC 4180): each heading says in braces what its column holds, so that it comes back as it went. */
export const tableCsvText = ({ keys, values, rows }: LookupTable): string =>
  csvText([
    [...keys, ...values].map(heading),
    ...rows.map((row) => [...row.keys, ...row.values].map(cellText)),
  ]);

type Marked = { readonly name: string; readonly kind: string; readonly unit: string };

const MARK = /^(.*?)\s*\{([a-z-]+)(?: ([^}]+))?\}$/;

const marked = (text: string): Marked | null => {
  const match = MARK.exec(text.trim());
  return match ? { name: match[1] ?? '', kind: match[2] ?? '', unit: match[3] ?? '' } : null;
};

const isKey = ({ kind }: Marked): boolean => KEY_KINDS.some((each) => each === kind);

const tableOf = (columns: readonly Marked[], body: readonly (readonly string[])[]): LookupTable => {
  const at = (test: (column: Marked) => boolean, cells: readonly string[]): readonly Cell[] =>
    columns.flatMap((column, index) =>
      test(column) ? [{ printed: (cells[index] ?? '').trim(), readAs: null }] : [],
    );
  return {
    name: '',
    subject: '',
    keys: columns
      .filter(isKey)
      .map(({ name, kind, unit }) => ({ name, kind: kind as KeyColumn['kind'], unit })),
    values: columns
      .filter((column) => !isKey(column))
      .map(({ name, kind, unit }) => ({
        name,
        kind: kind === 'text' ? 'text' : 'torque',
        unit: TORQUE_UNIT_CODES.find((code) => code === unit) ?? null,
      })),
    rows: body.map((cells) => ({
      keys: at(isKey, cells),
      values: at((column) => !isKey(column), cells),
      note: '',
    })),
    footnote: '',
    madeForMaterial: '',
    mayInterpolate: false,
  };
};

/** Reads a table from a CSV file: by the marks in its headings where it has them, else as a label is read. Refuses: what readLabel refuses. */
export const readTableCsv = (text: string): Result<ProposedTable, LabelRefusal> => {
  const parsed = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' });
  const data = parsed.data.map((cells) => cells.map(unguardedCell));
  const [head = [], ...body] = data;
  const columns = head.map(marked);
  if (columns.length > 1 && columns.every((column) => column !== null) && body.length > 0)
    return accepted({ separator: 'none', table: tableOf(columns as readonly Marked[], body), asked: [] });
  return readLabel(
    head.length > 1
      ? data.map((cells) => cells.map((cell) => cell.replace(/\s+/g, ' ')).join('\t')).join('\n')
      : text,
  );
};
