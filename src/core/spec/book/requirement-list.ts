import type { TorqueUnit } from '../../quantity/unit.ts';
import { accepted, type Result } from '../../result.ts';
import { delimitedTable, type TableRefusal } from '../list/delimited-table.ts';
import type { ListFinding, ListLine } from '../list/list-line.ts';
import type { UnresolvedRefusal } from '../requirement/resolved-requirement.ts';
import { type BookRequirement, readPrinted } from './book-requirement.ts';
import {
  CONDITION_COLUMNS,
  type ConditionColumn,
  type ConditionRefusal,
  conditionCells,
  readConditions,
} from './condition-text.ts';
import { meantInstead, sizeDoubt } from './size-doubt.ts';
import { type Source, sourceName } from './source.ts';

const NEEDED = ['part', 'requirement', 'source'] as const;
const OPTIONAL = ['size', 'place', 'other_part', 'other_requirement', 'part_softer', 'note'] as const;
export type RequirementColumn = (typeof NEEDED)[number] | (typeof OPTIONAL)[number] | ConditionColumn;

/** The columns of a requirement list, the needed ones first. */
export const REQUIREMENT_COLUMNS: readonly RequirementColumn[] = [
  ...NEEDED,
  ...OPTIONAL,
  ...CONDITION_COLUMNS,
];

export type RequirementLineRefusal =
  | UnresolvedRefusal
  | ConditionRefusal
  | { readonly code: 'cell-empty' }
  | { readonly code: 'cell-too-long'; readonly longest: number }
  | { readonly code: 'source-unknown'; readonly text: string }
  | {
      readonly code: 'size-doubtful';
      readonly text: string;
      readonly size: string;
      /** The print with the unit that would explain it, and the print as it is. */
      readonly candidates: readonly string[];
    };

export type ReadRequirementLine = {
  readonly listed: ListLine<RequirementColumn>;
  readonly value: { readonly sourceId: string; readonly body: BookRequirement } | null;
  readonly findings: readonly ListFinding<RequirementColumn, RequirementLineRefusal>[];
};

const LONGEST: Partial<Record<RequirementColumn, number>> = {
  part: 160,
  size: 40,
  place: 120,
  note: 300,
  other_part: 120,
};

const plain = (text: string): string => text.trim().toLowerCase().replace(/\s+/g, ' ');

/** The source a cell names: by its full name, its title or its number, where only one in force fits. */
const namedSource = (text: string, sources: readonly Source[]): Source | null => {
  const name = plain(text);
  const full = sources.filter((source) => plain(sourceName(source)) === name);
  const part = sources.filter(
    ({ title, number, status }) =>
      status === 'current' && [title, number].some((each) => plain(each) === name),
  );
  const [only, second] = full.length > 0 ? full : part;
  return only && !second ? only : null;
};

/** Reads one line of a requirement list against the book's sources. */
export const readRequirementLine = (
  listed: ListLine<RequirementColumn>,
  sources: readonly Source[],
  siteUnit: TorqueUnit,
): ReadRequirementLine => {
  const { line, cells } = listed;
  const findings: ListFinding<RequirementColumn, RequirementLineRefusal>[] = [];
  const find = (column: RequirementColumn, refusal: RequirementLineRefusal): null => {
    findings.push({ line, column, refusal });
    return null;
  };
  const cell = (column: RequirementColumn): string => (cells[column] ?? '').trim();
  for (const [column, longest] of Object.entries(LONGEST))
    if (cell(column as RequirementColumn).length > longest)
      find(column as RequirementColumn, { code: 'cell-too-long', longest });
  if (cell('part') === '') find('part', { code: 'cell-empty' });
  const torque = readPrinted(cell('requirement'), listed.readAs, siteUnit);
  const printed = torque.ok ? torque.value : find('requirement', torque.refusal);
  const doubt =
    printed && listed.readAs === null ? sizeDoubt(printed.requirement, cell('part'), cell('size')) : null;
  if (printed && doubt)
    find('requirement', {
      code: 'size-doubtful',
      text: printed.printed,
      size: cell('size'),
      candidates: [...meantInstead(printed.requirement, doubt), printed.printed],
    });
  const other =
    cell('other_requirement') === '' ? null : readPrinted(cell('other_requirement'), null, siteUnit);
  if (other && !other.ok) find('other_requirement', other.refusal);
  const conditions = readConditions(cells);
  if (!conditions.ok) find(conditions.refusal.column, conditions.refusal.refusal);
  const named =
    namedSource(cell('source'), sources) ??
    find('source', { code: 'source-unknown', text: cell('source').slice(0, 80) });
  if (findings.length > 0 || !printed || !named || !conditions.ok) return { listed, value: null, findings };
  return {
    listed,
    findings,
    value: {
      sourceId: named.id,
      body: {
        part: cell('part'),
        size: cell('size'),
        torque: printed,
        otherPart: other?.ok ? { ...other.value, part: cell('other_part') || 'other part' } : null,
        conditions: conditions.value,
        isPartSofter: cell('part_softer').toLowerCase() === 'yes',
        place: cell('place'),
        note: cell('note'),
      },
    },
  };
};

/** The lines of a requirement list file. Refuses: every line that does not fit the header. */
export const requirementLines = (
  text: string,
): Result<
  { readonly lines: readonly ListLine<RequirementColumn>[]; readonly ignoredHeadings: readonly string[] },
  readonly TableRefusal[]
> => {
  const table = delimitedTable<RequirementColumn>(text, NEEDED, [...OPTIONAL, ...CONDITION_COLUMNS]);
  if (!table.ok) return table;
  return accepted({
    lines: table.value.rows.map(({ line, cells }) => ({ line, cells, readAs: null })),
    ignoredHeadings: table.value.ignoredHeadings,
  });
};

/** A requirement as a line of a list: the inverse of readRequirementLine. What a person read a print as stands in its place. */
export const requirementCells = (
  body: BookRequirement,
  source: Source,
): Readonly<Record<RequirementColumn, string>> => ({
  part: body.part,
  size: body.size,
  requirement: body.torque.readAs ?? body.torque.printed,
  source: sourceName(source),
  place: body.place,
  other_part: body.otherPart?.part ?? '',
  other_requirement: body.otherPart ? (body.otherPart.readAs ?? body.otherPart.printed) : '',
  part_softer: body.isPartSofter ? 'yes' : '',
  note: body.note,
  ...conditionCells(body.conditions),
});
