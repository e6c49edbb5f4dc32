import { shortFigure } from '#core/quantity/display.ts';
import type { LoadStanding } from '#core/spec/load/load-against-rating.ts';
import type { Overload } from '#core/view/overloads.ts';

/** How a load stands against a continuous rating, and what cures it where it is above. */
export const loadWords = (standing: LoadStanding): string => {
  const share = `${shortFigure(standing.sharePercent)} % of the rating.`;
  return standing.kind === 'within'
    ? share
    : `${share} It takes ${standing.jointsNeeded} such joints, each with a lead of its own, or another joint. More torque cures nothing.`;
};

const NAMED_MOST = 6;

/** Fasteners that carry more than they are rated for. */
export const overloadWords = ({ positions, loadAmperes, ratedAmperes, standing }: Overload): string => {
  const named = positions.slice(0, NAMED_MOST).join(', ');
  const others = positions.length > NAMED_MOST ? ` and ${positions.length - NAMED_MOST} more` : '';
  return `${named}${others}: ${loadAmperes} A where ${ratedAmperes} A is rated, ${loadWords(standing)}`;
};
