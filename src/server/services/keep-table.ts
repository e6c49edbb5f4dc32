import { canonicalText } from '#core/canonical.ts';
import { saysNothing } from '#core/job/says-nothing.ts';
import { whoMay } from '#core/people/may.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import { checkedTable, readLookupTable } from '#core/spec/lookup/lookup-table.ts';
import type { KeptTable, TableDraft } from '#wire/book.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Asker } from '../asker.ts';
import { inTransaction } from '../database/transaction.ts';
import { insertTable, reviseTable, selectTable, selectTableRevision } from '../queries/book-tables.ts';
import { selectSite } from '../queries/site.ts';
import { selectSource } from '../queries/sources.ts';
import { now } from './clock.ts';
import { indexEntries, tableEntries } from './site-search.ts';

/** Keeps a lookup table as a new revision, every cell settled.
 *  Refuses: not-found, revision-stale, why-missing, role-may-not (withdrawing what another wrote), and what checkedTable refuses. */
export const keepTable = (draft: TableDraft, by: Asker): Promise<Result<KeptTable, Problem>> =>
  inTransaction(
    async (db): Promise<Result<KeptTable, Problem>> => {
      const source = await selectSource(db, draft.sourceId);
      if (!source) return refused({ code: 'not-found', what: 'source' });
      const { unit } = await selectSite(db);
      const checked = checkedTable(readLookupTable(draft.body, unit));
      if (!checked.ok) return checked;
      const before = await selectTable(db, draft.id);
      const { basedOn, ...rest } = draft;
      const kept = { ...rest, revision: (basedOn ?? 0) + 1, changedBy: by.name, changedAt: now() };
      if (basedOn === null) {
        if (before?.revision === 1 && canonicalText(before.body) === canonicalText(draft.body))
          return accepted(before);
        if (before) return refused({ code: 'revision-stale', by: before.changedBy });
        await insertTable(db, kept);
      } else {
        if (!before) return refused({ code: 'not-found', what: 'table' });
        if (saysNothing(draft.why)) return refused({ code: 'why-missing' });
        if (draft.isWithdrawn !== before.isWithdrawn) {
          const first = await selectTableRevision(db, draft.id, 1);
          const right = first?.changedBy === by.name ? null : whoMay(by, 'withdraw-others');
          if (right && !right.ok) return right;
        }
        if (!(await reviseTable(db, kept))) return refused({ code: 'revision-stale', by: before.changedBy });
      }
      await indexEntries(db, 'table-row', kept.id, tableEntries(kept, source));
      return accepted(kept);
    },
    (result) => result.ok,
  );
