import type { JointKind } from '../joint/joint-kind.ts';
import { JOINT_KINDS } from '../joint/joint-kinds.ts';
import { assumedSpot } from '../order/assumed-spot.ts';
import type { TorqueUnit } from '../quantity/unit.ts';
import { accepted, type Result, refused } from '../result.ts';
import { requirementTarget } from '../rules/requirement-target.ts';
import { NEWEST_RULES } from '../rules/rules-by-number.ts';
import type { BookReference } from '../spec/book/book-reference.ts';
import { type DelimitedTable, delimitedTable, type TableRefusal } from '../spec/list/delimited-table.ts';
import type { ListFinding, ListLine } from '../spec/list/list-line.ts';
import type { ReadRequirement } from '../spec/requirement/read-requirement.ts';
import { resolvedRequirement } from '../spec/requirement/resolved-requirement.ts';
import { classRefusal } from '../spec/screw/property-class.ts';
import { stated } from '../stated.ts';
import type { Schools } from '../target/schools.ts';
import { asksNoTorque } from '../target/target-and-acceptance.ts';
import {
  boundedText,
  type CellRefusal,
  DIRECTION_CHOICES,
  readAmperes,
  readChoice,
  readCoordinate,
  readDrive,
  readPropertyClass,
  YES_NO,
} from './fastener-cells.ts';
import { ONLY_GROUP } from './only-group.ts';
import type { PlannedFastener } from './plan.ts';

/** Columns that every list of fasteners has. */
export const FASTENER_COLUMNS = ['position', 'label', 'requirement'] as const;
/** Columns that it may have, whatever the kind of joint. */
export const OPTIONAL_COLUMNS = [
  'x_mm',
  'y_mm',
  'group',
  'drive',
  'thread',
  'direction',
  'counter_hold',
  'single_use',
  'part',
  'property_class',
  'load_a',
  'rated_a',
] as const;

/** A column of a fastener list: one of those, or a detail of a kind of joint such as `shank`. */
export type FastenerColumn = string;

const DETAIL_COLUMNS = [...new Set(JOINT_KINDS.flatMap(({ details }) => details.map(({ id }) => id)))];
const KNOWN_COLUMNS: readonly FastenerColumn[] = [...OPTIONAL_COLUMNS, ...DETAIL_COLUMNS];

/** One line of a fastener list as it came, and what a person has settled about it. */
export type FastenerLine = ListLine<FastenerColumn> & {
  /** Where in the spec book the requirement was taken from; left out while it stands only in the list. */
  readonly book?: BookReference | null | undefined;
};

export type CellFinding = ListFinding<FastenerColumn, CellRefusal>;

/** How one line was read: the fastener, or what must be settled first. */
export type ReadLine = {
  readonly listed: FastenerLine;
  readonly read: ReadRequirement | null;
  readonly fastener: PlannedFastener | null;
  readonly findings: readonly CellFinding[];
};

/** What a list is read by: the kind of joint of each group, the site's unit and its schools. */
export type ListReading = {
  readonly kindOf: (group: string) => JointKind;
  readonly siteUnit: TorqueUnit;
  readonly schools: Schools;
};

const readCellRequirement = (
  line: FastenerLine,
  { siteUnit, schools }: ListReading,
): Result<ReadRequirement, CellRefusal> => {
  const read = resolvedRequirement(line.readAs ?? line.cells['requirement'] ?? '', siteUnit);
  if (!read.ok) return read;
  const { requirement } = read.value;
  const target = requirementTarget(
    { requirement, book: line.book ?? null },
    null,
    schools,
    null,
    NEWEST_RULES,
  );
  return target.ok || asksNoTorque(target.refusal) ? read : target;
};

/** Which line of how many of its group a line is: where it is drawn when the list has no places. */
type InGroup = { readonly index: number; readonly count: number };

const groupNamed = ({ cells }: FastenerLine): string => (cells['group'] ?? '').trim() || ONLY_GROUP;

