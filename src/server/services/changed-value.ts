import { accepted, type Result, refused } from '#core/result.ts';
import type { BookReference } from '#core/spec/book/book-reference.ts';
import { type FromBook, fromLookUp, fromRequirement, rowWords } from '#core/spec/book/from-book.ts';
import { specKey } from '#core/spec/book/spec-key.ts';
import { readLookupTable } from '#core/spec/lookup/lookup-table.ts';
import { printedUnit } from '#core/spec/requirement/requirement.ts';
import type { ChangedValue } from '#core/view/recalled-fasteners.ts';
import type { KeptRequirement } from '#wire/book.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { ValueFacts } from '#wire/recall.ts';
import { type Connection, database } from '../database/pool.ts';
import {
  selectRequirement,
  selectRequirementRevisions,
  selectRequirements,
} from '../queries/book-requirements.ts';
import { selectTable } from '../queries/book-tables.ts';
import type { ValueId } from '../queries/changed-values.ts';
import { selectSite } from '../queries/site.ts';
import { selectSource, selectSources } from '../queries/sources.ts';

/** A value of the book as it is now, in words, and what holds in its place. */
export type ValueNow = { readonly facts: ValueFacts; readonly value: ChangedValue };

const printOf = ({ body: { torque } }: KeptRequirement): string => torque.readAs ?? torque.printed;

/** What holds now in place of a requirement: its newest revision, or, where it is withdrawn, the one in force for the same part and size. Null
 *  where there is none such, or several. */
const inPlaceOf = async (db: Connection, kept: KeptRequirement): Promise<KeptRequirement | null> => {
  if (!kept.isWithdrawn) return kept;
  const key = specKey(kept.body.part, kept.body.size);
  const current = new Set(
    (await selectSources(db)).filter(({ status }) => status === 'current').map(({ id }) => id),
  );
  const [only, second] = (await selectRequirements(db, null)).filter(
    ({ isWithdrawn, sourceId, body }) =>
      !isWithdrawn && current.has(sourceId) && specKey(body.part, body.size) === key,
  );
  return only && !second ? only : null;
};

const requirementNow = async (db: Connection, id: string): Promise<ValueNow | null> => {
  const kept = await selectRequirement(db, { id });
  if (!kept) return null;
  const { unit } = await selectSite(db);
  const now = await inPlaceOf(db, kept);
  const source = now && (await selectSource(db, now.sourceId));
  const fromBook = now && source ? fromRequirement(now, source, null) : null;
  const before = (await selectRequirementRevisions(db, id)).find(({ revision }) => revision < kept.revision);
  const { code, revision, isWithdrawn, changedBy, changedAt, why, body } = kept;
  return {
    facts: {
      kind: 'requirement',
      id,
      code,
      subject: [body.part, body.size].filter(Boolean).join(', '),
      unit: printedUnit((now ?? kept).body.torque.requirement, unit),
      revision,
      isWithdrawn,
      changedBy,
      changedAt,
      why,
      before: before ? printOf(before) : printOf(kept),
      now: now ? printOf(now) : null,
      nowCode: now ? now.code : null,
    },
    value: { id, revision, isWithdrawn, now: () => fromBook },
  };
};

const tableNow = async (db: Connection, id: string): Promise<ValueNow | null> => {
  const kept = await selectTable(db, id);
  const source = kept && (await selectSource(db, kept.sourceId));
  if (!kept || !source) return null;
  const { unit } = await selectSite(db);
  const { revision, isWithdrawn, changedBy, changedAt, why, body } = kept;
  const { rows } = readLookupTable(body, unit);
  const said = rows.flatMap((row, at) =>
    row.values.flatMap((cell, valueColumn) => {
      if (!cell.ok) return [];
      const found = { row: at, valueColumn, value: cell.value, holdsFor: [], neighbours: [] };
      const takenFor = (isPartSofter: boolean) =>
        fromLookUp(kept, source, { kind: 'found', ...found }, isPartSofter);
      return [{ where: `: ${rowWords(body, at, valueColumn)}`, takenFor }];
    }),
  );
  // A reference says its row at the end of its place, whatever page the table stands on by now. Two rows that print the same settle nothing.
  const now = (book: BookReference): FromBook | null => {
    if (isWithdrawn) return null;
    const fitting = said.filter(({ where }) => book.source.place.endsWith(where));
    const longest = Math.max(0, ...fitting.map(({ where }) => where.length));
    const [only, second] = fitting.filter(({ where }) => where.length === longest);
    return only && !second ? only.takenFor(book.isPartSofter) : null;
  };
  return {
    facts: {
      kind: 'table',
      id,
      code: body.name,
      subject: `table of ${body.rows.length} ${body.rows.length === 1 ? 'row' : 'rows'}`,
      unit: body.values.find((column) => column.unit !== null)?.unit ?? unit,
      revision,
      isWithdrawn,
      changedBy,
      changedAt,
      why,
      before: null,
      now: null,
      nowCode: isWithdrawn ? null : body.name,
    },
    value: { id, revision, isWithdrawn, now },
  };
};

/** A value of the book as it is now. Refuses: not-found. */
export const valueNow = async (db: Connection, { kind, id }: ValueId): Promise<Result<ValueNow, Problem>> => {
  const now = await (kind === 'table' ? tableNow(db, id) : requirementNow(db, id));
  return now ? accepted(now) : refused({ code: 'not-found', what: kind });
};

/** Which value an address names; of a kind that there is not, none. */
export const valueInAddress = ({
  kind,
  value = '',
}: Readonly<Record<string, string | undefined>>): ValueId => {
  if (kind === 'table') return { kind, id: value };
  return { kind: 'requirement', id: kind === 'requirement' ? value : '' };
};

/** A value that an address names, as it is now. Refuses: not-found. */
export const valueNowAt = (id: ValueId): Promise<Result<ValueNow, Problem>> => valueNow(database(), id);
