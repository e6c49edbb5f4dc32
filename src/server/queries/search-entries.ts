import type { ResultSetHeader, RowDataPacket } from 'mysql2';
import { type QueryTerm, searchTerms } from '#core/spec/search/search-terms.ts';
import { type SearchHit, searchHitSchema } from '#wire/book.ts';
import type { Connection } from '../database/pool.ts';

/** An entry of the search: what is shown of it, and all the text it is found by. */
export type SearchEntry = SearchHit & { readonly text: string };

const TITLE_MAX = 240;
const DETAIL_MAX = 400;
const TERM_MAX = 40;

const insertEntry = async (db: Connection, entry: SearchEntry): Promise<void> => {
  const [result] = await db.execute<ResultSetHeader>(
    `
    INSERT INTO search_entries (kind, ref_id, table_row, title, detail)
    VALUES (:kind, :refId, :row, :title, :detail)`,
    {
      kind: entry.kind,
      refId: entry.refId,
      row: entry.row,
      title: entry.title.slice(0, TITLE_MAX),
      detail: entry.detail.slice(0, DETAIL_MAX),
    },
  );
  const terms = new Set(searchTerms(entry.text).map((term) => term.slice(0, TERM_MAX)));
  await db.execute(
    `
    INSERT INTO search_terms (term, entry_id)
    SELECT terms.term,
           :entryId
      FROM JSON_TABLE(:terms, '$[*]' COLUMNS (term VARCHAR(40) PATH '$')) AS terms`,
    { entryId: result.insertId, terms: JSON.stringify([...terms]) },
  );
};

/** Puts the entries of one thing in place of those it had. */
export const replaceSearchEntries = async (
  db: Connection,
  kind: SearchHit['kind'],
  refId: string,
  entries: readonly SearchEntry[],
): Promise<void> => {
  await db.execute('DELETE FROM search_entries WHERE kind = :kind AND ref_id = :refId', { kind, refId });
  for (const entry of entries) await insertEntry(db, entry);
};

/** Takes out everything the search finds, before it is written down again. */
export const clearSearchEntries = async (db: Connection): Promise<void> => {
  await db.execute('DELETE FROM search_entries');
};

/** The range of the index in which a term's entries stand; an open term goes on with any letter. */
type Range = { readonly low: string; readonly high: string };

// Comes after every letter, digit and underscore in the order of the index.
const AFTER_ALL = '~';
/** A range with nothing in it. */
const NO_RANGE: Range = { low: AFTER_ALL, high: AFTER_ALL };

const rangesOf = ({ anyOf }: QueryTerm): readonly [Range, Range] => {
  const [first = NO_RANGE, second = NO_RANGE] = anyOf.map(({ term, isOpen }) => ({
    low: term.slice(0, TERM_MAX),
    high: isOpen ? `${term.slice(0, TERM_MAX)}${AFTER_ALL}` : term.slice(0, TERM_MAX),
  }));
  return [first, second];
};

/** How many entries have a term, counted no further than a few thousand: enough to know which one to begin with. */
const countEntries = async (db: Connection, [first, second]: readonly [Range, Range]): Promise<number> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT COUNT(*) AS count
      FROM (SELECT 1
              FROM search_terms
             WHERE term BETWEEN :low AND :high
                OR term BETWEEN :otherLow AND :otherHigh
             LIMIT 1200) AS few`,
    { low: first.low, high: first.high, otherLow: second.low, otherHigh: second.high },
  );
  return Number(rows[0]?.['count'] ?? 0);
};

/** Most terms a query is searched by: the driving one and five that must be there too. */
const TERMS_SEARCHED = 6;

const parametersOf = (ranges: readonly (readonly [Range, Range])[]): Readonly<Record<string, string>> => {
  const parameters: Record<string, string> = {};
  for (let index = 0; index < TERMS_SEARCHED; index += 1) {
    const [first, second] = ranges[index] ?? [NO_RANGE, NO_RANGE];
    parameters[`low${index}`] = ranges[index] ? first.low : '';
    parameters[`high${index}`] = first.high;
    parameters[`otherLow${index}`] = second.low;
    parameters[`otherHigh${index}`] = second.high;
  }
  return parameters;
};

// A scalar subquery with LIMIT 1 is asked once per entry; EXISTS would be turned into a join that reads every match of every term first.
/** The entries that have every term, at most two hundred: of so many the likeliest are picked. It begins with the rarest term and stops there. */
export const selectSearchHits = async (
  db: Connection,
  terms: readonly QueryTerm[],
): Promise<readonly SearchHit[]> => {
  const all = terms.map(rangesOf);
  const counted =
    all.length === 1
      ? all.map((ranges) => ({ ranges, count: 0 }))
      : await Promise.all(all.map(async (ranges) => ({ ranges, count: await countEntries(db, ranges) })));
  const ranges = [...counted].sort((a, b) => a.count - b.count).map((each) => each.ranges);
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT search_entries.kind,
           search_entries.ref_id,
           search_entries.table_row,
           search_entries.title,
           search_entries.detail
      FROM (SELECT DISTINCT first.entry_id
              FROM search_terms AS first
             WHERE (first.term BETWEEN :low0 AND :high0 OR first.term BETWEEN :otherLow0 AND :otherHigh0)
               AND (:low1 = '' OR (
                     SELECT 1 FROM search_terms AS also FORCE INDEX (search_terms_by_entry)
                      WHERE also.entry_id = first.entry_id
                        AND (also.term BETWEEN :low1 AND :high1 OR also.term BETWEEN :otherLow1 AND :otherHigh1)
                        LIMIT 1) IS NOT NULL)
               AND (:low2 = '' OR (
                     SELECT 1 FROM search_terms AS also FORCE INDEX (search_terms_by_entry)
                      WHERE also.entry_id = first.entry_id
                        AND (also.term BETWEEN :low2 AND :high2 OR also.term BETWEEN :otherLow2 AND :otherHigh2)
                        LIMIT 1) IS NOT NULL)
               AND (:low3 = '' OR (
                     SELECT 1 FROM search_terms AS also FORCE INDEX (search_terms_by_entry)
                      WHERE also.entry_id = first.entry_id
                        AND (also.term BETWEEN :low3 AND :high3 OR also.term BETWEEN :otherLow3 AND :otherHigh3)
                        LIMIT 1) IS NOT NULL)
               AND (:low4 = '' OR (
                     SELECT 1 FROM search_terms AS also FORCE INDEX (search_terms_by_entry)
                      WHERE also.entry_id = first.entry_id
                        AND (also.term BETWEEN :low4 AND :high4 OR also.term BETWEEN :otherLow4 AND :otherHigh4)
                        LIMIT 1) IS NOT NULL)
               AND (:low5 = '' OR (
                     SELECT 1 FROM search_terms AS also FORCE INDEX (search_terms_by_entry)
                      WHERE also.entry_id = first.entry_id
                        AND (also.term BETWEEN :low5 AND :high5 OR also.term BETWEEN :otherLow5 AND :otherHigh5)
                        LIMIT 1) IS NOT NULL)
             LIMIT 200) AS found
      JOIN search_entries ON search_entries.id = found.entry_id`,
    parametersOf(ranges),
  );
  return rows.map((row) =>
    searchHitSchema.parse({
      kind: row['kind'],
      refId: row['ref_id'],
      row: row['table_row'],
      title: row['title'],
      detail: row['detail'],
    }),
  );
};
