import type { Pool } from 'mysql2/promise';
import { v7 as uuidv7 } from 'uuid';
import { lookUp } from '#core/spec/lookup/look-up.ts';
import { readLookupTable } from '#core/spec/lookup/lookup-table.ts';
import { SCREW_TERMINALS } from '#core/spec/lookup/published/screw-terminals.ts';
import { searchTerms } from '#core/spec/search/search-terms.ts';
import { searchSite } from '#server/services/site-search.ts';
import { onBenchDatabase } from './bench-site.ts';
import { measured, measuredAsync } from './measured.ts';

const REQUIREMENTS = 100_000;
const BATCH = 2_000;

const PARTS = [
  'flange bolt',
  'flare nut',
  'terminal',
  'clamp screw',
  'cover screw',
  'bracket nut',
  'panel screw',
  'gland',
];
const PLACES = [
  'coolant loop',
  'dome drive',
  'mirror cell',
  'cargo trike',
  'survey glider',
  'mill',
  'receiver',
  'chiller',
];
const SIZES = ['M3', 'M4', 'M5', 'M8', '#10', '14 AWG', '3/8', '-4', '1/4-28', '10-32', '2.5 mm²', '4/0'];

const entryText = (index: number): { readonly title: string; readonly detail: string } => {
  const at = <T>(list: readonly T[], by: number): T => list[Math.floor(index / by) % list.length] as T;
  return {
    title: `${at(PLACES, 12)} ${at(PARTS, 96)} ${index}, ${at(SIZES, 1)}`,
    detail: `${10 + (index % 40)} in-lb · Manual ${index % 300}, rev. ${index % 5} · page ${index % 120}`,
  };
};

const fill = async (pool: Pool): Promise<void> => {
  // The entries that ship with Jentik come first; these begin well past them.
  const FIRST_ID = 1_000_000;
  for (let from = 0; from < REQUIREMENTS; from += BATCH) {
    const made = Array.from({ length: BATCH }, (_, index) => ({
      id: FIRST_ID + from + index,
      ...entryText(from + index),
    }));
    await pool.query('INSERT INTO search_entries (id, kind, ref_id, table_row, title, detail) VALUES ?', [
      made.map(({ id, title, detail }) => [id, 'requirement', uuidv7(), 0, title, detail]),
    ]);
    await pool.query('INSERT INTO search_terms (term, entry_id) VALUES ?', [
      made.flatMap(({ id, title, detail }) =>
        searchTerms(`${title} ${detail} R-${id}`).map((term) => [term, id]),
      ),
    ]);
  }
  await pool.query('ANALYZE TABLE search_terms, search_entries');
};

const QUERIES = [
  'flare 3/8',
  'm8',
  'mirror cell m4',
  'dome drive terminal 10 awg',
  'fl',
  'manual 212',
  'R-1077123',
  'dash 6 nut',
  'c',
  'cover screw coolant 2.5 mm2',
];

/** Search at a hundred thousand requirements, a look-up. */
export const benchBook = async (): Promise<void> => {
  measured('look a published table up', 50, () =>
    lookUp(readLookupTable(SCREW_TERMINALS.table, 'N.m'), { keys: ['#6'], valueColumn: 0 }),
  );
  await onBenchDatabase(async (owner) => {
    await fill(owner);
    for (const query of QUERIES) {
      const { hits } = await searchSite(query);
      await measuredAsync(
        `search ${REQUIREMENTS} requirements for “${query}” (${hits.length} shown)`,
        15,
        () => searchSite(query),
      );
    }
  });
};
