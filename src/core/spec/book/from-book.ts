import { type TorqueUnit, unitSymbol } from '../../quantity/unit.ts';
import { torqueUnitsIn } from '../../quantity/unit-spelling.ts';
import type { LookUp } from '../lookup/look-up.ts';
import { cellText, type LookupTable } from '../lookup/lookup-table.ts';
import { NO_CONDITIONS } from '../requirement/conditions.ts';
import type { BookReference } from './book-reference.ts';
import type { BookRequirement, PrintedTorque } from './book-requirement.ts';
import type { Source } from './source.ts';

/** What a job takes from the book: the torque as printed there, and the reference that stays with it. */
export type FromBook = { readonly torque: PrintedTorque; readonly book: BookReference };

type Kept = { readonly id: string; readonly revision: number };

/** A requirement of the book as a job takes it. */
export const fromRequirement = (
  kept: Kept & { readonly code: string; readonly body: BookRequirement },
  source: Source,
  decided: BookReference['decided'],
): FromBook => ({
  torque: kept.body.torque,
  book: {
    kind: 'requirement',
    id: kept.id,
    code: kept.code,
    revision: kept.revision,
    sourceId: source.id,
    source: { title: source.title, revision: source.revision, place: kept.body.place },
    otherPart: kept.body.otherPart,
    conditions: kept.body.conditions,
    isPartSofter: kept.body.isPartSofter,
    decided,
  },
});

const PLACE_MAX = 120;

/** What a cell prints, with the unit of its column where it prints none. */
export const printedWithUnit = (text: string, unit: TorqueUnit | null): string =>
  unit === null || torqueUnitsIn(text).length > 0 ? text : `${text} ${unitSymbol(unit)}`;

/** A row of a table by what its keys print, and its column where there are several. */
export const rowWords = ({ rows, values }: LookupTable, row: number, valueColumn: number): string =>
  [...(rows[row]?.keys ?? []).map(cellText), values.length > 1 ? (values[valueColumn]?.name ?? '') : '']
    .filter(Boolean)
    .join(', ');

/** Whether a reference is to a row of a table: it says the row at the end of its place. */
export const isToRow = ({ source: { place } }: BookReference, table: LookupTable, row: number): boolean =>
  table.values.some((_, column) => place.endsWith(`: ${rowWords(table, row, column)}`));

/** The value a look-up found as a job takes it; null where it found no torque. A value whose column prints the unit carries it along. */
export const fromLookUp = (
  kept: Kept & { readonly place: string; readonly body: LookupTable },
  source: Source,
  result: LookUp,
  isPartSofter: boolean,
): FromBook | null => {
  if (result.kind !== 'found' || result.value?.kind !== 'torque') return null;
  const { body } = kept;
  const row = body.rows[result.row];
  const column = body.values[result.valueColumn];
  const cell = row?.values[result.valueColumn];
  if (!row || !column || !cell) return null;
  return {
    torque: {
      printed: printedWithUnit(cellText(cell), column.unit),
      readAs: null,
      requirement: result.value.read.requirement,
    },
    book: {
      kind: 'table',
      id: kept.id,
      code: body.name,
      revision: kept.revision,
      sourceId: source.id,
      source: {
        title: source.title,
        revision: source.revision,
        place: `${kept.place}: ${rowWords(body, result.row, result.valueColumn)}`.slice(0, PLACE_MAX),
      },
      otherPart: null,
      conditions: { ...NO_CONDITIONS, madeForMaterial: body.madeForMaterial },
      isPartSofter,
      decided: null,
    },
  };
};
