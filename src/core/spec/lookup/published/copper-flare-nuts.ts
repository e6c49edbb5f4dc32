import { PLAIN_TABLE, type PublishedTable, printedRows } from './published-table.ts';

/** Tightening torque of flare nuts on copper tube, in N·m.
 *  Source: JIS B 8607. Transcribed from memory of the table; check the print. */
export const COPPER_FLARE_NUTS: PublishedTable = {
  id: 'jis-b-8607',
  source: {
    title: 'Flare type and brazing type fittings for refrigerants',
    number: 'JIS B 8607',
    revision: '2008',
    date: '2008-01-20',
    kind: 'standard',
  },
  place: 'Tightening torque of flare nuts',
  table: {
    ...PLAIN_TABLE,
    name: 'Copper flare nuts',
    subject: 'flare nut, copper tube',
    keys: [{ name: 'Tube outside diameter', kind: 'inch-size', unit: '' }],
    values: [{ name: 'Torque', kind: 'torque', unit: 'N.m' }],
    rows: printedRows(1, ['1/4 | 14–18', '3/8 | 34–42', '1/2 | 49–61', '5/8 | 68–82', '3/4 | 100–120']),
    footnote: 'The unit maker’s own value governs.',
    madeForMaterial: 'copper tube',
  },
};
