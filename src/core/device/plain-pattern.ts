import { accepted, type Result, refused } from '../result.ts';

/** What a pattern may name. */
const FIELDS = {
  number: '(\\d{1,9})',
  peak: '([-+]?\\d{1,7}(?:[.,]\\d{1,6})?)',
  unit: '(\\S{1,12})',
  angle: '([-+]?\\d{1,6}(?:[.,]\\d{1,3})?)',
  any: '[^\\r\\n]{0,40}?',
} as const;
type Field = keyof typeof FIELDS;
export const PATTERN_MAX_LENGTH = 120;
/** More that is passed over in one line would take long to look for. */
const ANY_MOST = 3;

export type PatternRefusal =
  | { readonly code: 'pattern-unreadable'; readonly at: string }
  | { readonly code: 'pattern-without-peak' }
  | { readonly code: 'pattern-without-unit' };

/** Reads the plain text of a tool into lines of the protocol; null for a line that the pattern does not fit. */
export type PlainReader = (text: string, atMs: number) => string | null;

/** Who the tool is, and what its pattern leaves unsaid. */
export type PlainTool = { readonly device: string; readonly unit: string | null };

const escaped = (text: string): string =>
  text
    .replaceAll(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`)
    // However many blanks a tool puts somewhere.
    .replaceAll(/\s+/g, String.raw`\s+`);

const numberOf = (text: string | undefined): number => Number((text ?? '').replace(',', '.'));

/** A reader for a tool that prints plain text, from a pattern such as `{number};{peak} {unit}`: names in braces are what is taken, `{any}` is passed over, the rest stands
 *  there as it is. Numbers are counted where the tool gives none.
 *  Refuses: pattern-unreadable (a name in braces that there is not, or one twice), pattern-without-peak, pattern-without-unit. */
export const plainReader = (pattern: string, tool: PlainTool): Result<PlainReader, PatternRefusal> => {
  const named: Field[] = [];
  let source = '';
  let passed = 0;
  for (const piece of pattern
    .slice(0, PATTERN_MAX_LENGTH)
    .trim()
    .split(/(\{[^}]*\}?)/)) {
    if (!piece.startsWith('{')) {
      source += escaped(piece);
      continue;
    }
    const name = piece.slice(1, -1);
    if (!piece.endsWith('}') || !Object.hasOwn(FIELDS, name) || named.includes(name as Field))
      return refused({ code: 'pattern-unreadable', at: piece });
    if (name === 'any') passed += 1;
    if (passed > ANY_MOST) return refused({ code: 'pattern-unreadable', at: piece });
    if (name !== 'any') named.push(name as Field);
    source += FIELDS[name as Field];
  }
  if (!named.includes('peak')) return refused({ code: 'pattern-without-peak' });
  if (!named.includes('unit') && tool.unit === null) return refused({ code: 'pattern-without-unit' });
  const shape = new RegExp(`^\\s*${source}\\s*$`);
  let count = 0;
  return accepted((text, atMs) => {
    const found = shape.exec(text.slice(0, 400));
    if (!found) return null;
    const taken = (field: Field): string | undefined => found[named.indexOf(field) + 1];
    count += 1;
    return JSON.stringify({
      kind: 'peak',
      device: tool.device,
      number: named.includes('number') ? numberOf(taken('number')) : count,
      at: atMs,
      unit: named.includes('unit') ? taken('unit') : tool.unit,
      peak: numberOf(taken('peak')),
      ...(named.includes('angle') ? { angle: numberOf(taken('angle')) } : {}),
    });
  });
};
