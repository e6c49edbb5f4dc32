import { v5 as uuidv5 } from 'uuid';
import type { Source } from '#core/spec/book/source.ts';
import { PUBLISHED_TABLES } from '#core/spec/lookup/published/published-tables.ts';
import type { KeptTable } from '#wire/book.ts';
import { inTransaction } from '../database/transaction.ts';
import { insertTable, selectTable } from '../queries/book-tables.ts';
import { insertLogEntry, THE_SITE } from '../queries/site-log.ts';
import { putSource, selectSource } from '../queries/sources.ts';
import { now } from './clock.ts';
import { indexEntries, sourceEntries, tableEntries } from './site-search.ts';

// Any fixed id will do: with it a published table has the same id at every site.
const NAMESPACE = '6f0b7f4e-7d58-4c1e-9d43-2a1c0a5f7e11';
const SHIPPED_BY = 'Jentik';
const SHIPPED_WHY = 'shipped with Jentik';

/** Puts the published tables that ship with Jentik into the book of a site that does not have them yet; what a site has changed of them
 *  stays as it is. */
export const shipPublishedTables = (): Promise<void> =>
  inTransaction(async (db) => {
    for (const { id, source: described, place, table } of PUBLISHED_TABLES) {
      const tableId = uuidv5(id, NAMESPACE);
      if (await selectTable(db, tableId)) continue;
      const { date, ...rest } = described;
      const source: Source = {
        ...rest,
        id: uuidv5(`${described.number} ${described.revision}`, NAMESPACE),
        datedOn: date,
        place: '',
        status: 'current',
        supersededBy: null,
      };
      if (!(await selectSource(db, source.id))) {
        await putSource(db, source);
        const entry = { at: now(), by: THE_SITE, kind: 'source-added', subject: source.id } as const;
        await insertLogEntry(db, { ...entry, why: SHIPPED_WHY, body: { after: source } });
      }
      const kept: KeptTable = {
        id: tableId,
        revision: 1,
        sourceId: source.id,
        place,
        isWithdrawn: false,
        why: SHIPPED_WHY,
        changedBy: SHIPPED_BY,
        changedAt: now(),
        body: table,
      };
      await insertTable(db, kept);
      await indexEntries(db, 'source', source.id, sourceEntries(source));
      await indexEntries(db, 'table-row', tableId, tableEntries(kept, source));
    }
  });
