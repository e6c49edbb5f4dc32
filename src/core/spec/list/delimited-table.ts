import Papa from 'papaparse';
import { accepted, type Result, refused } from '../../result.ts';
import { unguardedCell } from './guarded-cell.ts';
import { LIST_MAX_ROWS } from './list-bounds.ts';

/** A row of a delimited file: the line it starts on, counted from 1 as an editor does, and its cells by column. */
export type TableRow<Column extends string> = {
  readonly line: number;
  readonly cells: Readonly<Record<Column, string>>;
};

export type DelimitedTable<Column extends string> = {
  readonly separator: Separator;
  readonly rows: readonly TableRow<Column>[];
  /** Headings that are no column we know; their cells are not read. */
  readonly ignoredHeadings: readonly string[];
};

export type TableRefusal =
  | {
      readonly code: 'list-header-missing';
      readonly line: number;
      readonly wanted: readonly string[];
      readonly found: string;
    }
  | {
      readonly code: 'list-column-missing';
      readonly line: number;
      readonly column: string;
      readonly found: readonly string[];
    }
  | { readonly code: 'list-column-repeated'; readonly line: number; readonly column: string }
  | { readonly code: 'list-quote-open'; readonly line: number; readonly column: string }
  | { readonly code: 'list-cells-missing'; readonly line: number; readonly column: string }
  | {
      readonly code: 'list-cells-too-many';
      readonly line: number;
      readonly column: string;
      readonly found: number;
      readonly wanted: number;
    }
  | { readonly code: 'list-without-rows'; readonly line: number }
  | { readonly code: 'list-too-long'; readonly line: number; readonly mostRows: number };

export const SEPARATORS = [',', ';', '\t', '|'] as const;
export type Separator = (typeof SEPARATORS)[number];

type RawRow = { readonly line: number; readonly cells: readonly string[]; readonly isQuoteOpen: boolean };

const heading = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/[()[\]]/g, '')
    .replace(/[\s.-]+/g, '_');

const rawRows = (text: string, separator: Separator): readonly RawRow[] => {
  const rows: RawRow[] = [];
  let line = 1;
  let from = 0;
  Papa.parse<string[]>(text, {
    delimiter: separator,
    step: ({ data, errors, meta }) => {
      // Papa counts rows, not lines: a quoted cell may hold line ends, and an editor's line number is what a person can find.
      const passed = text.slice(from, meta.cursor);
      const isBlank = data.every((cell) => cell.trim() === '');
      const isQuoteOpen = errors.some(({ type }) => type === 'Quotes');
      if (!isBlank) rows.push({ line, cells: data.map(unguardedCell), isQuoteOpen });
      line += passed.match(/\r\n|\n|\r/g)?.length ?? 0;
      from = meta.cursor;
    },
  });
  return rows;
};

const separatorOf = (text: string, columns: readonly string[]): Separator => {
  const firstLine = text.trimStart().split(/\r\n|\n|\r/)[0] ?? '';
  const known = (separator: Separator): number =>
    firstLine.split(separator).filter((cell) => columns.includes(heading(cell.replaceAll('"', '')))).length;
  return [...SEPARATORS].sort((a, b) => known(b) - known(a))[0] as Separator;
};

type Header = {
  readonly at: ReadonlyMap<string, number>;
  readonly ignored: readonly string[];
  readonly headings: readonly string[];
};

const readHeader = (
  row: RawRow,
  required: readonly string[],
  optional: readonly string[],
): Result<Header, TableRefusal> => {
  const { line } = row;
  const known = [...required, ...optional];
  const headings = row.cells.map(heading);
  const found = row.cells.map((cell) => cell.trim()).filter((cell) => cell !== '');
  if (!headings.some((name) => known.includes(name)))
    return refused({
      code: 'list-header-missing',
      line,
      wanted: required,
      found: found.join(' ').slice(0, 80),
    });
  const repeated = known.find((column) => headings.indexOf(column) !== headings.lastIndexOf(column));
  if (repeated) return refused({ code: 'list-column-repeated', line, column: repeated });
  const missing = required.find((column) => !headings.includes(column));
  if (missing) return refused({ code: 'list-column-missing', line, column: missing, found });
  return accepted({
    at: new Map(
      known.filter((column) => headings.includes(column)).map((column) => [column, headings.indexOf(column)]),
    ),
    ignored: row.cells.filter(
      (_, index) => headings[index] !== '' && !known.includes(headings[index] as string),
    ),
    headings: row.cells.map((cell) => cell.trim()),
  });
};

const rowRefusal = (row: RawRow, headings: readonly string[]): TableRefusal | null => {
  const { line, cells } = row;
  const column = (index: number): string => headings[index] ?? headings.at(-1) ?? '';
  if (row.isQuoteOpen) return { code: 'list-quote-open', line, column: column(cells.length - 1) };
  if (cells.length < headings.length)
    return { code: 'list-cells-missing', line, column: column(cells.length) };
  const extra = cells.slice(headings.length).some((cell) => cell.trim() !== '');
  return extra
    ? {
        code: 'list-cells-too-many',
        line,
        column: column(headings.length - 1),
        found: cells.length,
        wanted: headings.length,
      }
    : null;
};

/** Reads a delimited file with a header (RFC 4180; comma, semicolon, tab or bar; any line end; columns in any order).
 *  Refuses the file with every line that does not fit its header, in order: all codes of TableRefusal. */
export const delimitedTable = <Column extends string>(
  text: string,
  required: readonly Column[],
  optional: readonly Column[],
): Result<DelimitedTable<Column>, readonly TableRefusal[]> => {
  const separator = separatorOf(text, [...required, ...optional]);
  const [first, ...body] = rawRows(text, separator);
  if (!first) return refused([{ code: 'list-header-missing', line: 1, wanted: required, found: '' }]);
  const header = readHeader(first, required, optional);
  if (!header.ok) return refused([header.refusal]);
  if (body.length === 0) return refused([{ code: 'list-without-rows', line: first.line }]);
  const over = body[LIST_MAX_ROWS];
  if (over) return refused([{ code: 'list-too-long', line: over.line, mostRows: LIST_MAX_ROWS }]);
  const refusals = body.flatMap((row) => rowRefusal(row, header.value.headings) ?? []);
  if (refusals.length > 0) return refused(refusals);
  const rows = body.map(({ line, cells }) => ({
    line,
    cells: Object.fromEntries(
      [...header.value.at].map(([column, index]) => [column, (cells[index] ?? '').trim()]),
    ) as Record<Column, string>,
  }));
  return accepted({ separator, rows, ignoredHeadings: header.value.ignored });
};
