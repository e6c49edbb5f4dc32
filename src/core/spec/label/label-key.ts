import { readKeySpan } from '../lookup/read-key-span.ts';

/** What the key of one statement says: texts as printed, empty where it says nothing. */
export type LabelKey = {
  readonly conductor: string;
  readonly inchSize: string;
  readonly thread: string;
  readonly number: string;
  readonly count: string;
  readonly metal: string;
  readonly name: string;
};

export const STATEMENT_KEYS = [
  'name',
  'conductor',
  'inchSize',
  'thread',
  'number',
  'count',
  'metal',
] as const satisfies readonly (keyof LabelKey)[];
export type StatementKey = (typeof STATEMENT_KEYS)[number];

/** What a label is about, by its words: conductors, screws, both or neither. It decides what a number sign before a size means. */
export type LabelSubject = { readonly isOfConductors: boolean; readonly isOfScrews: boolean };

// Sizes that no screw has: 16 gauge and thinner, the aughts, several conductors in one hole.
const ONLY_A_GAUGE = /#\s?(?:7|9|1[135-9]|2\d)\b|(?<!\d)[1-4]\/0(?!\d)|(?:\d\s?[x×]|\(\d\))\s?#/;
const BAND = /#\s?(\d+)\s?(?:[-‐-―−]|to|thru)\s?#?(\d+)(?!\d)/g;

/** Whether a label has a band that runs from thin to thick, as only gauges do: `#14-10`. */
const hasGaugeBand = (text: string): boolean =>
  [...text.matchAll(BAND)].some(([, thin, thick]) => Number(thin) > Number(thick));

const HAS_THREAD = /(?<![a-z0-9])m\d{1,2}(?![a-z0-9])|(?<![\d/])\d{1,2}\/\d{1,2}-\d{1,2}(?!\d)/i;

/** What a label is about. */
export const labelSubject = (text: string): LabelSubject => ({
  isOfConductors:
    /\b(?:awg|wires?|conductors?|cables?|kcmil|mcm|terminals?|lugs?|cu|al|copper|alum(?:inium|inum)?)\b|mm²|mm2/i.test(
      text,
    ) ||
    ONLY_A_GAUGE.test(text) ||
    hasGaugeBand(text),
  isOfScrews: /\b(?:screws?|bolts?|studs?|threads?|nuts?|capscrews?)\b/i.test(text) || HAS_THREAD.test(text),
});

const NOTHING: LabelKey = {
  conductor: '',
  inchSize: '',
  thread: '',
  number: '',
  count: '',
  metal: '',
  name: '',
};

export const trimmedKey = (text: string): string =>
  text
    .replace(/^[\s:,=;.|/–—-]+(?=\D|$)/, '')
    .replace(/[\s:,=;|–—]+$/, '')
    .replace(/\s[-/]$/, '')
    .trim();

type Taker = readonly [StatementKey, RegExp, ((match: RegExpExecArray) => string)?];

const AWG_SIZE = String.raw`(?:\d{1,4}(?:\s*\/\s*0)?)`;
const TO = String.raw`\s*(?:[-‐-―−…]|\.{2,3}|to|thru|through)\s*#?\s*`;
const METAL_WORD = '(?:cu|copper|al|alum|aluminum|aluminium)';
const FRACTION = String.raw`(?:\d{1,2}[\s-])?\d{1,2}\s*\/\s*\d{1,2}(?:\s*(?:in\.?|inch|["″]))?`;
// Where a bare number is a wire's size: first, or after a word that says so; after any other word it belongs to a name.
const BARE_PLACE = String.raw`(?:(?<=^[\s(]*)|(?<=\b(?:wires?|sizes?|gauge|conductors?|cables?|for|cu|al)[\s:]+)|(?<=[,/&]\s*))`;
// ASME B1.1: the numbered threads there are, coarse, fine and extra fine; `12-24` is a thread only where no gauge is meant.
const NUMBERED =
  '(?:0-80|1-64|1-72|2-56|2-64|3-48|3-56|4-40|4-48|5-40|5-44|6-32|6-40|8-32|8-36|10-24|10-32|12-24|12-28|12-32)';

