import type { Spot } from '#core/order/spot.ts';

/** A ring of so many, numbered clockwise from the top; radius in millimetres. */
export const ringOf = (count: number, radiusMm = 40): readonly Spot[] =>
  Array.from({ length: count }, (_, index) => {
    const angle = (index / count) * 2 * Math.PI;
    return {
      position: String(index + 1),
      xMm: radiusMm * Math.sin(angle),
      yMm: -radiusMm * Math.cos(angle),
    };
  });

/** Rows of so many, numbered as one reads; pitch in millimetres. */
export const gridOf = (columns: number, rows: number, pitchMm = 20): readonly Spot[] =>
  Array.from({ length: columns * rows }, (_, index) => ({
    position: String(index + 1),
    xMm: (index % columns) * pitchMm,
    yMm: Math.floor(index / columns) * pitchMm,
  }));

/** The places of an order. */
export const placesIn = (order: readonly string[], places: readonly Spot[]): readonly Spot[] =>
  order.flatMap((position) => places.find((place) => place.position === position) ?? []);
