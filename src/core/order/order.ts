import { centreOut } from './centre-out.ts';
import { crosswise } from './crosswise.ts';
import { leastEccentricity } from './least-eccentricity.ts';
import { opposedPairs } from './opposed-pairs.ts';
import type { Order } from './orders.ts';
import { readingOrder } from './reading-order.ts';
import type { Spot } from './spot.ts';

/** The positions of a group in the order of the work. */
export const orderOf = (order: Order, places: readonly Spot[]): readonly string[] => {
  switch (order) {
    case 'reading':
      return readingOrder(places);
    case 'crosswise':
      return crosswise(places);
    case 'centre-out':
      return centreOut(places);
    case 'opposed-pairs':
      return opposedPairs(places);
    case 'least-eccentricity':
      return leastEccentricity(places).order;
    case 'alternating':
    case 'as-listed':
    case 'own':
      return places.map(({ position }) => position);
  }
};
