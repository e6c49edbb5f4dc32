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

/** A fastener that carries more than it is rated for. */
export const overloadWords = ({ position, loadAmperes, ratedAmperes, standing }: Overload): string =>
  `${position} carries ${loadAmperes} A and is rated for ${ratedAmperes} A: ${loadWords(standing)}`;
