import { readNumber } from '../../quantity/read-number.ts';
import { accepted, type Result, refused } from '../../result.ts';
import { gaugeOfArea, readConductorSize } from '../conductor/conductor-size.ts';
import { readInchSize } from './inch-size.ts';
import type { KeyKind, KeyRefusal, KeySpan } from './key-span.ts';
import { readThreadSize } from './thread-size.ts';

// Past 4/0 AWG (211.6 kcmil) a bare number on a list of conductors counts thousands of circular mils. Common practice.
const BARE_KCMIL_FROM = 212;

const RANGE = /\s*(?:\bto\b|\bthrough\b|\bthru\b|\.{2,3}|…|[-\u2010-\u2015−~])\s*/i;
const point = (value: number): KeySpan => ({ kind: 'band', low: value, high: value, isLowOpen: false });
const between = (a: number, b: number): KeySpan => ({
  kind: 'band',
  low: Math.min(a, b),
  high: Math.max(a, b),
  isLowOpen: false,
});

/** Splits `18-10` at its range mark; a mark that begins the text (`-6`) is none. */
const ends = (text: string): readonly string[] => {
  const rest = text.slice(1);
  const mark = RANGE.exec(rest);
  if (!mark || mark.index + mark[0].length >= rest.length) return [text];
  return [text.slice(0, mark.index + 1).trim(), rest.slice(mark.index + mark[0].length).trim()];
};

const CONDUCTOR_UNIT = /\s*(awg|ga|gauge|kcmil|mcm|mm2|mm²|mm\^2|sq\.?\s*mm|qmm)\.?$/i;

const bareIsKcmil = (size: string): string =>
  /^\d{3,4}$/.test(size) && Number(size) >= BARE_KCMIL_FROM ? `${size} kcmil` : size;

