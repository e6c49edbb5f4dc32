import type { WrittenNumber } from '../../quantity/read-number.ts';
import { NUMBER_MAX_LENGTH, type NumberRefusal, readNumber } from '../../quantity/read-number.ts';
import { accepted, type Result, refused } from '../../result.ts';
import { GROUP_SPACE } from './plain-print.ts';

/** Which mark a text uses for decimals, as far as its other numbers tell; null where they don't. */
export type DecimalMark = '.' | ',' | null;

const NUMBER = new RegExp(
  String.raw`\d{1,3}(?:${GROUP_SPACE}\d{3})+(?:[.,]\d+)?|\d{1,3}(?:['’]\d{3})+(?!\d)(?:\.\d+)?|\d+(?:[.,]\d+)*|[.,]\d+`,
  'y',
);
const FRACTION_SIGNS: Readonly<Record<string, string>> = {
  '½': '.5',
  '¼': '.25',
  '¾': '.75',
  '⅛': '.125',
  '⅜': '.375',
  '⅝': '.625',
  '⅞': '.875',
};
const SIGN = /\s?([½¼¾⅛⅜⅝⅞])/y;
// Halves to sixteenths are exact in decimals; `5-1/2` can be no range, for it would run backwards.
const FRACTION = /[ -](\d{1,2})\s?\/\s?(2|4|8|16)(?![\d/.,])/y;
/** A comma or a point before three digits, which may mark thousands. */
const IS_DOUBTFUL = /^[1-9]\d{0,2}[.,]\d{3}$/;

/** A number where it stands in a text. */
export type NumberSpan = {
  readonly end: number;
  readonly number: Result<WrittenNumber, NumberRefusal>;
};

const plain = (text: string): Result<WrittenNumber, NumberRefusal> =>
  text.length > NUMBER_MAX_LENGTH
    ? refused({ code: 'not-a-number', text: text.slice(0, 40) })
    : accepted({ text, value: Number(text) });

const decimalOf = (raw: string, mark: DecimalMark): Result<WrittenNumber, NumberRefusal> => {
  const bare = raw.replace(/['’\u2009]/g, '');
  if (bare !== raw) return plain(bare.replace(',', '.'));
  if (!IS_DOUBTFUL.test(raw)) return readNumber(raw);
  const printed = raw.includes(',') ? ',' : '.';
  if (mark !== null) return plain(mark === printed ? raw.replace(',', '.') : raw.replace(/[.,]/, ''));
  const [whole = '', fraction = ''] = raw.split(/[.,]/);
  return refused({
    code: 'ambiguous-number',
    text: raw,
    candidates: [`${whole}.${fraction}`, `${whole}${fraction}`],
  });
};

const withFraction = (whole: string, fraction: string): Result<WrittenNumber, NumberRefusal> =>
  plain(`${whole}${fraction}`);

/** The number that starts at a place of a print (`5,5`, `7½`, `7 1/2`, `1’250`, `1 250`), or null where none does.
 *  Its refusals: not-a-number; ambiguous-number, for one mark before exactly three digits where no other number tells which it is. */
export const numberAt = (text: string, at: number, mark: DecimalMark): NumberSpan | null => {
  const alone = FRACTION_SIGNS[text[at] ?? ''];
  if (alone) return { end: at + 1, number: withFraction('0', alone) };
  NUMBER.lastIndex = at;
  const match = NUMBER.exec(text);
  if (!match) return null;
  const end = at + match[0].length;
  if (/^\d+$/.test(match[0])) {
    SIGN.lastIndex = end;
    const sign = SIGN.exec(text);
    if (sign)
      return {
        end: end + sign[0].length,
        number: withFraction(match[0], FRACTION_SIGNS[sign[1] ?? ''] ?? ''),
      };
    FRACTION.lastIndex = end;
    const fraction = FRACTION.exec(text);
    const share = fraction ? Number(fraction[1]) / Number(fraction[2]) : 1;
    if (fraction && share > 0 && share < 1 && Number(match[0]) > 0)
      return { end: end + fraction[0].length, number: withFraction(match[0], String(share).slice(1)) };
  }
  return { end, number: decimalOf(match[0], mark) };
};

const RUNS = /\d+(?:[.,]\d+)*|[.,]\d+/g;

/** The mark of decimals that the numbers of a text give away: one that no thousands can have. Two that differ give nothing away. */
export const decimalMark = (text: string): DecimalMark => {
  const marks = new Set<string>();
  for (const [raw] of text.matchAll(RUNS)) {
    if (IS_DOUBTFUL.test(raw)) continue;
    const found = raw.match(/[.,]/g) ?? [];
    if (found.length === 1) marks.add(found[0] as string);
    if (found.length > 1 && found[0] !== found.at(-1)) marks.add(found.at(-1) as string);
  }
  return marks.size === 1 ? ([...marks][0] as DecimalMark) : null;
};
