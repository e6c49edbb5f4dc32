import { type NumberRefusal, readNumber } from '../quantity/read-number.ts';
import { accepted, type Result, refused } from '../result.ts';
import type { UnresolvedRefusal } from '../spec/requirement/resolved-requirement.ts';
import {
  type ClassRefusal,
  PROPERTY_CLASSES,
  type PropertyClass,
  propertyClassOf,
} from '../spec/screw/property-class.ts';
import type { TargetRefusal } from '../target/target-and-acceptance.ts';
import { DRIVES, type Drive } from '../tool/drive.ts';
import type { Direction } from '../tool/tool.ts';
import { AMPERES_MAX } from './plan.ts';

/** Why a cell of a fastener list can't be taken as it is. */
export type CellRefusal =
  | UnresolvedRefusal
  | NumberRefusal
  | TargetRefusal
  | ClassRefusal
  | { readonly code: 'cell-empty' }
  | { readonly code: 'cell-too-long'; readonly longest: number }
  | { readonly code: 'coordinate-out-of-bounds'; readonly mostMm: number }
  | { readonly code: 'amperes-out-of-bounds'; readonly most: number }
  | { readonly code: 'position-repeated'; readonly position: string; readonly firstLine: number }
  | { readonly code: 'unknown-choice'; readonly text: string; readonly known: readonly string[] }
  | { readonly code: 'book-differs'; readonly book: string }
  | { readonly code: 'unknown-drive'; readonly text: string; readonly known: readonly Drive[] };

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

/** A coordinate; `assumed` where the list has no column for it. */
export const readCoordinate = (text: string | undefined, assumed: number): Result<number, CellRefusal> => {
  if (text === undefined) return accepted(assumed);
  if (text.trim() === '') return refused({ code: 'cell-empty' });
  const number = signedNumber(text.trim());
  if (!number.ok) return number;
  return Math.abs(number.value) > COORDINATE_MAX_MM
    ? refused({ code: 'coordinate-out-of-bounds', mostMm: COORDINATE_MAX_MM })
    : number;
};

/** A cell's text, bounded. */
export const boundedText = (text: string, longest: number, isNeeded = false): Result<string, CellRefusal> => {
  if (text === '' && isNeeded) return refused({ code: 'cell-empty' });
  return text.length > longest ? refused({ code: 'cell-too-long', longest }) : accepted(text);
};

/** What a bit engages, in any usual spelling; the kind's usual one where the cell is empty. */
export const readDrive = (text: string, usual: Drive): Result<Drive, CellRefusal> => {
  const drive = text === '' ? usual : DRIVE_SPELLINGS.get(text.toLowerCase().replace(/\s+/g, '-'));
  return drive ? accepted(drive) : refused({ code: 'unknown-drive', text: text.slice(0, 40), known: DRIVES });
};

/** One of a few words. What the book says holds: a list that says otherwise is asked about. */
export const readChoice = <T>(
  text: string,
  choices: Readonly<Record<string, T>>,
  inBook: T | null,
  bookWords: string,
): Result<T, CellRefusal> => {
  const known = Object.keys(choices);
  const choice = choices[text.toLowerCase()];
  if (text !== '' && choice === undefined)
    return refused({ code: 'unknown-choice', text: text.slice(0, 40), known });
  if (inBook === null) return accepted((choice ?? choices[known[0] ?? '']) as T);
  return text !== '' && choice !== inBook
    ? refused({ code: 'book-differs', book: bookWords })
    : accepted(inBook);
};

/** The strength class of the screw in hand; null where the cell is empty. */
export const readPropertyClass = (text: string): Result<PropertyClass | null, CellRefusal> => {
  const propertyClass = propertyClassOf(text);
  return text === '' || propertyClass
    ? accepted(propertyClass)
    : refused({ code: 'unknown-choice', text: text.slice(0, 40), known: PROPERTY_CLASSES });
};

/** A current in amperes, with or without its unit; null where the cell is empty. */
export const readAmperes = (text: string): Result<number | null, CellRefusal> => {
  if (text === '') return accepted(null);
  const read = readNumber(text.replace(/\s*a(mp(ere)?s?)?$/i, ''));
  if (!read.ok) return read;
  const { value } = read.value;
  return value > 0 && value <= AMPERES_MAX
    ? accepted(value)
    : refused({ code: 'amperes-out-of-bounds', most: AMPERES_MAX });
};

export const DIRECTION_CHOICES: Readonly<Record<string, Direction>> = { right: 'right', left: 'left' };
export const YES_NO: Readonly<Record<string, boolean>> = { no: false, yes: true };
