import { canonicalText } from '#core/canonical.ts';
import type { PlannedRequirement } from '#core/job/plan.ts';
import type { BookReference } from '#core/spec/book/book-reference.ts';
import { type FromBook, fromLookUp, fromRequirement } from '#core/spec/book/from-book.ts';
import { readLookupTable } from '#core/spec/lookup/lookup-table.ts';
import type { KeptRequirement } from '#wire/book.ts';
import type { Connection } from '../database/pool.ts';
import { selectRequirementRevision } from '../queries/book-requirements.ts';
import { selectTableRevision } from '../queries/book-tables.ts';
import { selectLog } from '../queries/site-log.ts';
import { selectSource } from '../queries/sources.ts';

/** Every decision by which a requirement at a revision governs where sources disagree, as a job names it. */
const decisionsFor = async (
  db: Connection,
  { id, code, revision }: KeptRequirement,
): Promise<readonly BookReference['decided'][]> => {
  const log = await selectLog(db, 'conflict-decided', null);
  const own = `${code}.${revision}`;
  return log
    .filter(
      ({ subject, body }) =>
        subject.split('+').includes(own) && (body as { readonly chosen?: string }).chosen === id,
    )
    .map(({ why, by }) => ({ why, by }));
};

const requirementSays = async (db: Connection, book: BookReference): Promise<readonly FromBook[]> => {
  const kept = await selectRequirementRevision(db, book.id, book.revision);
  const source = kept && (await selectSource(db, kept.sourceId));
  if (!kept || !source) return [];
  const decided = book.decided === null ? [null] : await decisionsFor(db, kept);
  return decided.map((decision) => fromRequirement(kept, source, decision));
};

/** Every value of a table at a revision, for a part that is softer than it was made for and for one that is not. */
const tableSays = async (db: Connection, book: BookReference): Promise<readonly FromBook[]> => {
  const kept = await selectTableRevision(db, book.id, book.revision);
  const source = kept && (await selectSource(db, kept.sourceId));
  if (!kept || !source) return [];
  const read = readLookupTable(kept.body, 'N.m');
  return read.rows.flatMap((row, at) =>
    row.values.flatMap((value, valueColumn) => {
      if (!value.ok) return [];
      const found = { row: at, valueColumn, value: value.value, holdsFor: [], neighbours: [] };
      return fromLookUp(kept, source, { kind: 'found', ...found }, book.isPartSofter) ?? [];
    }),
  );
};

/** Those of some requirements on a job of which the book says every field: what it demands, code, revision, source, place or table row,
 *  conditions, the other part, and the decision with who made it. By their canonical text. */
export const requirementsInBook = async (
  db: Connection,
  requirements: readonly PlannedRequirement[],
): Promise<ReadonlySet<string>> => {
  const claims = new Map(
    requirements.flatMap((each) => (each.book ? [[canonicalText(each), each] as const] : [])),
  );
  const said = new Map<string, readonly FromBook[]>();
  const inBook = new Set<string>();
  for (const [claim, { requirement, book }] of claims) {
    if (!book) continue;
    const key = canonicalText([book.kind, book.id, book.revision, book.isPartSofter, book.decided]);
    const says =
      said.get(key) ??
      (await (book.kind === 'requirement' ? requirementSays(db, book) : tableSays(db, book)));
    said.set(key, says);
    const stated = canonicalText([book, requirement]);
    if (says.some((from) => canonicalText([from.book, from.torque.requirement]) === stated))
      inBook.add(claim);
  }
  return inBook;
};
