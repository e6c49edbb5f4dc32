import type { NumberRefusal } from '../../quantity/read-number.ts';
import type { ConductorRefusal } from '../conductor/conductor-size.ts';
import type { InchSizeRefusal } from './inch-size.ts';
import type { ThreadRefusal } from './thread-size.ts';

/** What a key column holds: ordered sizes of conductors (AWG, kcmil and mm² on one axis), of tubes and keys in inches, numbers with a
 *  unit, threads, metals, or names. */
export const KEY_KINDS = ['conductor', 'inch-size', 'number', 'thread', 'metal', 'category'] as const;
export type KeyKind = (typeof KEY_KINDS)[number];

/** What a key cell covers: anything, a band of an ordered axis (limits inclusive unless open), or names. */
export type KeySpan =
  | { readonly kind: 'any' }
  | { readonly kind: 'band'; readonly low: number; readonly high: number; readonly isLowOpen: boolean }
  | { readonly kind: 'names'; readonly names: readonly string[]; readonly order: number | null };

export type KeyRefusal =
  | ConductorRefusal
  | InchSizeRefusal
  | ThreadRefusal
  | NumberRefusal
  | { readonly code: 'unreadable-metal'; readonly text: string }
  | { readonly code: 'key-unit-differs'; readonly text: string; readonly unit: string }
  | { readonly code: 'key-empty' };

/** Widest relative gap at which two sizes are one: what conversions of printed digits leave. A metric area printed to a tenth of a square
 *  millimetre is made the gauge's own before it is compared. */
const SAME_SIZE = 2e-3;
/** Whether a cell covers an answer. Sizes within 0.2 % are one size. */
export const spanCovers = (cell: KeySpan, answer: KeySpan): boolean => {
  if (cell.kind === 'any') return true;
  if (cell.kind === 'names' && answer.kind === 'names')
    return answer.names.every((name) => cell.names.includes(name));
  if (cell.kind !== 'band' || answer.kind !== 'band') return false;
  const isAbove = cell.isLowOpen
    ? answer.low > cell.low * (1 + SAME_SIZE)
    : answer.low >= cell.low * (1 - SAME_SIZE);
  return isAbove && answer.high <= cell.high * (1 + SAME_SIZE);
};

/** How far an answer is from a cell on an ordered axis, below zero where the cell lies under it; null where there is no order. */
export const spanDistance = (cell: KeySpan, answer: KeySpan): number | null => {
  const at = (span: KeySpan, end: 'low' | 'high'): number | null =>
    span.kind === 'band' ? span[end] : span.kind === 'names' ? span.order : null;
  const [low, high, value] = [at(cell, 'low'), at(cell, 'high'), at(answer, 'low')];
  if (low === null || high === null || value === null) return null;
  if (value < low) return low - value;
  return value > high ? high - value : 0;
};

/** A text that two cells share when they cover the same. */
export const spanIdentity = (span: KeySpan): string => {
  if (span.kind === 'any') return 'any';
  if (span.kind === 'names') return [...span.names].sort().join('/');
  return `${span.isLowOpen ? '>' : ''}${span.low.toPrecision(4)}..${span.high.toPrecision(4)}`;
};
