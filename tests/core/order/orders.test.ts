import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { centreOut, ringsOf } from '#core/order/centre-out.ts';
import { centroid } from '#core/order/centroid.ts';
import { eccentricities, largestEccentricity } from '#core/order/eccentricity.ts';
import { leastEccentricity, PROVED_MOST } from '#core/order/least-eccentricity.ts';
import { opposedPairs } from '#core/order/opposed-pairs.ts';
import { orderOf } from '#core/order/order.ts';
import { firstDifference, orderReport } from '#core/order/order-report.ts';
import { ORDERS } from '#core/order/orders.ts';
import type { Spot } from '#core/order/spot.ts';
import { gridOf, placesIn, ringOf } from './layouts.ts';

const scattered = (most: number, least = 1) =>
  fc
    .uniqueArray(fc.tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 60 })), {
      minLength: least,
      maxLength: most,
      selector: ([x, y]) => `${x} ${y}`,
    })
    .map((spots) => spots.map(([xMm, yMm], index): Spot => ({ position: String(index + 1), xMm, yMm })));

const worstOf = (order: readonly string[], places: readonly Spot[]) =>
  largestEccentricity(placesIn(order, places));

test('every order of every drawing names each fastener once', () => {
  fc.assert(
    fc.property(scattered(24), fc.constantFrom(...ORDERS), (places, order) => {
      expect([...orderOf(order, places)].sort()).toEqual(places.map(({ position }) => position).sort());
    }),
  );
});

describe('from the centre outwards (common practice)', () => {
  test('a row of five goes to alternating sides', () => {
    expect(centreOut(gridOf(5, 1))).toEqual(['3', '2', '4', '1', '5']);
  });
  test('a row of six begins with the two in the middle', () => {
    expect(centreOut(gridOf(6, 1)).slice(0, 2).sort()).toEqual(['3', '4']);
  });
  test('a plate of three by three: the middle, the four beside it crosswise, the corners crosswise', () => {
    const order = centreOut(gridOf(3, 3));
    expect(order[0]).toBe('5');
    expect(order.slice(1, 5)).toEqual(['2', '8', '6', '4']);
    expect([...order.slice(5)].sort()).toEqual(['1', '3', '7', '9']);
    expect(order.slice(5, 7)).toEqual(['1', '9']);
  });
  test('no pull lies more than a quarter of a pitch nearer to the middle than one before it', () => {
    fc.assert(
      fc.property(scattered(20), (places) => {
        const middle = centroid(places);
        const out = ({ xMm, yMm }: Spot) => Math.hypot(xMm - middle.xMm, yMm - middle.yMm);
        const rings = ringsOf(places);
        for (const [index, ring] of rings.entries())
          for (const place of rings[index + 1] ?? [])
            expect(out(place)).toBeGreaterThan(out(ring[0] as Spot));
        expect(centreOut(places)).toHaveLength(places.length);
      }),
    );
  });
});

describe('in opposed pairs (common practice)', () => {
  test('a square face is worked as an X', () => {
    // 1 2 above 3 4: corner to corner, then the other two.
    expect(opposedPairs(gridOf(2, 2))).toEqual(['1', '4', '2', '3']);
  });
  test('every second pull of a ring of an even count lies opposite the one before', () => {
    for (const count of [4, 6, 8, 10, 12]) {
      const order = opposedPairs(ringOf(count)).map(Number);
      for (let at = 0; at < count; at += 2)
        expect(Math.abs((order[at + 1] as number) - (order[at] as number))).toBe(count / 2);
    }
  });
  test('inner pairs come before outer ones', () => {
    const order = opposedPairs(gridOf(4, 1));
    expect(order.slice(0, 2).sort()).toEqual(['2', '3']);
  });
});

describe('the force nearest to the middle', () => {
  test('statics: of two, the first pull leaves half their distance from the middle', () => {
    // Places 0 and 20, middle 10: the first is off by 10 with half of the whole force: 5. Then 0.
    expect(eccentricities(gridOf(2, 1))).toEqual([5, 0]);
  });
  test('a ring of twelve round in a circle tips as far as theory says', () => {
    // Half a circle pulled: the moment is R/n · 1/sin(π/n).
    expect(largestEccentricity(ringOf(12))).toBeCloseTo(40 / 12 / Math.sin(Math.PI / 12), 9);
  });
  test('a ring crosswise is as good as can be: one pull’s own share', () => {
    const places = ringOf(12);
    const best = leastEccentricity(places);
    expect(best.isProved).toBe(true);
    expect(worstOf(best.order, places)).toBeCloseTo(40 / 12, 9);
    expect(worstOf(orderOf('crosswise', places), places)).toBeCloseTo(40 / 12, 9);
  });
  test('up to seven, nothing found by trying every order is better', () => {
    const permutations = (left: readonly Spot[]): readonly (readonly Spot[])[] =>
      left.length === 0
        ? [[]]
        : left.flatMap((each) =>
            permutations(left.filter((other) => other !== each)).map((rest) => [each, ...rest]),
          );
    fc.assert(
      fc.property(scattered(6), (places) => {
        const least = Math.min(...permutations(places).map((order) => largestEccentricity(order)));
        expect(worstOf(leastEccentricity(places).order, places)).toBeCloseTo(least, 6);
      }),
      { numRuns: 40 },
    );
  });
  test('beyond what is proved it is no worse than every other order it offers', () => {
    fc.assert(
      fc.property(scattered(24, PROVED_MOST + 1), (places) => {
        const { order, isProved } = leastEccentricity(places);
        expect(isProved).toBe(false);
        expect(worstOf(order, places)).toBeLessThanOrEqual(
          worstOf(orderOf('reading', places), places) + 1e-9,
        );
      }),
      { numRuns: 40 },
    );
  });
});

describe('one’s own order is held against the best', () => {
  test('round in a circle: beside the last one eleven times, and three times as far off the middle', () => {
    const report = orderReport(ringOf(12));
    expect(report.besideTheLast).toBe(11);
    expect(report.largestEccentricityMm / report.bestEccentricityMm).toBeCloseTo(3.864, 3);
    expect(report.outerBeforeInner).toBeNull();
  });
  test('outer before inner is named', () => {
    const grid = gridOf(3, 3);
    expect(orderReport(grid).outerBeforeInner).toEqual(['1', '2']);
    expect(orderReport(placesIn(centreOut(grid), grid)).outerBeforeInner).toBeNull();
  });
  test('an order is never said to be worse than itself', () => {
    fc.assert(
      fc.property(scattered(20), (places) => {
        const report = orderReport(places);
        expect(report.bestEccentricityMm).toBeLessThanOrEqual(report.largestEccentricityMm);
      }),
    );
  });
  test('where two orders part', () => {
    expect(firstDifference(['1', '2', '3'], ['1', '3', '2'])).toEqual({ at: 2, own: '2', other: '3' });
    expect(firstDifference(['1', '2'], ['1', '2'])).toBeNull();
  });
});
