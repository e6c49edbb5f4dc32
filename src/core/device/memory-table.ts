import Papa from 'papaparse';
import { readNumber } from '../quantity/read-number.ts';
import type { TorqueUnit } from '../quantity/unit.ts';
import { torqueUnitsIn } from '../quantity/unit-spelling.ts';
import { accepted, type Result, refused } from '../result.ts';
import { deviceUnit } from './device-line.ts';

/** Most of a tool's memory that is read at once. */
export const MEMORY_MOST_BYTES = 8_000_000;
export const MEMORY_MOST_ROWS = 50_000;
const COLUMNS_MOST = 60;

export const DAY_ORDERS = ['year-month-day', 'day-month-year', 'month-day-year'] as const;
export type DayOrder = (typeof DAY_ORDERS)[number];

/** Which column of a memory says what. Columns by their names; null for what it does not say. */
export type MemoryMapping = {
  readonly time: string;
  /** The day, where it has a column of its own. */
  readonly day: string | null;
  readonly torque: string;
  readonly unitColumn: string | null;
  /** The unit of all of them, where no column says it. */
  readonly unit: TorqueUnit | null;
  readonly number: string | null;
  readonly angle: string | null;
  readonly dayOrder: DayOrder | null;
  /** Whether its clock goes by UTC, or as the clock on the wall; in minutes that the wall is ahead of UTC. */
  readonly aheadMinutes: number;
};

export type MemoryTable = {
  readonly header: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** What stands between two cells. */
  readonly separator: string;
};

export type MemoryRefusal =
  | { readonly code: 'memory-too-large'; readonly most: number }
  | { readonly code: 'memory-empty' }
  | { readonly code: 'memory-columns-repeated'; readonly column: string };

/** Reads the memory of a tool as it came out of it: CSV by RFC 4180, with any usual separator, its first line naming the columns.
 *  Refuses: memory-too-large, memory-empty, memory-columns-repeated. */
export const memoryTable = (text: string): Result<MemoryTable, MemoryRefusal> => {
  if (text.length > MEMORY_MOST_BYTES) return refused({ code: 'memory-too-large', most: MEMORY_MOST_ROWS });
  const { data, meta } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [header = [], ...rows] = data;
  if (rows.length === 0 || header.length < 2) return refused({ code: 'memory-empty' });
  if (rows.length > MEMORY_MOST_ROWS || header.length > COLUMNS_MOST)
    return refused({ code: 'memory-too-large', most: MEMORY_MOST_ROWS });
  const names = header.map((name, at) => name.trim().slice(0, 60) || `column ${at + 1}`);
  const repeated = names.find((name, at) => names.indexOf(name) !== at);
  return repeated === undefined
    ? accepted({ header: names, rows, separator: meta.delimiter })
    : refused({ code: 'memory-columns-repeated', column: repeated });
};

const STAMP =
  /^(?:(\d{1,4})[-./](\d{1,2})[-./](\d{1,4})[T ,]+)?(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,](\d{1,6}))?)?\s*(Z|[+-]\d{2}:?\d{2}|[AaPp][Mm])?$/;

const dayParts = (text: string): readonly [number, number, number] | null => {
  const parts = /^(\d{1,4})[-./](\d{1,2})[-./](\d{1,4})/.exec(text.trim());
  return parts ? [Number(parts[1]), Number(parts[2]), Number(parts[3])] : null;
};

/** How the days of a memory are written, by what can't be a month; null where all of them could be either. */
export const dayOrderOf = (texts: readonly string[]): DayOrder | null => {
  let order: DayOrder | null = null;
  for (const text of texts) {
    const parts = dayParts(text);
    if (!parts) continue;
    if (parts[0] > 31) return 'year-month-day';
    if (parts[0] > 12) order = 'day-month-year';
    else if (parts[1] > 12) order = 'month-day-year';
    if (order) return order;
  }
  return null;
};

