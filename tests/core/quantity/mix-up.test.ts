import fc from 'fast-check';
import { probit } from 'simple-statistics';
import { describe, expect, test } from 'vitest';
import { likelyMixUps, MIX_UP_BAND } from '#core/quantity/mix-up.ts';

const normalQuantile = probit;
const names = (value: number, expected: number) => likelyMixUps(value, expected).map(({ mixUp }) => mixUp);

// Common practice, no published source: the factors by which torques go wrong.
describe('the factor-of-twelve guard', () => {
  test.each([
    { given: [264, 22], mixUp: 'inch-for-foot', direction: 'too-high' },
    { given: [22, 264], mixUp: 'inch-for-foot', direction: 'too-low' },
    { given: [88.5, 10], mixUp: 'newton-metre-for-inch', direction: 'too-high' },
    { given: [13.56, 10], mixUp: 'newton-metre-for-foot', direction: 'too-high' },
    { given: [7.37, 10], mixUp: 'newton-metre-for-foot', direction: 'too-low' },
    { given: [1, 100], mixUp: 'two-decimal-places', direction: 'too-low' },
  ] as const)('$given is $mixUp, $direction', ({ given: [value, expected], mixUp, direction }) => {
    expect(likelyMixUps(value, expected)[0]).toMatchObject({ mixUp, direction });
  });

  test('ten times is a decimal place, and near twelve it is either', () => {
    expect(names(100, 10)).toEqual(['decimal-place']);
    expect(names(94, 10)).toContain('decimal-place');
    expect(names(94, 10)).toContain('newton-metre-for-inch');
  });

  test.each([
    ['inch-for-foot', 12],
    ['newton-metre-for-inch', 8.850746],
    ['decimal-place', 10],
    ['two-decimal-places', 100],
    ['ounce-for-pound', 16],
    ['kilogram-metre-for-foot', 7.233014],
    ['kilogram-centimetre-for-foot', 13.825495],
    ['kilogram-metre-for-inch', 86.796166],
  ] as const)('%s: the band around %d is 8 %%, inclusive, just inside and just outside', (mixUp, factor) => {
    const edge = factor * (1 + MIX_UP_BAND);
    expect(names(edge * 0.9999, 1)).toContain(mixUp);
    expect(names(edge * 1.0001, 1)).not.toContain(mixUp);
  });

  test('a factor that an honest pull comes near is asked about only where it is all but met', () => {
    // 1 lbf·ft is 1.355818 N·m (NIST SP 811).
    expect(names(1.355818 * 1.0199, 1)).toEqual(['newton-metre-for-foot']);
    expect(names(1.355818 * 1.0201, 1)).toEqual([]);
    // 1 lbf·in is 1.152125 kgf·cm: between two prints it is named, a reading off by so much is a pull that is off.
    expect(names(1.152125, 1)).toEqual([]);
    expect(likelyMixUps(1.152125, 1, 'print').map(({ mixUp }) => mixUp)).toEqual([
      'kilogram-centimetre-for-inch',
    ]);
  });

  test('readings that scatter honestly, with a tenth of standard deviation, are asked in under 0.5 % of cases', () => {
    // The normal distribution by its quantiles, evenly spaced: no chance in it.
    const n = 20_000;
    const asked = Array.from({ length: n }, (_, index) => normalQuantile((index + 0.5) / n)).filter(
      (z) => likelyMixUps(Math.max(1e-6, 10 * (1 + 0.1 * z)), 10).length > 0,
    ).length;
    expect(asked / n).toBeLessThan(0.005);
  });

  test.each([1, 1.1, 0.9, 1.2, 1.15, 1.28, 1.45, 2, 3, 0.5, 5, 30, 50])(
    '%d times raises no question',
    (ratio) => {
      expect(likelyMixUps(ratio * 7, 7)).toEqual([]);
    },
  );

  test('property: too high one way is too low the other, by the same factors', () => {
    const torque = fc.double({ min: 0.01, max: 1000, noNaN: true });
    fc.assert(
      fc.property(torque, torque, (a, b) => {
        fc.pre(a !== b);
        expect(names(a, b)).toEqual(names(b, a));
      }),
    );
  });
});
