import { accepted, type Result, refused } from '#core/result.ts';
import { REQUIREMENT_COLUMNS, requirementCells } from '#core/spec/book/requirement-list.ts';
import type { Source } from '#core/spec/book/source.ts';
import { SOURCE_COLUMNS, sourceCells } from '#core/spec/book/source-list.ts';
import { tableCsvText } from '#core/spec/label/table-csv.ts';
import { csvOf } from '#core/spec/list/csv-text.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { database } from '../database/pool.ts';
import { selectRequirements } from '../queries/book-requirements.ts';
import { selectTable } from '../queries/book-tables.ts';
import { selectSources } from '../queries/sources.ts';
import type { ExportedFile } from './export-record.ts';

/** Every requirement in force as CSV, in the columns the import reads. */
export const requirementsCsv = async (): Promise<ExportedFile> => {
  const sources = new Map((await selectSources(database())).map((source) => [source.id, source]));
  const rows = (await selectRequirements(database(), null)).filter(({ isWithdrawn }) => !isWithdrawn);
  const cells = rows.map(({ body, sourceId }) => requirementCells(body, sources.get(sourceId) as Source));
  const text = csvOf(cells, REQUIREMENT_COLUMNS);
  return { name: 'jentik-requirements.csv', type: 'text/csv', text };
};

/** Every source in force as CSV, in the columns the import reads. */
export const sourcesCsv = async (): Promise<ExportedFile> => {
  const sources = (await selectSources(database())).filter(({ status }) => status === 'current');
  return {
    name: 'jentik-sources.csv',
    type: 'text/csv',
    text: csvOf(sources.map(sourceCells), SOURCE_COLUMNS),
  };
};

/** A lookup table as CSV. Refuses: not-found. */
export const tableCsv = async (id: string): Promise<Result<ExportedFile, Problem>> => {
  const kept = await selectTable(database(), id);
  if (!kept) return refused({ code: 'not-found', what: 'table' });
  const name = kept.body.name.toLowerCase().replace(/[^a-z0-9]+/g, '-');
  return accepted({ name: `jentik-table-${name}.csv`, type: 'text/csv', text: tableCsvText(kept.body) });
};