/** The mapping that the names of the columns and the first lines suggest; a person says whether it is so. */
export const suggestedMapping = ({ header, rows }: MemoryTable, aheadMinutes: number): MemoryMapping => {
  const named = (pattern: RegExp): string | null => header.find((name) => pattern.test(name)) ?? null;
  const day = named(/^(?:date|day)$/i);
  const time = named(/^time$/i) ?? named(/time|stamp|clock|^date|\bat$/i) ?? header[0] ?? '';
  const torque = named(/torque|peak|reading|result|value/i) ?? header[1] ?? '';
  const [unit, ...others] = torqueUnitsIn(torque);
  const hasDay = day !== null && day !== time;
  const column = header.indexOf(hasDay ? day : time);
  return {
    time,
    day: hasDay ? day : null,
    torque,
    unitColumn: named(/^units?$|torque unit/i),
    unit: unit && others.length === 0 ? unit : null,
    number: named(/^(?:no\.?|nr\.?|#|number|id|index|record|count)$/i),
    angle: named(/angle|degree/i),
    dayOrder: dayOrderOf(rows.map((row) => row[column] ?? '')),
    aheadMinutes,
  };
};

/** One pull out of a tool's memory. */
export type MemoryReading = {
  /** The line in the file, counted from 2 under its header. */
  readonly line: number;
  /** Milliseconds since 1970 by the tool's clock. */
  readonly at: number;
  readonly number: number;
  readonly text: string;
  readonly value: number;
  readonly unit: TorqueUnit;
  readonly angleDegrees: number | null;
};

/** A line that can't be read, and what of it. */
export type MemoryFault = {
  readonly line: number;
  readonly code: 'no-time' | 'no-torque' | 'no-unit' | 'no-angle' | 'doubled';
  readonly text: string;
};

const ORDER_OF: Readonly<Record<DayOrder, readonly [number, number, number]>> = {
  'year-month-day': [0, 1, 2],
  'day-month-year': [2, 1, 0],
  'month-day-year': [2, 0, 1],
};

const zoneMinutes = (zone: string | undefined, aheadMinutes: number): number => {
  if (zone === undefined || /m/i.test(zone)) return aheadMinutes;
  if (zone === 'Z') return 0;
  const digits = zone.replace(':', '');
  return (zone.startsWith('-') ? -1 : 1) * (Number(digits.slice(1, 3)) * 60 + Number(digits.slice(3, 5)));
};

/** The instant that a memory's text says, in milliseconds since 1970; null where it says none. */
const instantOf = (text: string, { dayOrder, aheadMinutes }: MemoryMapping): number | null => {
  const found = STAMP.exec(text.trim());
  const parts = dayParts(text);
  if (!found || !parts || !dayOrder) return null;
  const [yearAt, monthAt, dayAt] = ORDER_OF[dayOrder];
  const [year, month, day] = [parts[yearAt] as number, parts[monthAt] as number, parts[dayAt] as number];
  const [, , , , hourText, minuteText, secondText = '0', fraction = '0', zone] = found;
  const half = zone && /m/i.test(zone) ? zone.toLowerCase() : null;
  if (half && (Number(hourText) < 1 || Number(hourText) > 12)) return null;
  const hour = (Number(hourText) % (half ? 12 : 24)) + (half === 'pm' ? 12 : 0);
  const whole = year < 100 ? 2000 + year : year;
  const milliseconds = Math.round(Number(`0.${fraction}`) * 1_000);
  const at = Date.UTC(whole, month - 1, day, hour, Number(minuteText), Number(secondText), milliseconds);
  const isDay = new Date(at).getUTCDate() === day && month >= 1 && month <= 12;
  if (!isDay || Number(hourText) > 23 || Number(minuteText) > 59 || Number(secondText) > 60) return null;
  return at - zoneMinutes(zone, aheadMinutes) * 60_000;
};

/** The number of a cell and the unit that is written behind it, empty where none is. */
const apart = (cell: string): readonly [string, string] => {
  const [, digits = cell, unit = ''] = /^([\d.,]+)\s*([^\d.,\s].*)$/.exec(cell) ?? [];
  return [digits, unit];
};

/** Whether a column's commas stand before decimals: where one of them can stand for nothing else, or where the cells are parted by semicolons, as they are because the comma is
 *  taken (common practice). One that is read wrongly for it is a thousand times off, and like no fastener. */
const isDecimalComma = ({ rows, separator }: MemoryTable, column: number): boolean => {
  const numbers = rows.map((row) => apart((row[column] ?? '').trim())[0]);
  if (numbers.some((digits) => digits.includes('.'))) return false;
  return separator === ';' || numbers.some((digits) => /^(?:0?,\d+|\d+,(?:\d{1,2}|\d{4,}))$/.test(digits));
};

/** The pulls of a tool's memory in the order they were made, and the lines that can't be read or came twice. */
export const memoryReadings = (
  table: MemoryTable,
  mapping: MemoryMapping,
): { readonly readings: readonly MemoryReading[]; readonly faults: readonly MemoryFault[] } => {
  const { header, rows } = table;
  const place = (name: string | null): number => (name === null ? -1 : header.indexOf(name));
  const at = {
    time: place(mapping.time),
    day: place(mapping.day),
    torque: place(mapping.torque),
    unit: place(mapping.unitColumn),
    number: place(mapping.number),
    angle: place(mapping.angle),
  };
  const units = new Map<string, TorqueUnit | null>();
  const unitOf = (text: string): TorqueUnit | null => {
    if (!units.has(text)) units.set(text, deviceUnit(text));
    return units.get(text) ?? null;
  };
  const hasComma = isDecimalComma(table, at.torque);
  const readings: MemoryReading[] = [];
  const faults: MemoryFault[] = [];
  const seen = new Set<string>();
  for (const [index, row] of rows.entries()) {
    const cell = (column: number): string => (column < 0 ? '' : (row[column] ?? '')).trim().slice(0, 60);
    const line = index + 2;
    const stamp = at.day < 0 ? cell(at.time) : `${cell(at.day)} ${cell(at.time)}`;
    const when = instantOf(stamp, mapping);
    const [digits, unitBehind] = apart(cell(at.torque));
    const torque = readNumber(hasComma ? digits.replace(/^(\d*),(\d+)$/, '$1.$2') : digits);
    const unitBeside = at.unit < 0 ? mapping.unit : unitOf(cell(at.unit));
    const unit = unitBehind === '' ? unitBeside : unitOf(unitBehind);
    const isUnit = unit !== null && (unitBeside === null ? at.unit < 0 : unit === unitBeside);
    const counted = Number(cell(at.number));
    const number = at.number >= 0 && Number.isSafeInteger(counted) && counted >= 0 ? counted : line;
    const angleText = cell(at.angle).replace(/\s*°$/, '');
    const angle = Number(angleText.replace(',', '.'));
    if (when === null) faults.push({ line, code: 'no-time', text: stamp });
    else if (!torque.ok || torque.value.value <= 0)
      faults.push({ line, code: 'no-torque', text: cell(at.torque) });
    else if (!isUnit) faults.push({ line, code: 'no-unit', text: `${unitBehind} ${cell(at.unit)}`.trim() });
    else if (!Number.isFinite(angle)) faults.push({ line, code: 'no-angle', text: cell(at.angle) });
    else {
      const key = `${when} ${torque.value.text} ${at.number < 0 ? '' : number}`;
      if (seen.has(key)) faults.push({ line, code: 'doubled', text: stamp });
      else {
        seen.add(key);
        const { text, value } = torque.value;
        const angleDegrees = angleText === '' ? null : angle;
        readings.push({ line, at: when, number, text, value, unit, angleDegrees });
      }
    }
  }
  readings.sort((a, b) => a.at - b.at || a.line - b.line);
  return { readings, faults };
};
