import { displayDigits } from '#core/quantity/display.ts';
import type { KeyKind, KeySpan } from '#core/spec/lookup/key-span.ts';
import type { ReadValue } from '#core/spec/lookup/lookup-table.ts';
import { requirementWords } from './requirement.ts';

/** The names of kinds of key. */
export const KEY_KIND_WORDS: Record<KeyKind, string> = {
  conductor: 'conductor size (AWG, kcmil, mm²)',
  'inch-size': 'size in inches (3/8, -6)',
  number: 'number',
  thread: 'thread',
  metal: 'metal',
  category: 'name',
};

const short = (value: number): string => displayDigits(value, { sourceDigits: 2, graduation: null });

/** What a key cell was read as: "1.62 to 10.4 kcmil", "M8", "any". */
export const spanWords = (kind: KeyKind, span: KeySpan): string => {
  if (span.kind === 'any') return 'any';
  if (span.kind === 'names') return span.names.join(' or ');
  const unit = { conductor: ' kcmil', 'inch-size': ' in' }[kind as 'conductor'] ?? '';
  if (span.low === span.high) return `${short(span.low)}${unit}`;
  if (span.high === Number.POSITIVE_INFINITY) return `over ${short(span.low)}${unit}`;
  return `${span.isLowOpen ? 'over ' : ''}${short(span.low)} to ${short(span.high)}${unit}`;
};

/** What a value cell was read as. */
export const valueWords = (value: ReadValue): string => {
  if (value === null) return 'none printed';
  return value.kind === 'text' ? value.text : requirementWords(value.read.requirement);
};
