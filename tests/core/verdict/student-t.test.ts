import fc from 'fast-check';
import jStat from 'jstat';
import { expect, test } from 'vitest';
import { twoSidedT } from '#core/verdict/coverage-factor.ts';
import { studentQuantile } from '#core/verdict/student-t.ts';

// JCGM 100:2008, table G.2: t for 95 % and 99 %, to the two decimals it prints.
test.each([
  [1, 12.71, 63.66],
  [2, 4.3, 9.92],
  [4, 2.78, 4.6],
  [9, 2.26, 3.25],
  [20, 2.09, 2.85],
  [50, 2.01, 2.68],
  [100, 1.984, 2.626],
])('%d degrees of freedom', (degrees, at95, at99) => {
  expect(twoSidedT(0.95, degrees)).toBeCloseTo(at95, 2);
  expect(twoSidedT(0.99, degrees)).toBeCloseTo(at99, 2);
});

test('property: to the last bit what jStat says, which gave the verdicts in records', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1e-6, max: 1 - 1e-6, noNaN: true }),
      fc.double({ min: 0.5, max: 1e5, noNaN: true }),
      (p, degrees) => {
        expect(studentQuantile(p, degrees)).toBe(jStat.studentt.inv(p, degrees));
      },
    ),
    { seed: 20261127, numRuns: 10_000 },
  );
});

test('property: it grows with the share, and is the same on both sides', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.001, max: 0.499, noNaN: true }),
      fc.integer({ min: 1, max: 200 }),
      (p, degrees) => {
        expect(studentQuantile(p, degrees)).toBeLessThan(0);
        expect(studentQuantile(1 - p, degrees)).toBeCloseTo(-studentQuantile(p, degrees), 6);
        expect(studentQuantile(p + 0.001, degrees)).toBeGreaterThan(studentQuantile(p, degrees));
      },
    ),
    { seed: 20261127 },
  );
});
