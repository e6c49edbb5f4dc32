import { readKeySpan } from '../lookup/key-span.ts';
import { readRequirement } from '../requirement/read-requirement.ts';

/** What one statement of a label says: texts as printed, empty where it says nothing. */
export type LabelStatement = {
  readonly conductor: string;
  readonly inchSize: string;
  readonly thread: string;
  readonly number: string;
  readonly count: string;
  readonly metal: string;
  readonly name: string;
  readonly value: string;
};

export const STATEMENT_KEYS = [
  'name',
  'conductor',
  'inchSize',
  'thread',
  'number',
  'count',
  'metal',
] as const;
export type StatementKey = (typeof STATEMENT_KEYS)[number];

const NOTHING: LabelStatement = {
  conductor: '',
  inchSize: '',
  thread: '',
  number: '',
  count: '',
  metal: '',
  name: '',
  value: '',
};

const isPlainNumber = (text: string): boolean =>
  /^\d+(?:[.,]\d+)?(?:\s*(?:-|–|to)\s*\d+(?:[.,]\d+)?)?$/.test(text);

/** Whether a text is a torque, or would be if its unit were said or put right. */
const isTorque = (text: string): 'clear' | 'doubtful' | 'no' => {
  const read = readRequirement(text, 'N.m');
  if (read.ok) return 'clear';
  const { code } = read.refusal;
  if (
    code === 'ambiguous-unit' ||
    code === 'ambiguous-torque' ||
    code === 'range-reversed' ||
    code === 'units-differ'
  )
    return 'doubtful';
  return code === 'no-unit' && isPlainNumber(text) ? 'doubtful' : 'no';
};

const trimmed = (text: string): string =>
  text
    .replace(/^[\s:,=;.–—-]+(?=\D|$)/, '')
    .replace(/[\s:,=;–—]+$/, '')
    .replace(/\s-$/, '')
    .trim();

/** Cuts a statement into its key and its torque: the longest end that is a torque, else the longest beginning. */
export const cutStatement = (text: string): { readonly key: string; readonly value: string } | null => {
  const tokens = [...text.matchAll(/[^\s:=]+[:=]?/g)];
  for (const wanted of ['clear', 'doubtful'] as const) {
    for (const token of tokens) {
      const value = text.slice(token.index).trim();
      if (isTorque(value) === wanted) return { key: trimmed(text.slice(0, token.index)), value };
    }
    for (const token of [...tokens].reverse()) {
      const end = token.index + token[0].length;
      const value = text
        .slice(0, end)
        .replace(/[:=,]$/, '')
        .trim();
      if (isTorque(value) === wanted && /\d/.test(value) && wanted === 'clear')
        return { key: trimmed(text.slice(end).replace(/^\s*(?:for|on|at)\s+/i, '')), value };
    }
  }
  return null;
};

type Taker = readonly [StatementKey, RegExp, ((match: RegExpExecArray) => string)?];

const AWG_SIZE = String.raw`(?:\d{1,4}(?:\s*\/\s*0)?)`;
const TO = String.raw`\s*(?:-|–|to|thru|through)\s*#?\s*`;
const METAL_WORD = '(?:cu|copper|al|alum|aluminum|aluminium)';

/** Readers of a key's parts, in order; each takes what it reads out of the text. */
const takers = (isOfConductors: boolean): readonly Taker[] => [
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
  ['conductor', /\d+(?:[.,]\d+)?(?:\s*(?:-|–|to)\s*\d+(?:[.,]\d+)?)?\s*(?:mm²|mm2|mm\^2|sq\.?\s*mm)/i],
  ['thread', /(?<![a-z0-9])m\s?\d{1,2}(?:[.,]\d)?(?:\s?[x×]\s?\d(?:[.,]\d{1,2})?)?(?![a-z0-9])/i],
  ['thread', /(?<![\d/])#?(?:\d{1,2}|\d{1,2}\/\d{1,2})-(?:18|20|24|28|32|36|40)(?!\d)(?:\s*un[cf])?/i],
  ['conductor', new RegExp(`(?<![\\w-])#\\s*${AWG_SIZE}(?:${TO}${AWG_SIZE})?(?!\\w)`, 'i')],
  ['conductor', /(?<![\d/])[1-4]\s*\/\s*0(?:\s*(?:-|–|to)\s*[1-4]\s*\/\s*0)?(?!\d)/],
  ['inchSize', /(?<![\d/])(?:\d{1,2}[\s-])?\d{1,2}\s*\/\s*\d{1,2}(?:\s*(?:in\.?|inch|["″]))?(?![\d/])/i],
  ['inchSize', /(?:^|(?<=\s))(?:dash\s*|-)\d{1,2}(?![\d.])/i],
  ['number', /\d+(?:[.,]\d+)?(?:\s*(?:-|–|to)\s*\d+(?:[.,]\d+)?)?\s*mm(?![²2^])\b/i],
  ...(isOfConductors
    ? ([['conductor', new RegExp(`(?<![\\w-])${AWG_SIZE}(?:${TO}${AWG_SIZE})?(?!\\w)`, 'i')]] as const)
    : []),
];

const COUNT_WORDS: Readonly<Record<string, string>> = { two: '2', three: '3', four: '4' };
const counted = (text: string): string => COUNT_WORDS[text.toLowerCase()] ?? text;

const isRead = (key: StatementKey, text: string): boolean => {
  const kinds = {
    conductor: 'conductor',
    inchSize: 'inch-size',
    thread: 'thread',
    number: 'number',
    metal: 'metal',
  } as const;
  return key === 'count' || key === 'name' || readKeySpan(kinds[key], text).ok;
};

/** Reads the parts of a key. What is left over is a name, such as the terminal it is for. */
export const keyParts = (text: string, isOfConductors: boolean): LabelStatement => {
  let rest = text;
  const parts: Record<string, string> = {};
  for (const [key, pattern, take] of takers(isOfConductors)) {
    if (parts[key]) continue;
    const match = pattern.exec(rest);
    if (!match) continue;
    const taken = take ? take(match) : (match[1] ?? match[0]).trim().replace(/\.$/, '');
    if (!isRead(key, taken)) continue;
    parts[key] = taken;
    rest = `${rest.slice(0, match.index)} ${rest.slice(match.index + match[0].length)}`;
  }
  const name = trimmed(
    rest
      .replace(/\b(?:wire|wires|conductors?|tube|size|for|torque|tighten|to)\b\.?/gi, ' ')
      .replace(/\s+/g, ' '),
  );
  return { ...NOTHING, ...parts, name: name.replace(/^[()\s]+$/, '') };
};

/** Cuts a line that states several torques, as `14-10 AWG 35 lb-in, 8 AWG 40 lb-in`, into its statements. */
export const statementsOf = (line: string): readonly string[] => {
  const pieces = line.split(/\s*;\s*|,\s+(?=\S)/);
  const isEach =
    pieces.length > 1 && pieces.every((piece) => cutStatement(piece) !== null && /\d\D+\d/.test(piece));
  return isEach ? pieces : [line];
};

/** Reads a statement in a line of its own; null where it holds no torque. */
export const labelStatement = (text: string, isOfConductors: boolean): LabelStatement | null => {
  const cut = cutStatement(text);
  return cut ? { ...keyParts(cut.key, isOfConductors), value: cut.value } : null;
};
