import type { DrawingRefusal } from './drawing-refusal.ts';

/** Whether the value of a group code is a number with a point. Source: DXF reference, group code value types (from memory). */
const isReal = (code: number): boolean =>
  (code >= 10 && code <= 59) ||
  (code >= 110 && code <= 149) ||
  (code >= 210 && code <= 239) ||
  (code >= 460 && code <= 469) ||
  (code >= 1010 && code <= 1059);

const MOST_SHOWN = 40;

/** What is wrong with a DXF as pairs of lines, a group code and its value, and where; null where nothing is. A library reads what follows, and would
 *  take a broken number for none.
 *  Refuses: dxf-code-wrong, dxf-number-wrong, dxf-cut-short. */
export const dxfFault = (text: string): DrawingRefusal | null => {
  const lines = text.split(/\r\n|\r|\n/);
  for (let at = 0; at < lines.length; at += 2) {
    const code = (lines[at] as string).trim();
    const value = lines[at + 1];
    if (!/^-?\d{1,4}$/.test(code))
      return code === '' && lines.slice(at).every((line) => line.trim() === '')
        ? { code: 'dxf-cut-short', line: at }
        : { code: 'dxf-code-wrong', line: at + 1, found: code.slice(0, MOST_SHOWN) };
    if (value === undefined) return { code: 'dxf-cut-short', line: at + 1 };
    if (code === '0' && value.trim() === 'EOF') return null;
    if (isReal(Number(code)) && (value.trim() === '' || !Number.isFinite(Number(value))))
      return {
        code: 'dxf-number-wrong',
        line: at + 2,
        group: Number(code),
        found: value.trim().slice(0, MOST_SHOWN),
      };
  }
  return { code: 'dxf-cut-short', line: lines.length };
};
