import { type DelimitedTable, delimitedTable, type TableRefusal } from '../list/delimited-table.ts';
import type { ListFinding, ListLine } from '../list/list-line.ts';
import type { ReadRequirement } from '../requirement/read-requirement.ts';
import { type SettledRefusal, settledRequirement } from '../requirement/settled-requirement.ts';
import { accepted, type Result, refused } from '../result.ts';
import type { Schools } from '../target/schools.ts';
import { type TargetRefusal, targetAndAcceptance } from '../target/target-and-acceptance.ts';
import { type NumberRefusal, readNumber } from '../torque/read-number.ts';
import type { TorqueUnit } from '../torque/unit.ts';
import { type BookReference, DRIVES, type Drive, type PlannedFastener } from './plan.ts';

export const TERMINAL_COLUMNS = ['position', 'label', 'x_mm', 'y_mm', 'conductor', 'requirement'] as const;
export type TerminalColumn = (typeof TERMINAL_COLUMNS)[number] | 'drive';

/** One line of a terminal list as it came, and what a person has settled about it. */
export type TerminalLine = ListLine<TerminalColumn> & {
  /** Where in the spec book the requirement was taken from; left out while it stands only in the list. */
  readonly book?: BookReference | null | undefined;
};

export type CellRefusal =
  | SettledRefusal
  | NumberRefusal
  | TargetRefusal
  | { readonly code: 'cell-empty' }
  | { readonly code: 'cell-too-long'; readonly longest: number }
  | { readonly code: 'coordinate-out-of-bounds'; readonly mostMm: number }
  | { readonly code: 'position-repeated'; readonly position: string; readonly firstLine: number }
  | { readonly code: 'unknown-drive'; readonly text: string; readonly known: readonly Drive[] };

export type CellFinding = ListFinding<TerminalColumn, CellRefusal>;

/** How one line was read: the fastener, or what must be settled first. */
export type ReadLine = {
  readonly source: TerminalLine;
  readonly read: ReadRequirement | null;
  readonly fastener: PlannedFastener | null;
  readonly findings: readonly CellFinding[];
};

const LONGEST = { position: 40, label: 120, conductor: 60 } as const;
const COORDINATE_MAX_MM = 100_000;

const DRIVE_SPELLINGS: ReadonlyMap<string, Drive> = new Map([
  ...DRIVES.map((drive) => [drive, drive] as const),
  ['slotted', 'slot'],
  ['flat', 'slot'],
  ['hex', 'hex-socket'],
  ['socket', 'hex-socket'],
  ['star', 'lobed'],
  ['nut', 'hex-head'],
  ['bolt', 'hex-head'],
]);

const signedNumber = (text: string): Result<number, NumberRefusal> => {
  const isNegative = /^[-−]/.test(text);
  const number = readNumber(isNegative ? text.slice(1) : text);
  if (!number.ok) return number;
  return accepted(isNegative ? -number.value.value : number.value.value);
};

const readCoordinate = (text: string): Result<number, CellRefusal> => {
  if (text === '') return refused({ code: 'cell-empty' });
  const number = signedNumber(text);
  if (!number.ok) return number;
  return Math.abs(number.value) > COORDINATE_MAX_MM
    ? refused({ code: 'coordinate-out-of-bounds', mostMm: COORDINATE_MAX_MM })
    : number;
};

const boundedText = (text: string, column: keyof typeof LONGEST): Result<string, CellRefusal> => {
  if (text === '' && column === 'position') return refused({ code: 'cell-empty' });
  return text.length > LONGEST[column]
    ? refused({ code: 'cell-too-long', longest: LONGEST[column] })
    : accepted(text);
};

const readDrive = (text: string): Result<Drive, CellRefusal> => {
  const drive = DRIVE_SPELLINGS.get(text.toLowerCase().replace(/\s+/g, '-') || 'slot');
  return drive ? accepted(drive) : refused({ code: 'unknown-drive', text: text.slice(0, 40), known: DRIVES });
};

const readCellRequirement = (
  line: TerminalLine,
  siteUnit: TorqueUnit,
  schools: Schools,
): Result<ReadRequirement, CellRefusal> => {
  const read = settledRequirement(line.readAs ?? line.cells.requirement ?? '', siteUnit);
  if (!read.ok) return read;
  // A class-based tolerance needs the tool, which is chosen later; any limit proves that the rest can be worked out.
  const target = targetAndAcceptance(read.value.requirement, schools, 0);
  return target.ok ? read : target;
};

/** Reads one line of a terminal list under the site's unit and schools. */
export const readTerminalLine = (source: TerminalLine, siteUnit: TorqueUnit, schools: Schools): ReadLine => {
  const { line, cells } = source;
  const findings: CellFinding[] = [];
  const take = <T>(column: TerminalColumn, result: Result<T, CellRefusal>): T | null => {
    if (result.ok) return result.value;
    findings.push({ line, column, refusal: result.refusal });
    return null;
  };
  const position = take('position', boundedText(cells.position ?? '', 'position'));
  const label = take('label', boundedText(cells.label ?? '', 'label'));
  const xMm = take('x_mm', readCoordinate(cells.x_mm ?? ''));
  const yMm = take('y_mm', readCoordinate(cells.y_mm ?? ''));
  const conductor = take('conductor', boundedText(cells.conductor ?? '', 'conductor'));
  const read = take('requirement', readCellRequirement(source, siteUnit, schools));
  const drive = take('drive', readDrive(cells.drive ?? ''));
  const isWhole =
    position !== null &&
    label !== null &&
    xMm !== null &&
    yMm !== null &&
    conductor !== null &&
    read !== null &&
    drive !== null;
  const fastener = isWhole
    ? {
        position,
        label,
        xMm,
        yMm,
        conductor,
        drive,
        driveAssumed: (cells.drive ?? '') === '',
        requirement: {
          printed: (cells.requirement ?? '').trim(),
          readAs: source.readAs,
          requirement: read.requirement,
          book: source.book ?? null,
        },
      }
    : null;
  return { source, read, fastener, findings };
};

/** Reads all lines and finds positions that stand twice. A list can be imported when no line has a finding. */
export const readTerminalLines = (
  lines: readonly TerminalLine[],
  siteUnit: TorqueUnit,
  schools: Schools,
): readonly ReadLine[] => {
  const firstLineOf = new Map<string, number>();
  return lines.map((source) => {
    const read = readTerminalLine(source, siteUnit, schools);
    const position = source.cells.position ?? '';
    const firstLine = firstLineOf.get(position);
    if (position === '' || firstLine === undefined) {
      firstLineOf.set(position, source.line);
      return read;
    }
    const refusal = { code: 'position-repeated', position, firstLine } as const;
    return {
      ...read,
      fastener: null,
      findings: [...read.findings, { line: source.line, column: 'position', refusal }],
    };
  });
};

/** The lines of a terminal list file. Refuses: every line that does not fit the header (TableRefusal). */
export const terminalLines = (
  text: string,
): Result<
  { readonly lines: readonly TerminalLine[]; readonly table: DelimitedTable<TerminalColumn> },
  readonly TableRefusal[]
> => {
  const table = delimitedTable<TerminalColumn>(text, TERMINAL_COLUMNS, ['drive']);
  if (!table.ok) return table;
  const lines = table.value.rows.map(({ line, cells }) => ({ line, cells, readAs: null }));
  return accepted({ lines, table: table.value });
};
