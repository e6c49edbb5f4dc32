import { crosswise } from './crosswise.ts';
import { readingOrder } from './reading-order.ts';
import type { Spot } from './spot.ts';

/** How the fasteners of a group follow each other. Alternating is turn about in the order they are listed, pass by pass. */
export const ORDERS = ['reading', 'crosswise', 'alternating', 'as-listed'] as const;
export type Order = (typeof ORDERS)[number];

/** The positions of a group in the order of the work. */
export const orderOf = (order: Order, places: readonly Spot[]): readonly string[] => {
  switch (order) {
    case 'reading':
      return readingOrder(places);
    case 'crosswise':
      return crosswise(places);
    case 'alternating':
    case 'as-listed':
      return places.map(({ position }) => position);
  }
};
