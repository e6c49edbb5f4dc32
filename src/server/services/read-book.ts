import { accepted, type Result, refused } from '#core/result.ts';
import { type FromBook, fromRequirement } from '#core/spec/book/from-book.ts';
import type { Source } from '#core/spec/book/source.ts';
import type { Attachment } from '#wire/attachment.ts';
import type { BookConflict, DependentJob, KeptRequirement, KeptTable, LogEntry } from '#wire/book.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { database } from '../database/pool.ts';
import { selectAttachments } from '../queries/attachments.ts';
import {
  countRequirements,
  selectRecentRequirements,
  selectRequirement,
  selectRequirementRevisions,
} from '../queries/book-requirements.ts';
import { selectTable, selectTables } from '../queries/book-tables.ts';
import { selectDependentJobs } from '../queries/job-references.ts';
import { selectLog } from '../queries/site-log.ts';
import { selectSource, selectSources } from '../queries/sources.ts';
import { bookConflicts } from './book-conflicts.ts';

/** Every source of the book. */
export const allSources = (): Promise<readonly Source[]> => selectSources(database());

/** The requirements that were changed last, and how many are in force: a screen lists those, the search finds the rest. */
export const recentRequirements = async (): Promise<{
  readonly requirements: readonly KeptRequirement[];
  readonly total: number;
}> => ({
  requirements: await selectRecentRequirements(database()),
  total: await countRequirements(database()),
});

/** Every lookup table of the book. */
export const allTables = (): Promise<readonly KeptTable[]> => selectTables(database(), null);

/** What changed in the site's schools or a source, the newest first. */
export const changesOf = (
  kind: 'site-changed' | 'source-changed',
  subject: string | null,
): Promise<readonly LogEntry[]> => selectLog(database(), kind, subject);

/** All there is to a requirement: revisions, source, the jobs that use it, where sources disagree, and what a job would take. */
export type RequirementView = {
  readonly kept: KeptRequirement;
  readonly source: Source;
  readonly revisions: readonly KeptRequirement[];
  readonly jobs: readonly DependentJob[];
  readonly conflicts: readonly BookConflict[];
  readonly fromBook: FromBook;
};

const requirementNamed = (name: string): Promise<KeptRequirement | null> => {
  const number = /^r-?(\d{1,9})$/i.exec(name)?.[1];
  return selectRequirement(database(), number ? { number: Number(number) } : { id: name });
};

/** A requirement by its id or its code, with all there is to it. Refuses: not-found. */
export const readBookRequirement = async (name: string): Promise<Result<RequirementView, Problem>> => {
  const kept = await requirementNamed(name);
  const source = kept && (await selectSource(database(), kept.sourceId));
  if (!kept || !source) return refused({ code: 'not-found', what: 'requirement' });
  const [revisions, jobs, all] = await Promise.all([
    selectRequirementRevisions(database(), kept.id),
    selectDependentJobs(database(), { refId: kept.id }),
    bookConflicts(),
  ]);
  const conflicts = all.filter(({ first, other }) => first.id === kept.id || other.id === kept.id);
  const decision = conflicts.find(
    ({ isWithinOneSource, decision: made }) => !isWithinOneSource && made?.chosen === kept.id,
  )?.decision;
  const decided = decision ? { why: decision.why, by: decision.by } : null;
  return accepted({
    kept,
    source,
    revisions,
    jobs,
    conflicts,
    fromBook: fromRequirement(kept, source, decided),
  });
};

/** A lookup table with its source and the jobs that use it. Refuses: not-found. */
export const readBookTable = async (
  id: string,
): Promise<
  Result<
    { readonly kept: KeptTable; readonly source: Source; readonly jobs: readonly DependentJob[] },
    Problem
  >
> => {
  const kept = await selectTable(database(), id);
  const source = kept && (await selectSource(database(), kept.sourceId));
  if (!kept || !source) return refused({ code: 'not-found', what: 'table' });
  return accepted({ kept, source, jobs: await selectDependentJobs(database(), { refId: id }) });
};

/** A source with its attachments and its changes. Refuses: not-found. */
export const readSource = async (
  id: string,
): Promise<
  Result<
    {
      readonly source: Source;
      readonly attachments: readonly Attachment[];
      readonly changes: readonly LogEntry[];
    },
    Problem
  >
> => {
  const source = await selectSource(database(), id);
  if (!source) return refused({ code: 'not-found', what: 'source' });
  const [attachments, changes] = await Promise.all([
    selectAttachments(database(), { kind: 'source', id }),
    changesOf('source-changed', id),
  ]);
  return accepted({ source, attachments, changes });
};
