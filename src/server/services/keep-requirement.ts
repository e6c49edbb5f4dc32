import { canonicalText } from '#core/canonical.ts';
import { saysNothing } from '#core/job/says-nothing.ts';
import { whoMay } from '#core/people/may.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import { readPrinted } from '#core/spec/book/book-requirement.ts';
import type { KeptRequirement, RequirementDraft } from '#wire/book.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Asker } from '../asker.ts';
import type { Connection } from '../database/pool.ts';
import { inTransaction } from '../database/transaction.ts';
import {
  insertRequirement,
  reviseRequirement,
  selectRequirement,
  selectRequirementRevision,
} from '../queries/book-requirements.ts';
import { selectSite } from '../queries/site.ts';
import { selectSource } from '../queries/sources.ts';
import { now } from './clock.ts';
import { indexEntries, requirementEntries } from './site-search.ts';

/** A torque that a person sent must say what its print says: the print is evidence. */
const printProblem = async (db: Connection, { body }: RequirementDraft): Promise<Problem | null> => {
  const { unit } = await selectSite(db);
  for (const torque of [body.torque, ...(body.otherPart ? [body.otherPart] : [])]) {
    const read = readPrinted(torque.printed, torque.readAs, unit);
    if (!read.ok) return read.refusal;
    if (canonicalText(read.value.requirement) !== canonicalText(torque.requirement))
      return { code: 'claim-untrue', field: 'requirement' };
  }
  return null;
};

/** Keeps a requirement in a transaction: the first revision, or the next. */
export const keepInTransaction = async (
  db: Connection,
  draft: RequirementDraft,
  by: Asker,
): Promise<Result<KeptRequirement, Problem>> => {
  const source = await selectSource(db, draft.sourceId);
  if (!source) return refused({ code: 'not-found', what: 'source' });
  const problem = await printProblem(db, draft);
  if (problem) return refused(problem);
  const before = await selectRequirement(db, { id: draft.id });
  const { id, sourceId, isWithdrawn, why, body } = draft;
  const kept = {
    id,
    sourceId,
    isWithdrawn,
    why,
    body,
    revision: (draft.basedOn ?? 0) + 1,
    changedBy: by.name,
    changedAt: now(),
  };
  if (draft.basedOn === null) {
    // Sent twice: the first answer was lost.
    if (before?.revision === 1 && canonicalText(before.body) === canonicalText(body)) return accepted(before);
    if (before) return refused({ code: 'revision-stale', by: before.changedBy });
    const added = { ...kept, code: await insertRequirement(db, kept) };
    await indexEntries(db, 'requirement', id, requirementEntries(added, source));
    return accepted(added);
  }
  if (!before) return refused({ code: 'not-found', what: 'requirement' });
  if (saysNothing(why)) return refused({ code: 'why-missing' });
  if (isWithdrawn !== before.isWithdrawn) {
    const first = await selectRequirementRevision(db, id, 1);
    const right = first?.changedBy === by.name ? null : whoMay(by, 'withdraw-others');
    if (right && !right.ok) return right;
  }
  if (!(await reviseRequirement(db, kept))) return refused({ code: 'revision-stale', by: before.changedBy });
  const revised = { ...kept, code: before.code };
  await indexEntries(db, 'requirement', id, requirementEntries(revised, source));
  return accepted(revised);
};

/** Keeps a requirement of the book as a new revision; jobs that used the one before keep it.
 *  Refuses: not-found, revision-stale (someone else changed it since), why-missing, role-may-not (withdrawing what another wrote), claim-untrue, and what readPrinted refuses. */
export const keepRequirement = (
  draft: RequirementDraft,
  by: Asker,
): Promise<Result<KeptRequirement, Problem>> =>
  inTransaction(
    (db) => keepInTransaction(db, draft, by),
    (result) => result.ok,
  );

/** Keeps a whole list of requirements, all or none. Refuses: what keepRequirement refuses, at the first that does. */
export const keepRequirements = (
  drafts: readonly RequirementDraft[],
  by: Asker,
): Promise<Result<readonly KeptRequirement[], Problem>> =>
  inTransaction(
    async (db): Promise<Result<readonly KeptRequirement[], Problem>> => {
      const kept: KeptRequirement[] = [];
      for (const draft of drafts) {
        const result = await keepInTransaction(db, draft, by);
        if (!result.ok) return result;
        kept.push(result.value);
      }
      return accepted(kept);
    },
    (result) => result.ok,
  );
