import type { Cell, LookupTable } from '../lookup-table.ts';

/** A table of a published document that ships with Jentik, with the document it stands in. */
export type PublishedTable = {
  /** Stays the same for ever: sites keep their own copy under it. */
  readonly id: string;
  readonly source: {
    readonly title: string;
    readonly number: string;
    readonly revision: string;
    readonly date: string;
    readonly kind: 'standard' | 'circular';
  };
  /** Where in the document it stands. */
  readonly place: string;
  readonly table: LookupTable;
};

/** A cell as printed, not in doubt. */
export const printedCell = (printed: string): Cell => ({ printed, readAs: null });

/** Rows from lines of cells separated by bars: the keys first, then the values. */
export const printedRows = (keyCount: number, lines: readonly string[]): LookupTable['rows'] =>
  lines.map((line) => {
    const cells = line.split('|').map((cell) => printedCell(cell.trim()));
    return { keys: cells.slice(0, keyCount), values: cells.slice(keyCount), note: '' };
  });

/** What all shipped tables share unless they say otherwise. */
export const PLAIN_TABLE = { footnote: '', madeForMaterial: '', mayInterpolate: false } as const;
