import { PLAIN_TABLE, type PublishedTable, printedRows } from './published-table.ts';

const NFPA_70 = {
  title: 'National Electrical Code, Informative Annex I',
  number: 'NFPA 70',
  revision: '2020',
  date: '2019-08-05',
  kind: 'standard',
} as const;

const LAST_RESORT =
  'Only where the maker of the terminal gives no value; what is marked on the equipment governs.';

/** Tightening torque of screw terminals, in lbf·in.
 *  Source: NFPA 70-2020 Informative Annex I, Table I.1, from UL 486A-486B. Transcribed from memory of the table; check the print. */
export const SCREW_TERMINALS: PublishedTable = {
  id: 'nfpa-70-2020-i1',
  source: NFPA_70,
  place: 'Annex I, Table I.1',
  table: {
    ...PLAIN_TABLE,
    name: 'Screw terminals',
    subject: 'screw terminal, maker’s value not known',
    keys: [{ name: 'Conductor size', kind: 'conductor', unit: '' }],
    values: [
      {
        name: 'Slotted screw No. 10 or larger, slot to 3/64 in wide and 1/4 in long',
        kind: 'torque',
        unit: 'lbf.in',
      },
      { name: 'Slotted screw No. 10 or larger, wider or longer slot', kind: 'torque', unit: 'lbf.in' },
      { name: 'Hex head, split-bolt connector', kind: 'torque', unit: 'lbf.in' },
      { name: 'Hex head, other connector', kind: 'torque', unit: 'lbf.in' },
    ],
    rows: printedRows(1, [
      '18–10 AWG | 20 | 35 | 80 | 75',
      '8 AWG | 25 | 40 | 80 | 75',
      '6–4 AWG | 35 | 45 | 165 | 110',
      '3 AWG | 35 | 50 | 275 | 150',
      '2 AWG | 40 | 50 | 275 | 150',
      '1 AWG | – | 50 | 275 | 150',
      '1/0–2/0 AWG | – | 50 | 385 | 180',
      '3/0–4/0 AWG | – | 50 | 500 | 250',
      '250–350 kcmil | – | 50 | 650 | 325',
      '400 kcmil | – | 50 | 825 | 375',
      '500 kcmil | – | 50 | 825 | 375',
      '600–750 kcmil | – | 50 | 1000 | 375',
      '800–1000 kcmil | – | 50 | 1100 | 500',
      '1250–2000 kcmil | – | – | 1100 | 600',
    ]),
    footnote: LAST_RESORT,
  },
};

/** Tightening torque of recessed socket screws by the size of the key, in lbf·in.
 *  Source: NFPA 70-2020 Informative Annex I, Table I.3, from UL 486A-486B. Transcribed from memory of the table; check the print. */
export const SOCKET_SCREWS: PublishedTable = {
  id: 'nfpa-70-2020-i3',
  source: NFPA_70,
  place: 'Annex I, Table I.3',
  table: {
    ...PLAIN_TABLE,
    name: 'Recessed socket screws',
    subject: 'socket screw of a terminal, maker’s value not known',
    keys: [{ name: 'Key size across flats', kind: 'inch-size', unit: '' }],
    values: [{ name: 'Torque', kind: 'torque', unit: 'lbf.in' }],
    rows: printedRows(1, [
      '1/8 | 45',
      '5/32 | 100',
      '3/16 | 120',
      '7/32 | 150',
      '1/4 | 200',
      '5/16 | 275',
      '3/8 | 375',
      '1/2 | 500',
      '9/16 | 600',
    ]),
    footnote: LAST_RESORT,
  },
};
