import { readFileSync } from 'node:fs';
import { probit } from 'simple-statistics';
import { likelyMixUps } from '#core/quantity/mix-up.ts';
import { readLabel } from '#core/spec/label/read-label.ts';
import { readLookupTable } from '#core/spec/lookup/lookup-table.ts';
import { readRequirement } from '#core/spec/requirement/read-requirement.ts';
import { inProject } from '../site/paths.ts';
import { measured, median, printFigure } from './measured.ts';

const LABEL_ROWS = 500;
const ROUNDS = 40;

const spellings = (): readonly string[] =>
  readFileSync(inProject('tests/core/spec/requirement/spellings.tsv'), 'utf8')
    .split('\n')
    .filter((line) => line !== '' && !line.startsWith('# '))
    .map((line) => line.slice(0, line.lastIndexOf('\t')));

const SCATTERED = 200_000;

/** How many readings that scatter honestly about their target, with a tenth of standard deviation, the mix-up guard asks about, in per cent. */
const falseAlarms = (): number => {
  const asked = Array.from({ length: SCATTERED }, (_, index) => probit((index + 0.5) / SCATTERED)).filter(
    (z) => likelyMixUps(Math.max(1e-6, 10 * (1 + 0.1 * z)), 10).length > 0,
  );
  return (asked.length / SCATTERED) * 100;
};

/** Reading print: a requirement at the median of every spelling of the corpus, a label of five hundred rows. */
export const benchPrint = (): void => {
  const all = spellings();
  const microseconds = all.map((text) => {
    const times = Array.from({ length: ROUNDS }, () => {
      const start = performance.now();
      readRequirement(text, 'N.m');
      return (performance.now() - start) * 1000;
    });
    return median(times);
  });
  printFigure({
    name: `read a requirement, ${all.length} spellings (bound 50 µs)`,
    values: microseconds,
    unit: 'µs',
  });
  printFigure({
    name: 'honest readings (sd 10 %) that the mix-up guard asks about (bound 0.5 %)',
    values: [falseAlarms()],
    unit: '%',
  });
  const label = Array.from(
    { length: LABEL_ROWS },
    (_, index) => `#${2 + (index % 7) * 2} CU ${10 + index} in-lb`,
  ).join('\n');
  measured(`read a pasted label of ${LABEL_ROWS} rows, every cell (bound 100 ms)`, 20, () => {
    const read = readLabel(label);
    if (read.ok) readLookupTable(read.value.table, 'N.m');
  });
};
