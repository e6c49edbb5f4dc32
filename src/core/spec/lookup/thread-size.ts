import { accepted, type Result, refused } from '../../result.ts';

/** A thread by its designation, with its diameter for ordering. */
export type ThreadSize = {
  readonly printed: string;
  /** One spelling for one thread: `M8`, `M8x1`, `10-32`, `1/4-28`. */
  readonly designation: string;
  readonly diameterMillimetres: number;
  /** Null where none is printed and the diameter has no coarse one. */
  readonly pitchMillimetres: number | null;
  readonly form: 'metric' | 'unified';
};

export type ThreadRefusal = { readonly code: 'unreadable-thread'; readonly text: string };

// ISO 261:1998, table 2, coarse pitches in millimetres: a metric thread written without a pitch is the coarse one.
const COARSE_PITCH: Readonly<Record<string, number>> = {
  '1': 0.25,
  '1.1': 0.25,
  '1.2': 0.25,
  '1.4': 0.3,
  '1.6': 0.35,
  '1.8': 0.35,
  '2': 0.4,
  '2.2': 0.45,
  '2.5': 0.45,
  '3': 0.5,
  '3.5': 0.6,
  '4': 0.7,
  '5': 0.8,
  '6': 1,
  '7': 1,
  '8': 1.25,
  '9': 1.25,
  '10': 1.5,
  '11': 1.5,
  '12': 1.75,
  '14': 2,
  '16': 2,
  '18': 2.5,
  '20': 2.5,
  '22': 2.5,
  '24': 3,
  '27': 3,
  '30': 3.5,
  '33': 3.5,
  '36': 4,
  '39': 4,
  '42': 4.5,
  '45': 4.5,
  '48': 5,
  '52': 5,
  '56': 5.5,
  '60': 5.5,
  '64': 6,
};
const INCH_MM = 25.4;
// ASME B1.1: a numbered size n has a diameter of 0.060 + 0.013·n inches. Numbered sizes have 24 threads to the inch or more; 1-8 is an inch.
const NUMBERED_FROM_PER_INCH = 24;
const numberedInches = (n: number): number => 0.06 + 0.013 * n;

const METRIC = /^m\s*(\d{1,2}(?:[.,]\d)?)(?:\s*[x×*-]\s*(\d(?:[.,]\d{1,2})?))?$/i;
const UNIFIED =
  /^(?:#|no\.?\s*)?(\d{1,2}(?:\s*\/\s*\d{1,2})?)(?:\s*in\.?|["″])?\s*[-–x×]\s*(\d{1,2})(?:\s*(?:un[cfr]?|unef|unj[cf])(?:-\d[ab])?)?$/i;

const plain = (digits: string): string => String(Number(digits.replace(',', '.')));

const metric = (printed: string, match: RegExpExecArray): ThreadSize => {
  const diameter = plain(match[1] ?? '');
  const coarse = COARSE_PITCH[diameter] ?? null;
  const pitch = match[2] === undefined ? coarse : Number(plain(match[2]));
  return {
    printed,
    designation: pitch === coarse ? `M${diameter}` : `M${diameter}x${pitch}`,
    diameterMillimetres: Number(diameter),
    pitchMillimetres: pitch,
    form: 'metric',
  };
};

const unified = (printed: string, match: RegExpExecArray): ThreadSize => {
  const size = (match[1] ?? '').replace(/\s/g, '');
  const [over = '0', under] = size.split('/');
  const perInch = Number(match[2]);
  const whole = perInch >= NUMBERED_FROM_PER_INCH ? numberedInches(Number(over)) : Number(over);
  const inches = under === undefined ? whole : Number(over) / Number(under);
  return {
    printed,
    designation: `${size}-${match[2]}`,
    diameterMillimetres: inches * INCH_MM,
    pitchMillimetres: INCH_MM / perInch,
    form: 'unified',
  };
};

/** Reads a thread: `M8`, `m 8`, `M8x1.25`, `M8 × 1`, `10-32`, `#10-32 UNF`, `1/4-28`. Refuses: unreadable-thread. */
export const readThreadSize = (raw: string): Result<ThreadSize, ThreadRefusal> => {
  const printed = raw.trim();
  const asMetric = METRIC.exec(printed);
  if (asMetric) return accepted(metric(printed, asMetric));
  const asUnified = UNIFIED.exec(printed);
  return asUnified
    ? accepted(unified(printed, asUnified))
    : refused({ code: 'unreadable-thread', text: printed.slice(0, 40) });
};
