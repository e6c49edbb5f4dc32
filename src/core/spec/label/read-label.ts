import type { TorqueUnit } from '../../quantity/unit.ts';
import { torqueUnitsIn } from '../../quantity/unit-spelling.ts';
import { accepted, type Result, refused } from '../../result.ts';
import type { LookupTable } from '../lookup/lookup-table.ts';
import { type LabelSubject, labelSubject } from './label-key.ts';
import { type AskedLine, isHeading, type LabelReading, type Placed, titleOf } from './label-reading.ts';
import { readLine } from './label-statement.ts';
import { tableOfColumns } from './label-table.ts';
import {
  LABEL_MAX_LENGTH,
  LABEL_MAX_LINES,
  type LabelLine,
  type LabelSeparator,
  splitLabel,
} from './split-label.ts';
import { EMPTY_TABLE, tableOfStatements } from './statement-table.ts';
import { withBothUnits } from './two-units.ts';

/** The table that a label's text proposes. Nothing is kept before a person has looked at it. */
export type ProposedTable = {
  readonly separator: LabelSeparator;
  readonly table: LookupTable;
  /** Lines of which something is not in the table, or may say something else. */
  readonly asked: readonly AskedLine[];
};

export type LabelRefusal =
  | { readonly code: 'label-empty' }
  | { readonly code: 'label-too-long'; readonly longest: number; readonly mostLines: number }
  | { readonly code: 'label-without-torque' };

const isUnitHeading = (text: string): boolean =>
  torqueUnitsIn(text).length > 0 || /^(?:torque|tightening torque|tighten)$/i.test(text);

const ofStatements = (
  lines: readonly LabelLine[],
  unit: TorqueUnit | null,
  subject: LabelSubject,
): LabelReading => {
  let group = '';
  const asked: AskedLine[] = [];
  const placed: Placed[] = [];
  const headings: string[] = [];
  for (const line of lines) {
    if (isHeading(line.text)) {
      if (!isUnitHeading(line.text)) {
        group = titleOf(line.text);
        headings.push(group);
      }
      continue;
    }
    const { statements, doubt } = readLine(line.text, subject);
    placed.push(...statements.map((statement) => ({ group, line, statement })));
    if (doubt) asked.push({ line: line.line, text: line.text, why: doubt });
  }
  const isKeyless = ({ statement }: Placed): boolean =>
    Object.entries(statement).every(([part, text]) => part === 'value' || text === '');
  const keyless = placed.length > 1 ? placed.filter((each) => isKeyless(each) && each.group === '') : [];
  const missing = keyless
    .filter(({ line }) => !asked.some((each) => each.line === line.line))
    .map(({ line }): AskedLine => ({ line: line.line, text: line.text, why: 'left-over' }));
  const used = new Set(placed.map((each) => each.group));
  const table = tableOfStatements(placed, unit);
  const footnote = headings.filter((heading) => !used.has(heading)).join('. ');
  return { table: { ...table, footnote }, asked: [...asked, ...missing].sort((a, b) => a.line - b.line) };
};

/** The unit that headings print once for all; null where they print none, or two. */
const headingUnit = (lines: readonly LabelLine[]): TorqueUnit | null => {
  const units = new Set(
    lines.filter(({ text }) => isHeading(text)).flatMap(({ text }) => torqueUnitsIn(text)),
  );
  return units.size === 1 ? ([...units][0] as TorqueUnit) : null;
};

const NUMBERS = /\d+(?:[.,]\d+)*/g;

const numbersOf = (text: string): readonly string[] => text.match(NUMBERS) ?? [];

/** Lines of which a number stands nowhere in what was read. */
const dropped = (
  lines: readonly LabelLine[],
  table: LookupTable,
  asked: readonly AskedLine[],
): readonly AskedLine[] => {
  const kept = new Set(numbersOf(JSON.stringify({ ...EMPTY_TABLE, ...table })));
  return lines
    .filter(
      ({ line, text }) =>
        !asked.some((each) => each.line === line) && numbersOf(text).some((number) => !kept.has(number)),
    )
    .map(({ line, text }) => ({ line, text, why: 'left-over' }));
};

/** Reads the pasted text of a label or a table into a table that a person settles: `18-12 AWG CU 16 lb-in`, `#8-6 31 lb-in`, several items or
 *  torques in a line, columns by tabs, bars or spaces, units in the heading or in the cells, footnotes such as `2 x #14 CU 18`. A value
 *  without a unit of its own takes only a heading's; otherwise it stays in doubt. Every number is in the table or in a line that is asked
 *  about. Refuses: label-empty, label-too-long, label-without-torque. */
export const readLabel = (text: string): Result<ProposedTable, LabelRefusal> => {
  if (text.trim() === '') return refused({ code: 'label-empty' });
  const tooLong = { code: 'label-too-long', longest: LABEL_MAX_LENGTH, mostLines: LABEL_MAX_LINES } as const;
  if (text.length > LABEL_MAX_LENGTH) return refused(tooLong);
  const { separator, width, lines: pasted } = splitLabel(text);
  if (pasted.length > LABEL_MAX_LINES) return refused(tooLong);
  const lines = withBothUnits(pasted);
  const subject = labelSubject(text);
  const unit = headingUnit(lines);
  const inColumns = width > 1 ? tableOfColumns(lines, width, unit, subject) : null;
  const isTable =
    inColumns !== null &&
    inColumns.table.keys.length > 0 &&
    inColumns.table.values.length > 0 &&
    inColumns.table.rows.length > 0;
  const { table, asked } = isTable ? inColumns : ofStatements(lines, unit, subject);
  if (table.rows.length === 0) return refused({ code: 'label-without-torque' });
  return accepted({
    separator: isTable ? separator : 'none',
    table,
    asked: [...asked, ...dropped(lines, table, asked)]
      .map((each) => ({ ...each, text: pasted.find(({ line }) => line === each.line)?.text ?? each.text }))
      .sort((a, b) => a.line - b.line),
  });
};