const conductorSpan = (text: string, columnUnit: string): Result<KeySpan, KeyRefusal> => {
  const bare = text.replace(/^(?:awg|#|no\.?|size)\s*/i, '');
  const isGauge = bare !== text;
  const unit = CONDUCTOR_UNIT.exec(bare)?.[1] ?? (isGauge || columnUnit === '' ? null : columnUnit);
  const areas: number[] = [];
  for (const end of ends(bare)) {
    const own = CONDUCTOR_UNIT.test(end) || /\/\s*0/.test(end);
    const size = readConductorSize(own ? end : unit ? `${end} ${unit}` : bareIsKcmil(end));
    if (!size.ok) return size;
    areas.push(
      (size.value.system === 'mm²' ? (gaugeOfArea(size.value) ?? size.value) : size.value).areaKcmil,
    );
  }
  const [a = 0, b = a] = areas;
  return accepted(between(a, b));
};

const inchSpan = (text: string): Result<KeySpan, KeyRefusal> => {
  const whole = readInchSize(text);
  if (whole.ok) return accepted(point(whole.value.inches));
  const sizes: number[] = [];
  for (const end of ends(text)) {
    const size = readInchSize(end);
    if (!size.ok) return whole;
    sizes.push(size.value.inches);
  }
  const [a = 0, b = a] = sizes;
  return accepted(between(a, b));
};

// Lengths stand on one axis, in millimetres; what else is behind a number only says what it counts.
const LENGTHS: Readonly<Record<string, number>> = { mm: 1, cm: 10, m: 1000, in: 25.4 };
const LENGTH_UNIT = /\s*(mm|cm|m|in(?:ch(?:es)?)?|["″])\.?$/i;
const COUNTED = /\s*(?:°|x|×|pcs|nm)\.?$/i;

const lengthOf = (unit: string): number | null => {
  const plain = unit.trim().toLowerCase().replace(/\.$/, '');
  return LENGTHS[/^(?:inch(?:es)?|["″])$/.test(plain) ? 'in' : plain] ?? null;
};

/** A number of a key on the axis of its column: a length in millimetres where either says so. Refuses: key-unit-differs. */
const numberOn = (
  end: string,
  ownOfAll: string | undefined,
  columnUnit: string,
): Result<number, KeyRefusal> => {
  const own = LENGTH_UNIT.exec(end)?.[1] ?? ownOfAll;
  const number = readNumber(end.replace(LENGTH_UNIT, '').replace(COUNTED, ''));
  if (!number.ok) return number;
  const [ofColumn, ofCell] = [lengthOf(columnUnit), own === undefined ? null : lengthOf(own)];
  // A length on an axis of something else is no neighbour of it.
  if (ofCell !== null && columnUnit !== '' && ofColumn === null)
    return refused({ code: 'key-unit-differs', text: end.slice(0, 40), unit: columnUnit });
  return accepted(number.value.value * (ofCell ?? ofColumn ?? 1));
};

const numberSpan = (text: string, columnUnit: string): Result<KeySpan, KeyRefusal> => {
  const [, upTo] = /^(?:up to|max\.?|≤|<=)\s*(.+)$/i.exec(text) ?? [];
  const [, over] = /^(?:over|above|>)\s*(.+)$/i.exec(text) ?? [];
  const ownOfAll = LENGTH_UNIT.exec(text)?.[1];
  const numbers: number[] = [];
  for (const end of ends(upTo ?? over ?? text)) {
    const number = numberOn(end, ownOfAll, columnUnit);
    if (!number.ok) return number;
    numbers.push(number.value);
  }
  const [a = 0, b = a] = numbers;
  if (upTo !== undefined) return accepted(between(0, a));
  if (over !== undefined)
    return accepted({
      kind: 'band',
      low: a,
      high: numbers.length > 1 ? b : Number.POSITIVE_INFINITY,
      isLowOpen: true,
    });
  return accepted(between(a, b));
};

const METALS: readonly (readonly [string, RegExp])[] = [
  ['copper', /\b(?:cu|copper)\b/i],
  ['aluminium', /\b(?:al|alum|aluminium|aluminum)\b/i],
];

const metalSpan = (text: string): Result<KeySpan, KeyRefusal> => {
  const names = METALS.filter(([, pattern]) => pattern.test(text)).map(([name]) => name);
  return names.length > 0
    ? accepted({ kind: 'names', names, order: null })
    : refused({ code: 'unreadable-metal', text: text.slice(0, 40) });
};

const threadSpan = (text: string): Result<KeySpan, KeyRefusal> => {
  const thread = readThreadSize(text);
  if (!thread.ok) return thread;
  const { designation, diameterMillimetres } = thread.value;
  return accepted({ kind: 'names', names: [designation], order: diameterMillimetres });
};

/** One spelling of a name: lower case, single spaces, no dash variants. */
export const plainName = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/[\u2010-\u2015−]/g, '-')
    .replace(/\s+/g, ' ');

const READERS: Record<KeyKind, (text: string, columnUnit: string) => Result<KeySpan, KeyRefusal>> = {
  conductor: conductorSpan,
  'inch-size': inchSpan,
  number: numberSpan,
  thread: threadSpan,
  metal: metalSpan,
  category: (text) => accepted({ kind: 'names', names: [plainName(text)], order: null }),
};

/** Reads what a key cell covers. An empty cell, `any` or `all` covers anything. A conductor without a unit takes its column's, and is a
 *  gauge where that has none. Refuses: what the readers of the kinds refuse. */
export const readKeySpan = (kind: KeyKind, raw: string, columnUnit = ''): Result<KeySpan, KeyRefusal> => {
  const text = raw.trim();
  if (/^(?:|any|all|\*)$/i.test(text)) return accepted({ kind: 'any' });
  return READERS[kind](text, columnUnit);
};

/** Reads one answer to a key's question: a point or a name, never "any". Refuses: key-empty and what readKeySpan refuses. */
export const readKeyAnswer = (kind: KeyKind, raw: string, columnUnit = ''): Result<KeySpan, KeyRefusal> =>
  raw.trim() === '' ? refused({ code: 'key-empty' }) : readKeySpan(kind, raw, columnUnit);
