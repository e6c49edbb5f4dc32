import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assumedSpot } from '#core/order/assumed-spot.ts';
import { crossPattern, crosswise } from '#core/order/crosswise.ts';
import { orderOf } from '#core/order/order.ts';

describe('the cross pattern', () => {
  // ASME PCC-1, legacy pattern (from memory).
  test.each([
    { count: 4, order: [1, 3, 2, 4] },
    { count: 8, order: [1, 5, 3, 7, 2, 6, 4, 8] },
    { count: 12, order: [1, 7, 4, 10, 2, 8, 5, 11, 3, 9, 6, 12] },
    { count: 16, order: [1, 9, 5, 13, 3, 11, 7, 15, 2, 10, 6, 14, 4, 12, 8, 16] },
  ])('ASME PCC-1 legacy pattern (memory), $count bolts', ({ count, order }) => {
    expect(crossPattern(count)).toEqual(order);
  });

  test('of any count it names each number once, and the second lies opposite the first', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 80 }), (count) => {
        const order = crossPattern(count);
        expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: count }, (_, i) => i + 1));
        const [first = 1, second] = order;
        if (second !== undefined) expect(Math.abs(second - first)).toBe(Math.floor(count / 2));
      }),
    );
  });

  test('counts that have no published pattern never go to a neighbour while something farther is left', () => {
    for (const count of [5, 6, 7, 9, 10, 11, 14, 20, 24]) {
      const order = crossPattern(count);
      const left = new Set(order);
      const apart = (a: number, b: number) => Math.min(Math.abs(a - b), count - Math.abs(a - b));
      left.delete(order[0] as number);
      for (const [index, number] of order.slice(1).entries()) {
        const before = order[index] as number;
        const farthest = Math.max(...[...left].map((each) => apart(each, before)));
        expect([count, number, apart(number, before)]).toEqual([count, number, farthest]);
        left.delete(number);
      }
    }
  });
});

describe('crosswise on a drawing', () => {
  const ring = (count: number, turn = 0) =>
    Array.from({ length: count }, (_, index) => {
      const angle = (index / count) * 2 * Math.PI + turn;
      return { position: String(index + 1), xMm: 50 * Math.sin(angle), yMm: -50 * Math.cos(angle) };
    });

  test.each([0, 0.3, 2, 4])('numbers run clockwise from the first listed, turned by %d', (turn) => {
    expect(crosswise(ring(8, turn)).map(Number)).toEqual([1, 5, 3, 7, 2, 6, 4, 8]);
  });

  test('the order of the list decides only where it begins', () => {
    const [first, ...others] = ring(8);
    expect(crosswise([first as never, ...others.reverse()]).map(Number)).toEqual([1, 5, 3, 7, 2, 6, 4, 8]);
  });

  test('a ring without places is drawn as one, and worked as one', () => {
    const drawn = Array.from({ length: 12 }, (_, index) => ({
      position: String(index + 1),
      ...assumedSpot('ring', index, 12),
    }));
    expect(orderOf('crosswise', drawn).map(Number)).toEqual([1, 7, 4, 10, 2, 8, 5, 11, 3, 9, 6, 12]);
  });

  test('nothing is in no order', () => {
    expect(crosswise([])).toEqual([]);
    expect(orderOf('alternating', ring(3))).toEqual(['1', '2', '3']);
  });
});