/** Reads one line of a fastener list. */
export const readFastenerLine = (
  listed: FastenerLine,
  reading: ListReading,
  { index, count }: InGroup = { index: 0, count: 1 },
): ReadLine => {
  const { line, cells, book } = listed;
  const cell = (column: FastenerColumn): string => (cells[column] ?? '').trim();
  const group = groupNamed(listed);
  const kind = reading.kindOf(group);
  const findings: CellFinding[] = [];
  const take = <T>(column: FastenerColumn, result: Result<T, CellRefusal>): T | null => {
    if (result.ok) return result.value;
    findings.push({ line, column, refusal: result.refusal });
    return null;
  };
  const assumed = assumedSpot(kind.outline, index, count);
  // A row of a table says nothing of the thread it is for.
  const conditions = book?.kind === 'requirement' ? book.conditions : null;
  const parts = {
    position: take('position', boundedText(cell('position'), 40, true)),
    label: take('label', boundedText(cell('label'), 120)),
    group: take('group', boundedText(group, 20)),
    xMm: take('x_mm', readCoordinate(cells['x_mm'], assumed.xMm)),
    yMm: take('y_mm', readCoordinate(cells['y_mm'], assumed.yMm)),
    drive: take('drive', readDrive(cell('drive'), kind.usualDrive)),
    driveAssumed: cell('drive') === '',
    part: take('part', boundedText(cell('part'), 40)),
    thread: take('thread', boundedText(cell('thread'), 40)),
    direction: take(
      'direction',
      readChoice(cell('direction'), DIRECTION_CHOICES, conditions?.thread ?? null, conditions?.thread ?? ''),
    ),
    counterHold: take('counter_hold', boundedText(cell('counter_hold'), 120)),
    isSingleUse: take(
      'single_use',
      readChoice(
        cell('single_use'),
        YES_NO,
        // A book that does not say so leaves it to the list.
        conditions?.isSingleUse ? true : null,
        'yes',
      ),
    ),
  };
  const inHand = {
    propertyClass: take('property_class', readPropertyClass(cell('property_class'))),
    loadAmperes: take('load_a', readAmperes(cell('load_a'))),
    ratedAmperes: take('rated_a', readAmperes(cell('rated_a'))),
  };
  const tooWeak = classRefusal(
    cell('position'),
    conditions?.propertyClass,
    inHand.propertyClass ?? undefined,
  );
  if (tooWeak) take('property_class', refused(tooWeak));
  const details: Record<string, string> = {};
  for (const { id } of kind.details) details[id] = take(id, boundedText(cell(id), 60)) ?? '';
  const read = take('requirement', readCellRequirement(listed, reading));
  if (findings.length > 0 || !read) return { listed, read, fastener: null, findings };
  const requirement = {
    printed: cell('requirement'),
    readAs: listed.readAs,
    requirement: read.requirement,
    book: book ?? null,
  };
  // Nothing was found wanting, so every part of it is there.
  const fastener = { ...parts, ...stated(inHand), details, requirement } as PlannedFastener;
  return { listed, read, fastener, findings };
};

/** Reads all lines and finds positions that stand twice. A list can be imported when no line has a finding. */
export const readFastenerLines = (
  lines: readonly FastenerLine[],
  reading: ListReading,
): readonly ReadLine[] => {
  const firstLineOf = new Map<string, number>();
  const counts = new Map<string, number>();
  for (const line of lines) counts.set(groupNamed(line), (counts.get(groupNamed(line)) ?? 0) + 1);
  const indexes = new Map<string, number>();
  return lines.map((listed) => {
    const group = groupNamed(listed);
    const index = indexes.get(group) ?? 0;
    indexes.set(group, index + 1);
    const read = readFastenerLine(listed, reading, { index, count: counts.get(group) ?? 1 });
    const position = listed.cells['position'] ?? '';
    const firstLine = firstLineOf.get(position);
    if (position === '' || firstLine === undefined) {
      firstLineOf.set(position, listed.line);
      return read;
    }
    const refusal = { code: 'position-repeated', position, firstLine } as const;
    return {
      ...read,
      fastener: null,
      findings: [...read.findings, { line: listed.line, column: 'position', refusal }],
    };
  });
};

/** The groups that a list names, in the order they come first; the one group of a list that names none. */
export const groupsNamed = (lines: readonly FastenerLine[]): readonly string[] => [
  ...new Set(lines.map(groupNamed)),
];

/** The kind of joint that a list speaks of for a group: the one whose details it has columns for. Null where it does not say, or several. */
export const kindSpokenOf = (lines: readonly FastenerLine[], group: string): JointKind | null => {
  const columns = new Set(
    lines.filter((line) => groupNamed(line) === group).flatMap(({ cells }) => Object.keys(cells)),
  );
  const spoken = JOINT_KINDS.filter(({ details }) => details.some(({ id }) => columns.has(id)));
  return spoken.length === 1 ? (spoken[0] ?? null) : null;
};

/** The lines of a fastener list file. Refuses: every line that does not fit the header (TableRefusal). */
export const fastenerLines = (
  text: string,
): Result<
  { readonly lines: readonly FastenerLine[]; readonly table: DelimitedTable<FastenerColumn> },
  readonly TableRefusal[]
> => {
  const table = delimitedTable<FastenerColumn>(text, FASTENER_COLUMNS, KNOWN_COLUMNS);
  if (!table.ok) return table;
  const lines = table.value.rows.map(({ line, cells }) => ({ line, cells, readAs: null }));
  return accepted({ lines, table: table.value });
};
