import { accepted, type Result, refused } from '../result.ts';

export type NumberRefusal =
  | { readonly code: 'not-a-number'; readonly text: string }
  | { readonly code: 'ambiguous-number'; readonly text: string; readonly candidates: readonly string[] };

/** A number as written: its digits with a decimal point, and what they say. */
export type WrittenNumber = { readonly text: string; readonly value: number };

/** Most characters a written number may have. */
export const NUMBER_MAX_LENGTH = 15;

const written = (text: string): Result<WrittenNumber, NumberRefusal> =>
  accepted({ text: text.startsWith('.') ? `0${text}` : text, value: Number(text) });

/** Reads an unsigned decimal number with a point or a comma (`5.5`, `5,5`, `.5`, `1,250.5`).
 *  Refuses: not-a-number; ambiguous-number, for one comma or point before exactly three digits after a comma (`1,250` may be 1.250 or 1250). */
export const readNumber = (raw: string): Result<WrittenNumber, NumberRefusal> => {
  const text = raw.trim();
  if (text.length > NUMBER_MAX_LENGTH || !/^(?:\d+(?:[.,]\d+)*|[.,]\d+)$/.test(text))
    return refused({ code: 'not-a-number', text: raw.slice(0, 40) });
  const marks = [...text].filter((mark) => mark === ',' || mark === '.');
  const last = Math.max(text.lastIndexOf(','), text.lastIndexOf('.'));
  const whole = text.slice(0, last).replace(/[.,]/g, '');
  const fraction = text.slice(last + 1);
  if (marks.length === 0) return written(text);
  if (marks.length === 1) {
    // A point is a decimal point in every trade text; a comma before three digits is a thousands mark in half of them.
    if (marks[0] === ',' && /^[1-9]\d{0,2}$/.test(whole) && fraction.length === 3)
      return refused({
        code: 'ambiguous-number',
        text,
        candidates: [`${whole}.${fraction}`, `${whole}${fraction}`],
      });
    return written(`${whole}.${fraction}`);
  }
  const groups = text.split(/[.,]/);
  const isGrouped = (parts: readonly string[]): boolean =>
    parts.every((part, index) => (index === 0 ? part.length <= 3 : part.length === 3));
  const sameMark = marks.every((mark) => mark === marks[0]);
  if (sameMark && isGrouped(groups)) return written(groups.join(''));
  const thousands = marks.slice(0, -1);
  if (
    thousands.every((mark) => mark === thousands[0] && mark !== marks.at(-1)) &&
    isGrouped(groups.slice(0, -1))
  )
    return written(`${whole}.${fraction}`);
  return refused({ code: 'not-a-number', text });
};
