import { specificationOf } from '#core/spec/book/book-requirement.ts';
import { printedWithUnit } from '#core/spec/book/from-book.ts';
import { specKey } from '#core/spec/book/spec-key.ts';
import { cellText, type ReadTable, readLookupTable } from '#core/spec/lookup/lookup-table.ts';
import { NO_CONDITIONS } from '#core/spec/requirement/conditions.ts';
import { type Conflict, conflictBetween } from '#core/target/conflicts.ts';
import { type TablePlace, tableDiffersFrom, tablesDiffer } from '#core/target/table-conflicts.ts';
import type { KeptRequirement, KeptTable } from '#wire/book.ts';
import type { Site } from '#wire/site.ts';
import type { Connection } from '../database/pool.ts';
import { selectRequirementsOfPart } from '../queries/book-requirements.ts';
import { selectTables } from '../queries/book-tables.ts';
import { selectSources } from '../queries/sources.ts';

/** Two sides that disagree, at least one of them a row of a table, and which row each is. */
export type TableConflict = {
  readonly conflict: Conflict;
  readonly first: KeptRequirement;
  readonly other: KeptRequirement;
  readonly rows: readonly [number | null, number | null];
};

type Read = { readonly kept: KeptTable; readonly read: ReadTable };

const SIZE_MAX = 40;

const subjectKey = ({ body: { subject, name } }: KeptTable): string => specKey(subject || name, '');

/** A row of a table as a requirement of the book would stand. */
const rowAsRequirement = ({ kept, read }: Read, { row, column }: TablePlace): KeptRequirement => {
  const { name, subject, keys, values } = kept.body;
  const source = read.rows[row];
  const cell = source?.values[column];
  const value = cell?.ok && cell.value?.kind === 'torque' ? cell.value.read : null;
  const size = (source?.source.keys ?? []).map(cellText).filter(Boolean).join(', ');
  const heading = values.length > 1 ? `, ${values[column]?.name}` : '';
  const { id, revision, sourceId, isWithdrawn, changedBy, changedAt, why, place } = kept;
  return {
    id,
    revision,
    sourceId,
    isWithdrawn,
    changedBy,
    changedAt,
    why,
    code: `${name}, row ${row + 1}${heading}`,
    body: {
      part: subject || name,
      size: (keys.length === 0 ? '' : size).slice(0, SIZE_MAX),
      torque: {
        printed: printedWithUnit(value?.printed ?? '', values[column]?.unit ?? null),
        readAs: null,
        requirement: value?.requirement ?? { kind: 'finger-tight' },
      },
      otherPart: null,
      conditions: NO_CONDITIONS,
      isPartSofter: false,
      place,
      note: '',
    },
  };
};

const statementOf = ({ id, body }: KeptRequirement) => ({ id, specification: specificationOf(body) });

const between = (
  first: KeptRequirement,
  other: KeptRequirement,
  rows: TableConflict['rows'],
  { schools }: Pick<Site, 'schools'>,
): TableConflict => ({
  conflict: conflictBetween(statementOf(first), statementOf(other), schools),
  first,
  other,
  rows,
});

/** Where the tables in force disagree with one another, and with the requirements for the same thing and size. */
export const tableConflicts = async (
  db: Connection,
  site: Pick<Site, 'schools' | 'unit'>,
): Promise<readonly TableConflict[]> => {
  const current = new Set(
    (await selectSources(db)).filter(({ status }) => status === 'current').map(({ id }) => id),
  );
  const tables = (await selectTables(db, null))
    .filter(({ isWithdrawn, sourceId }) => !isWithdrawn && current.has(sourceId))
    .map((kept): Read => ({ kept, read: readLookupTable(kept.body, site.unit) }));
  const ofTables = tables.flatMap((a, index) =>
    tables
      .slice(index + 1)
      .filter((b) => subjectKey(a.kept) === subjectKey(b.kept))
      .flatMap((b) =>
        tablesDiffer(a.read, b.read).map(({ first, other }) =>
          between(rowAsRequirement(a, first), rowAsRequirement(b, other), [first.row, other.row], site),
        ),
      ),
  );
  const single = tables.filter(({ kept }) => kept.body.keys.length === 1 && kept.body.values.length === 1);
  const withRequirements: TableConflict[] = [];
  for (const table of single)
    for (const kept of await selectRequirementsOfPart(db, subjectKey(table.kept)))
      withRequirements.push(
        ...tableDiffersFrom(table.read, kept.body.size, kept.body.torque.requirement).map((place) =>
          between(kept, rowAsRequirement(table, place), [null, place.row], site),
        ),
      );
  return [...ofTables, ...withRequirements];
};
