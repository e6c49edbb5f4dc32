import { PLAIN_TABLE, type PublishedTable, printedRows } from './published-table.ts';

const AC_43_13 = {
  title: 'Acceptable Methods, Techniques, and Practices: Aircraft Inspection and Repair',
  number: 'FAA AC 43.13-1B',
  revision: 'Change 1',
  date: '2001-09-27',
  kind: 'circular',
} as const;

/** Tightening torque of flared tube nuts on soft aluminium tube, minimum to maximum in lbf·in.
 *  Source: FAA AC 43.13-1B, Table 9-2, column for 5052-O tube. Transcribed from memory of the table; check the print. */
export const FLARED_TUBE_NUTS: PublishedTable = {
  id: 'faa-ac-43-13-1b-9-2',
  source: AC_43_13,
  place: 'Chapter 9, Table 9-2',
  table: {
    ...PLAIN_TABLE,
    name: 'Flared tube nuts',
    subject: 'flared tube nut',
    keys: [
      { name: 'Tube outside diameter', kind: 'inch-size', unit: '' },
      { name: 'Tube alloy', kind: 'category', unit: '' },
    ],
    values: [{ name: 'Torque', kind: 'torque', unit: 'lbf.in' }],
    rows: printedRows(2, [
      '1/8 | 5052-O | 20–30',
      '3/16 | 5052-O | 25–35',
      '1/4 | 5052-O | 50–65',
      '5/16 | 5052-O | 70–90',
      '3/8 | 5052-O | 110–130',
      '1/2 | 5052-O | 230–260',
      '5/8 | 5052-O | 330–360',
      '3/4 | 5052-O | 460–500',
    ]),
    footnote:
      'The aircraft’s or the fitting maker’s own value governs. Other tubes have other columns in print.',
    madeForMaterial: '5052-O aluminium tube',
  },
};

/** Tightening torque of nuts on fine threads, tension type, minimum to maximum in lbf·in, dry.
 *  Source: FAA AC 43.13-1B, Table 7-1. Transcribed from memory of the table; check the print. */
export const FINE_THREAD_NUTS: PublishedTable = {
  id: 'faa-ac-43-13-1b-7-1',
  source: AC_43_13,
  place: 'Chapter 7, Table 7-1',
  table: {
    ...PLAIN_TABLE,
    name: 'Nuts on fine threads',
    subject: 'nut, tension type',
    keys: [{ name: 'Thread', kind: 'thread', unit: '' }],
    values: [{ name: 'Tension type nut', kind: 'torque', unit: 'lbf.in' }],
    rows: printedRows(1, [
      '8-36 | 12–15',
      '10-32 | 20–25',
      '1/4-28 | 50–70',
      '5/16-24 | 100–140',
      '3/8-24 | 160–190',
      '7/16-20 | 450–500',
      '1/2-20 | 480–690',
    ]),
    footnote: 'Dry threads. Run-on torque of a self-locking nut is added (par. 7-40).',
  },
};
