import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { readRequirementLine, requirementLines } from '#core/spec/book/requirement-list.ts';
import { type Source, sourceName } from '#core/spec/book/source.ts';
import { readSourceLine, sourceLines } from '#core/spec/book/source-list.ts';
import { readLabel } from '#core/spec/label/read-label.ts';
import { PUBLISHED_TABLES } from '#core/spec/lookup/published/published-tables.ts';
import { rankedHits } from '#core/spec/search/rank-hits.ts';
import { type QueryTerm, queryTerms, searchTerms } from '#core/spec/search/search-terms.ts';
import type { SearchEntry } from '#server/queries/search-entries.ts';
import { requirementEntries, tableEntries } from '#server/services/site-search.ts';
import { inProject } from '../../scripts/site/paths.ts';

// What the search knows of the demo's book and the published tables, asked as people type: each query with the answer wanted first.
const text = (...path: readonly string[]): string => readFileSync(inProject(...path), 'utf8');
const sources: readonly Source[] = valueOrThrow(sourceLines(text('demo', 'book', 'sources.csv'))).lines.map(
  (line, index) => ({
    ...(readSourceLine(line).value as unknown as Source),
    id: `s${index}`,
    status: 'current',
  }),
);
const [published] = sources as readonly [Source];
const kept = {
  revision: 1,
  isWithdrawn: false,
  changedBy: '',
  changedAt: '',
  why: '',
  sourceId: '',
  place: '',
};

const ofRequirements = (): readonly SearchEntry[] =>
  valueOrThrow(requirementLines(text('demo', 'book', 'requirements.csv'))).lines.flatMap((line, index) => {
    const { value } = readRequirementLine(line, sources, 'N.m');
    if (!value) throw new Error(`line ${line.line} of the demo’s book`);
    const id = `r${index}`;
    return requirementEntries(
      { ...kept, id, code: `R-${index + 1}`, body: value.body },
      sources.find((source) => source.id === value.sourceId) as Source,
    );
  });

const ofTables = (): readonly SearchEntry[] =>
  (
    JSON.parse(text('demo', 'book', 'tables.json')) as readonly {
      readonly file: string;
      readonly name: string;
      readonly subject: string;
      readonly source: string;
    }[]
  ).flatMap(({ file, name, subject, source }) => {
    const { table } = valueOrThrow(readLabel(text('demo', 'book', 'tables', file)));
    return tableEntries(
      { ...kept, id: file, body: { ...table, name, subject } },
      sources.find((each) => sourceName(each) === source) as Source,
    );
  });

const entries = [
  ...ofRequirements(),
  ...ofTables(),
  ...PUBLISHED_TABLES.flatMap(({ table }) =>
    tableEntries({ ...kept, id: table.name, body: table }, { ...published, title: 'published' }),
  ),
].map((entry) => ({ entry, terms: searchTerms(entry.text) }));

const isIn = (terms: readonly string[], { anyOf }: QueryTerm): boolean =>
  anyOf.some(({ term, isOpen }) =>
    isOpen ? terms.some((each) => each.startsWith(term)) : terms.includes(term),
  );

const first = (query: string): string => {
  const terms = queryTerms(query);
  const found = entries.filter((each) => terms.every((term) => isIn(each.terms, term)));
  return (
    rankedHits(
      query,
      found.map(({ entry }) => entry),
    )[0]?.title ?? ''
  );
};

test('sixty queries and more have the wanted answer first', () => {
  const queries = text('tests', 'server', 'search-queries.tsv')
    .trim()
    .split('\n')
    .map((line) => line.split('\t') as [string, string]);
  expect(queries.length).toBeGreaterThanOrEqual(60);
  const missed = queries
    .map(([query, wanted]) => ({ query, wanted, first: first(query) }))
    .filter((each) => !each.first.startsWith(each.wanted));
  expect(missed).toEqual([]);
});
