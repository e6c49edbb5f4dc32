import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { awgDiameterInches, readConductorSize } from '#core/spec/conductor/conductor-size.ts';

const area = (text: string) => valueOrThrow(readConductorSize(text)).areaSquareMillimetres;

describe('ASTM B258: American wire gauge', () => {
  test.each([
    // Published: the two gauges that define the scale, ASTM B258: No. 36 is 0.0050 in, No. 4/0 is 0.4600 in.
    { name: '36', n: 36, inches: 0.005, half: 1e-12 },
    { name: '4/0', n: -3, inches: 0.46, half: 1e-12 },
    // Published: ASTM B258 table, diameters in inches to four places.
    { name: '10', n: 10, inches: 0.1019, half: 5e-5 },
    { name: '14', n: 14, inches: 0.0641, half: 5e-5 },
    { name: '1/0', n: 0, inches: 0.3249, half: 5e-5 },
  ])('No. $name is $inches in', ({ n, inches, half }) => {
    expect(Math.abs(awgDiameterInches(n) - inches)).toBeLessThanOrEqual(half);
  });

  test('4/0 is 211.6 kcmil and 107.2 mm²', () => {
    const size = valueOrThrow(readConductorSize('4/0'));
    expect(size.areaKcmil).toBeCloseTo(211.6, 1);
    expect(size.areaSquareMillimetres).toBeCloseTo(107.2, 1);
  });
});

describe('spellings', () => {
  test.each(['10', '#10', '10 AWG', 'AWG 10', '10AWG', 'No. 10', '10 ga'])('%s is 10 AWG', (text) => {
    expect(area(text)).toBeCloseTo(5.261, 3);
  });

  test.each(['2/0', '2/0 AWG', 'AWG 2/0', '#2/0'])('%s is 2/0', (text) => {
    expect(area(text)).toBeCloseTo(67.43, 2);
  });

  test.each([
    { text: '2.5 mm²', expected: 2.5 },
    { text: '2,5 mm2', expected: 2.5 },
    { text: '16 sq mm', expected: 16 },
    // Derived: 250 kcmil = 250 × 0.506707 mm².
    { text: '250 kcmil', expected: 126.677 },
    { text: '250 MCM', expected: 126.677 },
  ])('$text', ({ text, expected }) => {
    expect(area(text)).toBeCloseTo(expected, 3);
  });
});

describe('refusals', () => {
  test.each(['', 'thick', '5/0', '10 x', '1.5', '#', '99999 mm²'])('unreadable-conductor: %j', (text) => {
    expect(readConductorSize(text)).toMatchObject({ refusal: { code: 'unreadable-conductor' } });
  });

  test.each(['41 AWG', '1201 mm²', '0 mm²'])('conductor-out-of-bounds: %s', (text) => {
    expect(readConductorSize(text)).toMatchObject({ refusal: { code: 'conductor-out-of-bounds' } });
  });

  test('limits: 40 AWG and 1200 mm² are sizes', () => {
    expect(readConductorSize('40 AWG').ok).toBe(true);
    expect(readConductorSize('1200 mm²').ok).toBe(true);
  });
});

test('property: a smaller gauge number is a thicker wire, and six sizes about double the diameter', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 34 }), (n) => {
      expect(awgDiameterInches(n)).toBeGreaterThan(awgDiameterInches(n + 1));
      expect(awgDiameterInches(n) / awgDiameterInches(n + 6)).toBeCloseTo(2.005, 3);
    }),
  );
});
