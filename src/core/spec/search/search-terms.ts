import { readThreadSize } from '../lookup/thread-size.ts';

/** What a search looks for: terms of which any may stand in an entry, the last letters of a word not yet typed where `isOpen`. */
export type QueryTerm = { readonly anyOf: readonly { readonly term: string; readonly isOpen: boolean }[] };

/** Longest query read, in characters. */
export const QUERY_MAX_LENGTH = 100;
const TERMS_MAX = 8;
const DASH_PER_INCH = 16;

type Size = {
  readonly terms: readonly string[];
  readonly start: number;
  readonly end: number;
  readonly raw: string;
};
type Reader = readonly [RegExp, (match: RegExpExecArray) => readonly string[]];

/** Terms hold letters, digits and underscores only, and start with a letter and an underscore: every full-text index takes them whole,
 *  however short the size they stand for. */
const safe = (text: string): string =>
  text
    .replace(/\./g, 'p')
    .replace(/\//g, 'z')
    .replace(/[^a-z0-9_]/g, '_');
const size = (name: string): string => `s_${safe(name)}`;
const word = (text: string): string => `w_${safe(text)}`;
const number = (text = ''): string => String(Number(text.replace(',', '.')));
const inches = (value: number): string => size(`i${Number(value.toFixed(4))}`);

/** A metric thread's diameter, and the thread itself where its pitch is not the coarse one. */
const metricThread = (text: string): readonly string[] => {
  const thread = readThreadSize(text);
  if (!thread.ok) return [];
  const { designation, diameterMillimetres } = thread.value;
  return [...new Set([size(`m${diameterMillimetres}`), size(designation.toLowerCase())])];
};

// The most telling term of a size stands last. One size has one term however it is spelled: `M8`, `m 8`, `8 mm`; `#10`, `10 AWG`; `-6`, `dash 6`, `3/8`.
const READERS: readonly Reader[] = [
  [
    /(?<![a-z0-9])m\s?(\d{1,2}(?:[.,]\d)?)\s?[x×]\s?(\d(?:[.,]\d{1,2})?)(?![a-z0-9])/g,
    (match) => metricThread(match[0]),
  ],
  [/(?<![a-z0-9])m\s?(\d{1,2}(?:[.,]\d)?)(?![a-z0-9.,])/g, ([, d]) => [size(`m${number(d)}`)]],
  [
    /(?<![a-z0-9/])#?(\d{1,2}|\d{1,2}\/\d{1,2})\s?-\s?(1[1-8]|20|24|28|32|36|40|44|48|56|64|72|80)(?![a-z0-9/])/g,
    ([, d, n]) => [...(d?.includes('/') ? [] : [size(`g${d}`)]), size(`u${d}_${n}`)],
  ],
  [/(?<![a-z0-9])(\d{1,4}(?:[.,]\d+)?)\s?(?:mm²|mm2|mm\^2|sq\.?\s?mm)/g, ([, a]) => [size(`a${number(a)}`)]],
  [/(?<![a-z0-9])(\d{1,3}(?:[.,]\d)?)\s?mm(?![a-z0-9²^])/g, ([, d]) => [size(`m${number(d)}`)]],
  [/(?<![a-z0-9])(\d{3,4})\s?(?:kcmil|mcm)(?![a-z0-9])/g, ([, k]) => [size(`k${k}`)]],
  [/(?<![a-z0-9])#?([1-4])\/0(?:\s?awg)?(?![a-z0-9])/g, ([, n]) => [size(`g${n}z0`)]],
  [/(?<![a-z0-9])(?:awg\s?|#\s?|no\.?\s?)(\d{1,2})(?![a-z0-9/])/g, ([, n]) => [size(`g${n}`)]],
  [/(?<![a-z0-9/])(\d{1,2})\s?(?:awg|ga)(?![a-z0-9])/g, ([, n]) => [size(`g${n}`)]],
  [
    /(?<![a-z0-9])(?:dash\s?|(?<=^|\s)-)(\d{1,2})(?![a-z0-9/])/g,
    ([, n]) => [inches(Number(n) / DASH_PER_INCH)],
  ],
  [
    /(?<![a-z0-9/])(?:(\d{1,2})[\s-])?(\d{1,2})\/([1-9]\d?)(?:\s?(?:in(?:ch)?|["″]))?(?![a-z0-9/])/g,
    ([, whole = '0', over, under]) => [inches(Number(whole) + Number(over) / Number(under))],
  ],
];

// The square of mm² must outlive the folding of marks and signs.
const plain = (text: string): string =>
  text
    .normalize('NFC')
    .replace(/²/g, '^2')
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[‐−–—]/g, '-')
    .toLowerCase();

const sizesIn = (text: string): readonly Size[] => {
  const found: Size[] = [];
  for (const [pattern, terms] of READERS) {
    for (const match of text.matchAll(pattern)) {
      const start = match.index;
      const end = start + match[0].length;
      const isTaken = found.some((each) => start < each.end && end > each.start);
      if (!isTaken) found.push({ terms: terms(match), start, end, raw: match[0] });
    }
  }
  return found;
};

const without = (text: string, sizes: readonly Size[]): string =>
  sizes.reduce(
    (rest, { start, end }) => rest.slice(0, start) + ' '.repeat(end - start) + rest.slice(end),
    text,
  );

const wordsIn = (text: string): readonly string[] => text.match(/[a-z0-9]+/g) ?? [];

/** The terms an entry is found by: its sizes, and every word as it stands. */
export const searchTerms = (raw: string): readonly string[] => {
  const text = plain(raw);
  return [...new Set([...sizesIn(text).flatMap(({ terms }) => terms), ...wordsIn(text).map(word)])];
};

/** What a query looks for: all of its terms must be in an entry. A size may also be the beginning of another while it is typed. */
export const queryTerms = (raw: string): readonly QueryTerm[] => {
  const text = plain(raw.slice(0, QUERY_MAX_LENGTH));
  const sizes = [...sizesIn(text)].sort((a, b) => a.start - b.start);
  const blanked = without(text, sizes);
  const isLast = (end: number): boolean => text.slice(end).trim() === '';
  const ofSizes = sizes.map(({ terms, end, raw: typed }) => {
    const exact = { term: terms.at(-1) as string, isOpen: false };
    const letters = wordsIn(typed);
    const begun =
      letters.length === 1 && isLast(end) ? [{ term: word(letters[0] as string), isOpen: true }] : [];
    return { anyOf: [exact, ...begun] };
  });
  const ofWords = wordsIn(blanked).map((each) => ({ anyOf: [{ term: word(each), isOpen: true }] }));
  return [...ofSizes, ...ofWords].slice(0, TERMS_MAX);
};

/** Whether a term of a query is a size. */
export const isSizeTerm = ({ anyOf }: QueryTerm): boolean => anyOf.some(({ term }) => term.startsWith('s_'));

/** The longest of a query's terms: what tells most where nothing has all of them. There must be one. */
export const longestTerm = (terms: readonly QueryTerm[]): QueryTerm => {
  const length = ({ anyOf }: QueryTerm): number => anyOf[0]?.term.length ?? 0;
  return terms.reduce((longest, term) => (length(term) > length(longest) ? term : longest));
};

/** The words and the sizes of a text, each once and in a fixed order, for telling whether two texts name the same thing. */
export const namesAndSizes = (
  raw: string,
): { readonly names: readonly string[]; readonly sizes: readonly string[] } => {
  const text = plain(raw);
  const found = sizesIn(text);
  const blanked = without(text, found);
  return {
    names: [...new Set(wordsIn(blanked).map(word))].sort(),
    sizes: [...new Set(found.map(({ terms }) => terms.at(-1) as string))].sort(),
  };
};
