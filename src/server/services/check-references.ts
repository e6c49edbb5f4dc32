import type { BookReference, PlannedFastener } from '#core/job/event.ts';
import { canonicalText } from '#core/ledger/hash-chain.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Connection } from '../database/pool.ts';
import { selectRequirementRevisions } from '../queries/book-requirements.ts';
import { selectTable } from '../queries/book-tables.ts';

const isRequirementOfBook = async (
  db: Connection,
  { requirement }: Pick<PlannedFastener, 'requirement'>,
  book: BookReference,
): Promise<boolean> => {
  const revisions = await selectRequirementRevisions(db, book.id);
  const kept = revisions.find(({ revision }) => revision === book.revision);
  if (!kept || kept.sourceId !== book.sourceId) return false;
  const { torque, conditions, otherPart, isPartSofter } = kept.body;
  const stated = [torque.requirement, conditions, otherPart, isPartSofter];
  return (
    canonicalText(stated) ===
    canonicalText([requirement.requirement, book.conditions, book.otherPart, book.isPartSofter])
  );
};

const isTableOfBook = async (db: Connection, book: BookReference): Promise<boolean> => {
  const kept = await selectTable(db, book.id);
  return kept !== null && kept.revision >= book.revision && kept.sourceId === book.sourceId;
};

/** The first fastener that claims something of the spec book which the book does not say; null when all claims hold. */
export const referenceProblem = async (
  db: Connection,
  fasteners: readonly Pick<PlannedFastener, 'requirement'>[],
): Promise<Problem | null> => {
  const seen = new Set<string>();
  for (const fastener of fasteners) {
    const { book, requirement } = fastener.requirement;
    const claim = book && canonicalText([book, requirement]);
    if (!book || !claim || seen.has(claim)) continue;
    seen.add(claim);
    const holds =
      book.kind === 'requirement'
        ? await isRequirementOfBook(db, fastener, book)
        : await isTableOfBook(db, book);
    if (!holds) return { code: 'book-reference-unknown', requirementCode: book.code };
  }
  return null;
};
