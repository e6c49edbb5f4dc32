import { accepted, type Result } from '../../result.ts';
import { delimitedTable, type TableRefusal } from '../list/delimited-table.ts';
import type { ListFinding, ListLine } from '../list/list-line.ts';
import { SOURCE_KINDS, type Source, type SourceKind } from './source.ts';

const NEEDED = ['title', 'kind'] as const;
const OPTIONAL = ['number', 'revision', 'dated_on', 'place'] as const;
export type SourceColumn = (typeof NEEDED)[number] | (typeof OPTIONAL)[number];

/** The columns of a source list, the needed ones first. */
export const SOURCE_COLUMNS: readonly SourceColumn[] = [...NEEDED, ...OPTIONAL];

export type SourceLineRefusal =
  | { readonly code: 'cell-empty' }
  | { readonly code: 'cell-too-long'; readonly longest: number }
  | { readonly code: 'unknown-choice'; readonly text: string; readonly known: readonly string[] };

/** A source as a list describes it; a list adds sources in force. */
export type ListedSource = Omit<Source, 'id' | 'status' | 'supersededBy'>;

export type ReadSourceLine = {
  readonly listed: ListLine<SourceColumn>;
  readonly value: ListedSource | null;
  readonly findings: readonly ListFinding<SourceColumn, SourceLineRefusal>[];
};

const LONGEST: Record<SourceColumn, number> = {
  title: 120,
  kind: 40,
  number: 60,
  revision: 40,
  dated_on: 10,
  place: 120,
};

const kindOf = (text: string): SourceKind | null =>
  SOURCE_KINDS.find((kind) => kind === text.toLowerCase().replace(/\s+/g, '-')) ?? null;

/** Reads one line of a source list. */
export const readSourceLine = (listed: ListLine<SourceColumn>): ReadSourceLine => {
  const { line, cells } = listed;
  const findings: ListFinding<SourceColumn, SourceLineRefusal>[] = [];
  const find = (column: SourceColumn, refusal: SourceLineRefusal): null => {
    findings.push({ line, column, refusal });
    return null;
  };
  const cell = (column: SourceColumn): string => (cells[column] ?? '').trim();
  for (const column of SOURCE_COLUMNS)
    if (cell(column).length > LONGEST[column])
      find(column, { code: 'cell-too-long', longest: LONGEST[column] });
  if (cell('title') === '') find('title', { code: 'cell-empty' });
  const kind =
    kindOf(cell('kind')) ??
    find('kind', { code: 'unknown-choice', text: cell('kind').slice(0, 40), known: SOURCE_KINDS });
  const isDay =
    cell('dated_on') === '' || /^\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])$/.test(cell('dated_on'));
  if (!isDay)
    find('dated_on', { code: 'unknown-choice', text: cell('dated_on').slice(0, 40), known: ['2026-05-31'] });
  if (findings.length > 0 || kind === null) return { listed, value: null, findings };
  return {
    listed,
    findings,
    value: {
      title: cell('title'),
      kind,
      number: cell('number'),
      revision: cell('revision'),
      datedOn: cell('dated_on'),
      place: cell('place'),
    },
  };
};

/** The lines of a source list file. Refuses: every line that does not fit the header. */
export const sourceLines = (
  text: string,
): Result<
  { readonly lines: readonly ListLine<SourceColumn>[]; readonly ignoredHeadings: readonly string[] },
  readonly TableRefusal[]
> => {
  const table = delimitedTable<SourceColumn>(text, NEEDED, OPTIONAL);
  if (!table.ok) return table;
  return accepted({
    lines: table.value.rows.map(({ line, cells }) => ({ line, cells, readAs: null })),
    ignoredHeadings: table.value.ignoredHeadings,
  });
};

/** A source as a line of a list: the inverse of readSourceLine. */
export const sourceCells = (source: ListedSource): Readonly<Record<SourceColumn, string>> => ({
  title: source.title,
  kind: source.kind,
  number: source.number,
  revision: source.revision,
  dated_on: source.datedOn,
  place: source.place,
});
