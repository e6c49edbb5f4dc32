import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { likelyMixUps, MIX_UP_BAND } from '#core/quantity/mix-up.ts';

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

  test.each([12, 8.85, 1.356, 10, 100])('the band around %d is 8 %%, inclusive', (factor) => {
    const edge = factor * (1 + MIX_UP_BAND);
    expect(likelyMixUps(edge, 1).map((each) => each.factor)).toContain(factor);
    expect(likelyMixUps(edge * 1.0001, 1).map((each) => each.factor)).not.toContain(factor);
  });

  test.each([1, 1.1, 0.9, 1.2, 2, 3, 0.5, 5, 20, 50])('%d times raises no question', (ratio) => {
    expect(likelyMixUps(ratio * 7, 7)).toEqual([]);
  });

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
