import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type PinWeakness, pinWeakness } from '#core/people/weak-pin.ts';

// Common practice: what is tried first.
const CASES: readonly (readonly [pin: string, weakness: PinWeakness | null])[] = [
  ['000000', 'one-digit'],
  ['123456', 'run'],
  ['654321', 'run'],
  ['890123', 'run'],
  ['135791', 'run'],
  ['246802', 'run'],
  ['1212121', 'repeated'],
  ['121212', 'repeated'],
  ['123123', 'repeated'],
  ['471471', 'repeated'],
  ['112233', 'repeated'],
  ['111222', 'repeated'],
  ['123321', 'repeated'],
  ['4711174', 'repeated'],
  ['1987', 'date'],
  ['24121987', 'date'],
  ['12241987', 'date'],
  ['19871224', 'date'],
  ['482615', null],
  ['271828', null],
  ['314159', null],
  ['20261399', null],
  ['90571364', null],
];

describe('PINs that are tried first', () => {
  test.each(CASES)('%s: %s', (pin, weakness) => {
    expect(pinWeakness(pin)).toBe(weakness);
  });

  test('not one in fifty of all six digits is refused: choosing stays easy, and guessing does too little', () => {
    let weak = 0;
    for (let pin = 0; pin < 1e6; pin += 1) if (pinWeakness(String(pin).padStart(6, '0'))) weak += 1;
    expect(weak).toBeGreaterThan(1_000);
    expect(weak).toBeLessThan(20_000);
  });

  test('whatever is written backwards is as weak, dates apart', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 999_999 }), (number) => {
        const pin = String(number).padStart(6, '0');
        const backwards = [...pin].reverse().join('');
        expect(pinWeakness(pin) === null).toBe(pinWeakness(backwards) === null);
      }),
    );
  });
});
