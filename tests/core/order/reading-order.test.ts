import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { readingOrder, rowsOf, smallestPitch } from '#core/order/reading-order.ts';

const place = (position: string, xMm: number, yMm: number) => ({ position, xMm, yMm });

describe('terminals in reading order', () => {
  test('rows from the top, each from the left, whatever the list’s order', () => {
    const places = [place('d', 20, 40), place('b', 20, 10), place('a', 10, 10), place('c', 10, 40)];
    expect(readingOrder(places)).toEqual(['a', 'b', 'c', 'd']);
  });

  test('terminals stepped by less than 0.6 of the pitch are one row', () => {
    const places = [place('a', 0, 0), place('b', 10, 5.9), place('c', 20, 0), place('d', 0, 30)];
    expect(rowsOf(places).map((row) => row.map(({ position }) => position))).toEqual([
      ['a', 'b', 'c'],
      ['d'],
    ]);
  });

  test('one terminal is a row', () => {
    expect(readingOrder([place('only', 3, 3)])).toEqual(['only']);
  });

  test('two terminals at one place are kept both', () => {
    expect(readingOrder([place('a', 1, 1), place('b', 1, 1), place('c', 9, 1)])).toHaveLength(3);
  });

  test('the smallest pitch is the distance of the nearest two', () => {
    expect(smallestPitch([place('a', 0, 0), place('b', 10, 0), place('c', 13, 4)])).toBe(5);
    expect(smallestPitch([place('a', 0, 0)])).toBe(Number.POSITIVE_INFINITY);
  });

  test('property: every position comes exactly once', () => {
    const coordinate = fc.integer({ min: 0, max: 500 });
    const places = fc.uniqueArray(fc.tuple(coordinate, coordinate), { maxLength: 60 });
    fc.assert(
      fc.property(places, (list) => {
        const named = list.map(([x, y], index) => place(String(index), x, y));
        expect([...readingOrder(named)].sort()).toEqual(named.map(({ position }) => position).sort());
      }),
    );
  });
});
