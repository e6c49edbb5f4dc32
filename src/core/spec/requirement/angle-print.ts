/** Angles that start at a place of a print, in degrees, in the order they are turned. */
export type TurnSpan = { readonly end: number; readonly degrees: readonly number[] };

const FULL_TURN = 360;
const OF_A_TURN = String.raw`\s*-?\s*(?:of\s+(?:a|one)\s+)?(?:full\s+)?(?:turns?|rev(?:s|olutions?)?|umdrehung(?:en)?)(?![a-z])`;
const SIGNS: Readonly<Record<string, number>> = {
  '½': 1 / 2,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅙': 1 / 6,
  '⅚': 5 / 6,
  '⅛': 1 / 8,
};
const PARTS: Readonly<Record<string, number>> = {
  half: 2,
  halbe: 2,
  third: 3,
  drittel: 3,
  quarter: 4,
  viertel: 4,
  sixth: 6,
  sechstel: 6,
  eighth: 8,
  achtel: 8,
  twelfth: 12,
};
const COUNTS: Readonly<Record<string, number>> = { a: 1, an: 1, one: 1, two: 2, three: 3, five: 5 };

const FRACTION = new RegExp(String.raw`(?:(\d{1,2})[ -])?(\d{1,2})\s?\/\s?(\d{1,2})${OF_A_TURN}`, 'iy');
const SIGN = new RegExp(String.raw`(\d{1,2})?\s?([½⅓⅔¼¾⅙⅚⅛])${OF_A_TURN}`, 'iy');
const WHOLE = new RegExp(String.raw`(\d{1,2}(?:[.,]\d{1,2})?)${OF_A_TURN}`, 'iy');
const NAMED = new RegExp(
  String.raw`(?:(\d{1,2}|an?|one|two|three|five)[\s-]+)?(half|halbe|third|drittel|quarter|viertel|sixth|sechstel|eighth|achtel|twelfth)s?(?:${OF_A_TURN}|(?=\s*(?:$|[),;+])))`,
  'iy',
);
const TIMES = /([1-4])\s*[x×]\s*(\d{1,3}(?:[.,]\d+)?)\s*(?:°|º|deg(?:rees?)?)/iy;

const exact = (degrees: number): number => Number(degrees.toFixed(6));
const once = (match: RegExpExecArray, at: number, turns: number): TurnSpan => ({
  end: at + match[0].length,
  degrees: [exact(turns * FULL_TURN)],
});

const matched = (pattern: RegExp, text: string, at: number): RegExpExecArray | null => {
  pattern.lastIndex = at;
  return pattern.exec(text);
};

const TURN_WORDS =
  /turn|rev|umdreh|[½⅓⅔¼¾⅙⅚⅛x×]|hal[fb]|third|drittel|quarter|viertel|six|sechs|eight|achtel|twelf/i;

/** Whether a print has anything that a part of a turn is written with. */
export const hasTurnWords = (text: string): boolean => TURN_WORDS.test(text);

/** The part of a turn (`1/6 turn`, `¼ turn`, `two thirds of a turn`, `1 1/4 turns`, `2 × 90°`) at a place of a print; null where none is. */
export const turnAt = (text: string, at: number): TurnSpan | null => {
  const first = text[at] ?? '';
  if (!/[\d½⅓⅔¼¾⅙⅚⅛]/.test(first)) {
    if (!/[ahodtvsqef]/i.test(first) || /[a-z]/i.test(text[at - 1] ?? '')) return null;
    const named = matched(NAMED, text, at);
    return named ? once(named, at, countOf(named[1]) / partOf(named[2])) : null;
  }
  const fraction = matched(FRACTION, text, at);
  if (fraction && Number(fraction[3]) > 0)
    return once(fraction, at, Number(fraction[1] ?? 0) + Number(fraction[2]) / Number(fraction[3]));
  const sign = matched(SIGN, text, at);
  if (sign) return once(sign, at, Number(sign[1] ?? 0) + (SIGNS[sign[2] ?? ''] ?? 0));
  const times = matched(TIMES, text, at);
  if (times) {
    const degrees = exact(Number((times[2] ?? '').replace(',', '.')));
    return { end: at + times[0].length, degrees: Array.from({ length: Number(times[1]) }, () => degrees) };
  }
  const named = matched(NAMED, text, at);
  if (named) return once(named, at, countOf(named[1]) / partOf(named[2]));
  const whole = matched(WHOLE, text, at);
  return whole ? once(whole, at, Number((whole[1] ?? '').replace(',', '.'))) : null;
};

const countOf = (text = 'one'): number => COUNTS[text.toLowerCase()] ?? Number(text);
const partOf = (text = ''): number => PARTS[text.toLowerCase()] ?? 1;