/** Readers of a key's parts, in order; each takes what it reads out of the text. */
const takers = ({ isOfConductors, isOfScrews }: LabelSubject): readonly Taker[] => [
  ['count', /^\(?(\d|two|three|four)\)?\s*[x×]\s*(?=[#\d(m])/i, (match) => counted(match[1] ?? '')],
  ['count', /^(two|three|four)\s+(?=#)/i, (match) => counted(match[1] ?? '')],
  ['count', /^\((\d)\)\s*(?=[#\d])/i],
  ['count', /\b(\d|two|three|four)\s+(?:wires?|conductors?)\b/i, (match) => counted(match[1] ?? '')],
  [
    'metal',
    new RegExp(`\\b${METAL_WORD}(?:\\s*(?:/|or|and|-|&)\\s*${METAL_WORD})?(?:\\s+only)?\\b\\.?`, 'i'),
  ],
  ['conductor', new RegExp(`#?\\s*${AWG_SIZE}(?:\\s*awg)?${TO}${AWG_SIZE}\\s*(?:awg|kcmil|mcm)\\b`, 'i')],
  ['conductor', new RegExp(`\\b(?:awg|no\\.)\\s*#?${AWG_SIZE}(?:${TO}${AWG_SIZE})?(?!\\s*[-/]?\\d)`, 'i')],
  ['conductor', new RegExp(`#?\\s*${AWG_SIZE}\\s*(?:awg|kcmil|mcm|ga)\\b`, 'i')],
  [
    'conductor',
    /\d+(?:[.,]\d+)?(?:\s*(?:[-‐-―−…]|\.{2,3}|to)\s*\d+(?:[.,]\d+)?)?\s*(?:mm²|mm2|mm\^2|sq\.?\s*mm)/i,
  ],
  ['thread', /(?<![a-z0-9])m\s?\d{1,2}(?:[.,]\d)?(?:\s?[x×]\s?\d(?:[.,]\d{1,2})?)?(?![a-z0-9])/i],
  ['thread', new RegExp(`(?<![\\d/])#?${NUMBERED}(?!\\d)(?:\\s*un[cf])?`, 'i')],
  ['thread', /(?<![\d/])\d{1,2}\/[1-9]\d?\s?-\s?\d{1,2}(?![\d/])(?:\s*(?:un[cfr]?|unef))?/i],
  ['thread', /(?<![\d/])[1-4]\s?-\s?(?:8|7|6|5|4\.5|12|14|16)\s*un[cf]?\b/i],
  ...(isOfScrews && !isOfConductors
    ? []
    : ([['conductor', new RegExp(`(?<![\\w-])#\\s*${AWG_SIZE}(?:${TO}${AWG_SIZE})?(?!\\w)`, 'i')]] as const)),
  ['conductor', new RegExp(`(?<![\\d/])[1-4]\\s*/\\s*0(?:${TO}(?:[1-4]\\s*/\\s*0|\\d{1,2}))?(?!\\d)`)],
  [
    'inchSize',
    new RegExp(`(?<![\\d/])${FRACTION}\\s*(?:[-‐-―−]|to|thru|through)\\s*${FRACTION}(?![\\d/])`, 'i'),
  ],
  ['inchSize', new RegExp(`(?<![\\d/])${FRACTION}(?![\\d/])`, 'i')],
  ['inchSize', /(?:^|(?<=\s))(?:dash\s*|-)\d{1,2}(?![\d.])/i],
  ['number', /\d+(?:[.,]\d+)?(?:\s*(?:[-‐-―−…]|\.{2,3}|to)\s*\d+(?:[.,]\d+)?)?\s*mm(?![²2^])\b/i],
  ...(isOfConductors
    ? ([['conductor', new RegExp(`${BARE_PLACE}${AWG_SIZE}(?:${TO}${AWG_SIZE})?(?!\\w)`, 'i')]] as const)
    : []),
];

const COUNT_WORDS: Readonly<Record<string, string>> = { two: '2', three: '3', four: '4' };
const counted = (text: string): string => COUNT_WORDS[text.toLowerCase()] ?? text;

const KINDS = {
  conductor: 'conductor',
  inchSize: 'inch-size',
  thread: 'thread',
  number: 'number',
  metal: 'metal',
} as const;

const isRead = (key: StatementKey, text: string): boolean =>
  key === 'count' || key === 'name' || readKeySpan(KINDS[key], text).ok;

/** Reads the parts of a key. What is left over is a name, such as the terminal it is for. */
export const keyParts = (text: string, subject: LabelSubject): LabelKey => {
  let rest = text;
  const parts: Record<string, string> = {};
  for (const [key, pattern, take] of takers(subject)) {
    if (parts[key]) continue;
    // A bare number beside a size of another kind is no wire's.
    const isBare = pattern.source.startsWith(BARE_PLACE);
    if (isBare && (parts['thread'] || parts['inchSize'] || parts['number'])) continue;
    const match = pattern.exec(rest);
    if (!match) continue;
    const taken = take ? take(match) : (match[1] ?? match[0]).trim().replace(/\.$/, '');
    if (!isRead(key, taken)) continue;
    parts[key] = taken;
    rest = `${rest.slice(0, match.index)} ${rest.slice(match.index + match[0].length)}`;
  }
  const name = trimmedKey(
    rest.replace(/\b(?:wires?|conductors?|size|for|torque|tighten|to)\b\.?/gi, ' ').replace(/\s+/g, ' '),
  );
  return { ...NOTHING, ...parts, name: name.replace(/^(?:[()\s]+|tubes?)$/i, '') };
};

const SIZE_LIST =
  /^(.*?)((?:#?\d{1,4}(?:[.,]\d+)?(?:\/0)?\s*(?:,|&|and)\s*)+)(#?\d{1,4}(?:[.,]\d+)?(?:\/0)?)\s*(awg|kcmil|mcm|ga|mm²|mm2|mm)\b(.*)$/i;
const THREAD_LIST = /^(.*?)((?:m\d{1,2}\s*(?:,|&|and|\/)\s*)+)(m\d{1,2})(?![\dx×.])(.*)$/i;

/** A key that lists several sizes for one torque (`14, 12 & 10 AWG`, `M4, M5`) as one key for each. */
export const listedKeys = (key: string): readonly string[] => {
  const sizes = SIZE_LIST.exec(key);
  if (sizes) {
    const [, before = '', first = '', last = '', unit = '', after = ''] = sizes;
    return [...first.split(/,|&|and/i), last]
      .map((size) => size.trim())
      .filter(Boolean)
      .map((size) => `${before}${size} ${unit}${after}`);
  }
  const threads = THREAD_LIST.exec(key);
  if (!threads) return [key];
  const [, before = '', first = '', last = '', after = ''] = threads;
  return [...first.split(/,|&|and|\//i), last]
    .map((thread) => thread.trim())
    .filter(Boolean)
    .map((thread) => `${before}${thread}${after}`);
};

// A whole number after a word is a name's, as in `terminal 2`; after a letter it is a position's, as in `X1.2`.
const NAMED_NUMBER = /#\s?\d+\b|[a-z][a-z.]*(?:\d+(?:\.\d+)?|\s\d+(?![.,]?\d))[a-z]?(?:\s*[,&/-]\s*\d+)*/gi;
// What something was taken out of, or what counts something: brackets with nothing in them, a sign of multiplication by itself.
const TORN = /\(\s*[,;]?\s*\)|(?:^|\s)[x×](?=\s|$)/i;

/** Whether a key has a number or a bounding word left over in its name that nothing accounts for. */
export const hasLeftOver = ({ name }: LabelKey): boolean => {
  const rest = name.replace(NAMED_NUMBER, ' ');
  return /\d/.test(rest) || TORN.test(name) || /(?<![a-z])(?:max|min|turns?)(?![a-z])|[±°%<>≤≥]/i.test(name);
};

const SCREW_NUMBERS = /^(?:#|no\.?)\s*(?:[0-6]|8|1[024])$/i;

/** Whether a size with a number sign may as well be a screw's as a wire's. */
export const isScrewOrGauge = (
  { conductor }: LabelKey,
  { isOfConductors, isOfScrews }: LabelSubject,
): boolean => isOfConductors === isOfScrews && SCREW_NUMBERS.test(conductor);
