import { unitSymbol } from '#core/quantity/unit.ts';
import { type Source, sourceName } from '#core/spec/book/source.ts';
import { coveredWords } from '#core/spec/lookup/covered-sizes.ts';
import { cellText, readLookupTable } from '#core/spec/lookup/lookup-table.ts';
import { rankedHits } from '#core/spec/search/rank-hits.ts';
import { isSizeTerm, longestTerm, type QueryTerm, queryTerms } from '#core/spec/search/search-terms.ts';
import type { Tool } from '#core/tool/tool.ts';
import type { KeptRequirement, KeptTable, SearchHit } from '#wire/book.ts';
import type { JobSummary } from '#wire/job-summary.ts';
import { scaleRangeWords } from '#wire/words/setting.ts';
import { TOOL_KIND_WORDS } from '#wire/words/tool.ts';
import type { Connection } from '../database/pool.ts';
import { database } from '../database/pool.ts';
import { selectRequirements } from '../queries/book-requirements.ts';
import { selectTables } from '../queries/book-tables.ts';
import { replaceSearchEntries, type SearchEntry, selectSearchHits } from '../queries/search-entries.ts';
import { selectSources } from '../queries/sources.ts';

const entry = (
  kind: SearchHit['kind'],
  refId: string,
  row: number,
  title: string,
  detail: string,
  more = '',
): SearchEntry => ({ kind, refId, row, title, detail, text: `${title}; ${detail}; ${more}` });

/** What is said beside a title; what is not known is left out. */
const beside = (...parts: readonly string[]): string => parts.filter(Boolean).join(' · ');

/** How the search finds a requirement: by part, size, print, place, source and code. */
export const requirementEntries = (kept: KeptRequirement, source: Source): readonly SearchEntry[] => {
  const { part, size, torque, place, note } = kept.body;
  const title = [part, size].filter(Boolean).join(', ');
  const detail = beside(torque.printed, sourceName(source), place);
  return kept.isWithdrawn
    ? []
    : [entry('requirement', kept.id, 0, title, detail, `${kept.code} ${note} ${source.kind}`)];
};

/** A key as a person asks for it: with the unit that its column prints once for all. */
const keyWords = (text: string, unit: string): string =>
  unit !== '' && /\d$/.test(text) ? `${text} ${unit}` : text;

/** How the search finds a table: each of its rows by its keys and values. */
export const tableEntries = (kept: KeptTable, source: Source): readonly SearchEntry[] => {
  const { name, subject, rows, values, keys } = kept.body;
  const read = readLookupTable(kept.body, 'N.m');
  if (kept.isWithdrawn) return [];
  return rows.map((row, index) => {
    const value = row.values
      .map((cell, column) => {
        const unit = values[column]?.unit;
        return cellText(cell) === '' ? '' : `${cellText(cell)}${unit ? ` ${unitSymbol(unit)}` : ''}`;
      })
      .filter(Boolean)
      .join(' | ');
    const covered = keys.flatMap(({ kind, unit }, column) => {
      const span = read.rows[index]?.keys[column];
      return span?.ok ? coveredWords(kind, span.value, unit) : [];
    });
    const title = `${name}: ${row.keys.map((cell, column) => keyWords(cellText(cell), keys[column]?.unit ?? '')).join(', ')}`;
    return entry(
      'table-row',
      kept.id,
      index,
      title,
      `${value} · ${sourceName(source)}, ${kept.place}`,
      [subject, ...covered].join('; '),
    );
  });
};

/** How the search finds a source. */
export const sourceEntries = (source: Source): readonly SearchEntry[] => [
  entry('source', source.id, 0, sourceName(source), beside(source.kind, source.place, source.status)),
];

/** How the search finds a tool: by code, serial number, kind and range. */
export const toolEntries = ({ id, code, kind, scale, serial }: Tool): readonly SearchEntry[] => [
  entry('tool', id, 0, `${code}, ${TOOL_KIND_WORDS[kind]}`, `${scaleRangeWords(scale)} · serial ${serial}`),
];

/** How the search finds a job: by number and title. */
export const jobEntries = (
  job: Pick<JobSummary, 'id' | 'number' | 'title' | 'fastenersTotal'>,
): readonly SearchEntry[] => [
  entry('job', job.id, 0, `${job.number} ${job.title}`, `${job.fastenersTotal} fasteners`),
];

/** Puts what the search knows of one thing in order. */
export const indexEntries = (
  db: Connection,
  kind: SearchHit['kind'],
  refId: string,
  entries: readonly SearchEntry[],
): Promise<void> => replaceSearchEntries(db, kind, refId, entries);

/** Writes again what the search knows of the book. */
export const indexBook = async (db: Connection): Promise<void> => {
  const sources = new Map((await selectSources(db)).map((source) => [source.id, source]));
  for (const source of sources.values()) await indexEntries(db, 'source', source.id, sourceEntries(source));
  for (const kept of await selectRequirements(db, null))
    await indexEntries(
      db,
      'requirement',
      kept.id,
      requirementEntries(kept, sources.get(kept.sourceId) as Source),
    );
  for (const kept of await selectTables(db, null))
    await indexEntries(db, 'table-row', kept.id, tableEntries(kept, sources.get(kept.sourceId) as Source));
};

const SHOWN = 40;
const hitKey = ({ kind, refId, row }: SearchHit): string => `${kind} ${refId} ${row}`;

/** What has all terms but one of a query, whichever is left out. */
const nearlyAll = async (terms: readonly QueryTerm[]): Promise<readonly SearchHit[]> => {
  const found = await Promise.all(
    terms.map((_, left) =>
      selectSearchHits(
        database(),
        terms.filter((__, index) => index !== left),
      ),
    ),
  );
  return [...new Map(found.flat().map((hit) => [hitKey(hit), hit])).values()];
};

/** What a query finds, whatever kind it is, the likeliest first; nothing for a query without a word. Where nothing has all of it, what has all but
 *  one of its terms; else what has its sizes or, without any size, its longest word. */
export const searchSite = async (
  query: string,
): Promise<{ readonly hits: readonly SearchHit[]; readonly isPartial: boolean }> => {
  const terms = queryTerms(query);
  const ranked = (hits: readonly SearchHit[]): readonly SearchHit[] =>
    rankedHits(query, hits).slice(0, SHOWN);
  const hits = terms.length === 0 ? [] : await selectSearchHits(database(), terms);
  if (hits.length > 0 || terms.length < 2) return { hits: ranked(hits), isPartial: false };
  const nearly = terms.length > 2 ? await nearlyAll(terms) : [];
  if (nearly.length > 0) return { hits: ranked(nearly), isPartial: true };
  const sizes = terms.filter(isSizeTerm);
  const telling = sizes.length > 0 ? sizes : [longestTerm(terms)];
  return { hits: ranked(await selectSearchHits(database(), telling)), isPartial: true };
};
