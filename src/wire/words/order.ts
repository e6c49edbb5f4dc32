import type { JointKind } from '#core/joint/joint-kind.ts';
import type { OrderReport } from '#core/order/order-report.ts';
import type { Order } from '#core/order/orders.ts';

/** An order in words, after the count of what follows it. */
export const ORDER_WORDS: Readonly<Record<Order, string>> = {
  reading: 'in reading order',
  crosswise: 'crosswise',
  alternating: 'turn about',
  'as-listed': 'as listed',
  'centre-out': 'from the centre outwards',
  'opposed-pairs': 'in opposed pairs',
  'least-eccentricity': 'with the force nearest to the middle',
  own: 'in an order of its own',
};

/** All passes of a kind in words: `snug, a third; two thirds; full torque; then rounds until nothing moves`. */
export const passesWords = ({
  passes,
  roundsUntilStill,
}: Pick<JointKind, 'passes' | 'roundsUntilStill'>): string =>
  [...passes.map(({ name }) => name), ...(roundsUntilStill ? ['then rounds until nothing moves'] : [])].join(
    '; ',
  );

const millimetreWords = (mm: number): string => `${mm.toFixed(mm < 10 ? 1 : 0)} mm`;
/** Two orders whose force strays by no more than this share of the better one are as good as each other. */
const AS_GOOD = 1.02;

/** How an order compares with what can be had, a line for each thing worth saying. */
export const orderReportWords = (report: OrderReport): readonly string[] => {
  const { largestEccentricityMm: own, bestEccentricityMm: best, isBestProved } = report;
  const isBest = own <= best * AS_GOOD + 1e-6;
  return [
    `The clamping force strays up to ${millimetreWords(own)} from the middle${
      isBest
        ? isBestProved
          ? '; no order does better.'
          : '; none better was found.'
        : `; the best order ${isBestProved ? 'there is' : 'found'} keeps it within ${millimetreWords(best)}.`
    }`,
    ...(report.outerBeforeInner
      ? [
          `${report.outerBeforeInner[0]} comes before ${report.outerBeforeInner[1]}, which lies nearer to the middle: what is outside may come loose again.`,
        ]
      : []),
    ...(report.besideTheLast > 0
      ? [
          `${report.besideTheLast} ${report.besideTheLast === 1 ? 'pull follows' : 'pulls follow'} one right beside it.`,
        ]
      : []),
  ];
};
