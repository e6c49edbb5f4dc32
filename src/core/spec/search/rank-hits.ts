import { type QueryTerm, queryTerms, searchTerms } from './search-terms.ts';

/** What of an entry is ranked: what is shown of it. */
export type Rankable = { readonly kind: string; readonly title: string; readonly detail: string };

// What a person who asks for a size is after, in this order; the others by how well they fit.
const KINDS: readonly string[] = ['requirement', 'table-row', 'tool', 'job', 'source'];
const METALS: readonly RegExp[] = [
  /^w_(?:copper|cu)$/,
  /^w_(?:alumin(?:i)?um|alum|al)$/,
  /^w_brass$/,
  /^w_steel$/,
  /^w_(?:stainless|inox)$/,
];

const has = (terms: readonly string[], { anyOf }: QueryTerm): 'whole' | 'begun' | 'no' => {
  const [first] = anyOf;
  if (first && terms.includes(first.term)) return 'whole';
  // What else it may be while it is typed, such as the number of a dash size, is never as good as the size.
  return anyOf.some(({ term, isOpen }) => isOpen && terms.some((each) => each.startsWith(term)))
    ? 'begun'
    : 'no';
};

const IN_TITLE = { whole: 6, begun: 4, no: 0 } as const;
const IN_DETAIL = { whole: 2, begun: 1, no: 0 } as const;
/** Less than one word found, more than a word found whole instead of begun. */
const OTHER_METAL = -3;

type Score = readonly [fits: number, words: number, kind: number];

const scoreOf = (entry: Rankable, query: readonly QueryTerm[]): Score => {
  const [title, detail] = [searchTerms(entry.title), searchTerms(entry.detail)];
  const found = query.reduce(
    (sum, term) => sum + Math.max(IN_TITLE[has(title, term)], IN_DETAIL[has(detail, term)]),
    0,
  );
  const others = METALS.filter(
    (metal) =>
      title.some((term) => metal.test(term)) &&
      !query.some(({ anyOf }) => anyOf.some(({ term }) => metal.test(term))),
  ).length;
  return [found + others * OTHER_METAL, -title.length, -KINDS.indexOf(entry.kind)];
};

/** What a query found, the likeliest first: what has all of its terms in its title before what has some, whole words before begun ones; a table
 *  that names a metal nobody asked for comes after one that names none; of two alike the one that says less beside. Stable. */
export const rankedHits = <H extends Rankable>(query: string, hits: readonly H[]): readonly H[] => {
  const terms = queryTerms(query);
  return hits
    .map((hit) => ({ hit, score: scoreOf(hit, terms) }))
    .sort((a, b) => b.score[0] - a.score[0] || b.score[2] - a.score[2] || b.score[1] - a.score[1])
    .map(({ hit }) => hit);
};
