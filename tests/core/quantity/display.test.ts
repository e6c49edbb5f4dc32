import { describe, expect, test } from 'vitest';
import { displayDigits, displayTorque, writtenResolution } from '#core/quantity/display.ts';
import { significantDigits } from '#core/quantity/torque.ts';
import { toNewtonMetres } from '#core/quantity/unit.ts';

describe('digits shown are digits worth', () => {
  test.each([
    // Derived: 250 lbf·in = 20.8333… lbf·ft; three digits printed, four shown.
    { value: 20.833333, sourceDigits: 3, graduation: null, expected: '20.83' },
    { value: 20.833333, sourceDigits: 1, graduation: null, expected: '21' },
    { value: 2.485666, sourceDigits: 2, graduation: null, expected: '2.49' },
    { value: 28.246207, sourceDigits: 3, graduation: null, expected: '28.25' },
    // Never finer than a tenth of the graduation.
    // A tenth of 0.5 is 0.05: hundredths are finer.
    { value: 25.6123, sourceDigits: 6, graduation: 0.5, expected: '25.6' },
    { value: 25.6123, sourceDigits: 6, graduation: 0.2, expected: '25.6' },
    { value: 25.6123, sourceDigits: 6, graduation: 0.1, expected: '25.61' },
    { value: 53.1045, sourceDigits: 6, graduation: 5, expected: '53' },
    { value: 53.1045, sourceDigits: 6, graduation: 2, expected: '53' },
    { value: 25.6123, sourceDigits: 6, graduation: 1, expected: '25.6' },
    { value: 25.6123, sourceDigits: 6, graduation: 10, expected: '26' },
    // Trailing zeros claim digits nobody read.
    { value: 22, sourceDigits: 4, graduation: null, expected: '22' },
    { value: 0.5, sourceDigits: 3, graduation: null, expected: '0.5' },
    { value: 12345, sourceDigits: 2, graduation: null, expected: '12300' },
    { value: 0, sourceDigits: 3, graduation: null, expected: '0' },
    // Ties go away from zero: 1.005 is stored just below.
    { value: 1.005, sourceDigits: 2, graduation: null, expected: '1.01' },
  ])(
    '$value with $sourceDigits digits and graduation $graduation is $expected',
    ({ value, expected, ...resolution }) => {
      expect(displayDigits(value, resolution)).toBe(expected);
    },
  );

  test('the unit is never dropped', () => {
    expect(displayTorque(toNewtonMetres(36, 'lbf.in'), 'N.m', writtenResolution('36'))).toBe('4.07 N·m');
  });

  test.each([
    { text: '36', digits: 2 },
    { text: '250', digits: 3 },
    { text: '0.50', digits: 2 },
    { text: '5.5', digits: 2 },
    { text: '1.20', digits: 3 },
    { text: '0', digits: 1 },
  ])('$text shows $digits significant digits', ({ text, digits }) => {
    expect(significantDigits(text)).toBe(digits);
  });
});
