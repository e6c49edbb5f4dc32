import type { PropertyClass } from '../spec/screw/property-class.ts';

/** How the class of a screw is told by its head, and what to take where it can't be told.
 *  Source: ISO 898-1:2013, 10.3; ISO 3506-1; SAE J429. Transcribed from memory; check the print. */
export const HEAD_MARKS: readonly {
  readonly mark: string;
  readonly tells: PropertyClass | null;
  readonly note: string;
}[] = [
  {
    mark: '8.8, 10.9, 12.9 in figures, with a maker’s sign',
    tells: null,
    note: 'Metric: the class itself. Figures without a sign prove nothing.',
  },
  { mark: 'A2-70, A4-80', tells: null, note: 'Stainless: the class itself. Plain A2 is taken for A2-50.' },
  { mark: 'inch hex head, no line', tells: 'grade 2', note: 'Or no grade at all: the weakest.' },
  { mark: 'inch hex head, three lines', tells: 'grade 5', note: 'Lines a third of a turn apart.' },
  { mark: 'inch hex head, six lines', tells: 'grade 8', note: 'Lines a sixth of a turn apart.' },
  {
    mark: 'inch socket head cap screw, unmarked',
    tells: '12.9',
    note: 'Made in one strength, near 12.9; a metric one carries its mark.',
  },
  { mark: 'no mark, metric', tells: '4.6', note: 'Nothing is promised: the weakest.' },
];
