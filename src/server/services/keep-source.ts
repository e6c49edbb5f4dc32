import { randomUUID } from 'node:crypto';
import { whoMay } from '#core/people/may.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Source } from '#core/spec/book/source.ts';
import type { DependentJob, KeptRequirement, KeptTable, NewSource } from '#wire/book.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Asker } from '../asker.ts';
import { database } from '../database/pool.ts';
import { inTransaction } from '../database/transaction.ts';
import { selectRequirements } from '../queries/book-requirements.ts';
import { selectTables } from '../queries/book-tables.ts';
import { selectDependentJobs } from '../queries/job-references.ts';
import { insertLogEntry, THE_SITE } from '../queries/site-log.ts';
import { putSource, selectSource } from '../queries/sources.ts';
import { now } from './clock.ts';
import { indexEntries, requirementEntries, sourceEntries, tableEntries } from './site-search.ts';

/** Adds a source to the book. It is current. */
export const addSource = (
  source: NewSource,
  by: Pick<Asker, 'id' | 'name'> = THE_SITE,
): Promise<Result<Source, Problem>> =>
  inTransaction(async (db) => {
    const added: Source = { ...source, id: randomUUID(), status: 'current', supersededBy: null };
    await putSource(db, added);
    const entry = { at: now(), by, kind: 'source-added', subject: added.id, why: '' } as const;
    await insertLogEntry(db, { ...entry, body: { after: added } });
    await indexEntries(db, 'source', added.id, sourceEntries(added));
    return accepted(added);
  });

const isRenamed = (before: Source, after: Source): boolean =>
  before.title !== after.title ||
  before.number !== after.number ||
  before.revision !== after.revision ||
  before.kind !== after.kind;

/** Changes a source, with a reason that the log keeps. What rests on it stays as it is: each is moved by a person.
 *  Refuses: not-found, role-may-not (only a lead supersedes, withdraws or renames), source-supersedes-itself, why-missing. */
export const changeSource = (source: Source, why: string, by: Asker): Promise<Result<Source, Problem>> =>
  inTransaction(
    async (db): Promise<Result<Source, Problem>> => {
      const before = await selectSource(db, source.id);
      if (!before) return refused({ code: 'not-found', what: 'source' });
      const isStatusChanged = before.status !== source.status || before.supersededBy !== source.supersededBy;
      const right = isStatusChanged ? whoMay(by, 'change-source-status') : null;
      if (right && !right.ok) return right;
      // Under its name jobs and requirements cite it.
      const mayRename = isRenamed(before, source) ? whoMay(by, 'rename-source') : null;
      if (mayRename && !mayRename.ok) return mayRename;
      if (isStatusChanged && why.trim() === '') return refused({ code: 'why-missing' });
      if (source.supersededBy === source.id) return refused({ code: 'source-supersedes-itself' });
      if (source.supersededBy !== null && !(await selectSource(db, source.supersededBy)))
        return refused({ code: 'not-found', what: 'source' });
      const changed: Source = {
        ...source,
        supersededBy: source.status === 'superseded' ? source.supersededBy : null,
      };
      await putSource(db, changed);
      await insertLogEntry(db, {
        at: now(),
        by,
        kind: 'source-changed',
        subject: source.id,
        why,
        body: { before, after: changed },
      });
      await indexEntries(db, 'source', changed.id, sourceEntries(changed));
      for (const kept of await selectRequirements(db, changed.id))
        await indexEntries(db, 'requirement', kept.id, requirementEntries(kept, changed));
      for (const kept of await selectTables(db, changed.id))
        await indexEntries(db, 'table-row', kept.id, tableEntries(kept, changed));
      return accepted(changed);
    },
    (result) => result.ok,
  );

/** What rests on a source: its requirements and tables in force, and the jobs that used any of them. */
export const restingOnSource = async (
  sourceId: string,
): Promise<{
  readonly requirements: readonly KeptRequirement[];
  readonly tables: readonly KeptTable[];
  readonly jobs: readonly DependentJob[];
}> => {
  const db = database();
  const [requirements, tables, jobs] = await Promise.all([
    selectRequirements(db, sourceId),
    selectTables(db, sourceId),
    selectDependentJobs(db, { sourceId }),
  ]);
  return { requirements: requirements.filter(({ isWithdrawn }) => !isWithdrawn), tables, jobs };
};
