import { PLAIN_TABLE, type PublishedTable, printedRows } from './published-table.ts';

const VALUES = [
  { name: 'Mark on the head', kind: 'text', unit: null },
  { name: 'Proof strength', kind: 'text', unit: null },
] as const;

/** Proof strength of metric steel fasteners by property class, in MPa.
 *  Source: ISO 898-1:2013, table 3. Transcribed from memory of the table; check the print. */
export const METRIC_BOLT_STRENGTH: PublishedTable = {
  id: 'iso-898-1',
  source: {
    title: 'Mechanical properties of fasteners made of carbon steel and alloy steel',
    number: 'ISO 898-1',
    revision: '2013',
    date: '2013-01-15',
    kind: 'standard',
  },
  place: 'Table 3',
  table: {
    ...PLAIN_TABLE,
    name: 'Metric bolt strength',
    subject: 'strength of a metric screw',
    keys: [{ name: 'Property class', kind: 'category', unit: '' }],
    values: VALUES,
    rows: printedRows(1, ['8.8 | 8.8 | 580 MPa to M16', '10.9 | 10.9 | 830 MPa', '12.9 | 12.9 | 970 MPa']),
  },
};

/** Strength of stainless fasteners, in MPa at 0.2 % strain.
 *  Source: ISO 3506-1. Transcribed from memory of the table; check the print. */
export const STAINLESS_BOLT_STRENGTH: PublishedTable = {
  id: 'iso-3506-1',
  source: {
    title: 'Mechanical properties of corrosion-resistant stainless steel fasteners',
    number: 'ISO 3506-1',
    revision: '2020',
    date: '2020-04-15',
    kind: 'standard',
  },
  place: 'Mechanical properties of austenitic steels',
  table: {
    ...PLAIN_TABLE,
    name: 'Stainless bolt strength',
    subject: 'strength of a stainless screw',
    keys: [{ name: 'Property class', kind: 'category', unit: '' }],
    values: VALUES,
    rows: printedRows(1, ['A2-70 | A2-70 | Rp0.2 450 MPa']),
  },
};

/** Proof strength of inch bolts by grade and head mark, in ksi.
 *  Source: SAE J429. Transcribed from memory of the table; check the print. */
export const INCH_BOLT_STRENGTH: PublishedTable = {
  id: 'sae-j429',
  source: {
    title: 'Mechanical and material requirements for externally threaded fasteners',
    number: 'SAE J429',
    revision: '2014',
    date: '2014-05-19',
    kind: 'standard',
  },
  place: 'Table 1',
  table: {
    ...PLAIN_TABLE,
    name: 'Inch bolt strength',
    subject: 'strength of an inch screw',
    keys: [{ name: 'Grade', kind: 'category', unit: '' }],
    values: VALUES,
    rows: printedRows(1, [
      'grade 2 | no line | 55 ksi to 3/4 in',
      'grade 5 | 3 lines | 85 ksi to 1 in',
      'grade 8 | 6 lines | 120 ksi',
    ]),
    footnote: 'Unmarked inch socket-head cap screws are of one strength, near 12.9 (common practice).',
  },
};
