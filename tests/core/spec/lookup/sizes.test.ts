import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { coveredWords } from '#core/spec/lookup/covered-sizes.ts';
import { readInchSize } from '#core/spec/lookup/inch-size.ts';
import { type KeyKind, spanCovers, spanDistance } from '#core/spec/lookup/key-span.ts';
import { readKeySpan } from '#core/spec/lookup/read-key-span.ts';
import { readThreadSize } from '#core/spec/lookup/thread-size.ts';

const span = (kind: KeyKind, text: string, unit = '') => valueOrThrow(readKeySpan(kind, text, unit));

describe('threads', () => {
  test.each([
    // ISO 261:1998, table 2: the coarse pitch may be left out.
    { text: 'M8', designation: 'M8' },
    { text: 'm 8', designation: 'M8' },
    { text: 'M8x1.25', designation: 'M8' },
    { text: 'M8 × 1,25', designation: 'M8' },
    { text: 'M8x1', designation: 'M8x1' },
    { text: 'M10 x 1.5', designation: 'M10' },
    { text: 'M2,5', designation: 'M2.5' },
    { text: 'M3.5x0.6', designation: 'M3.5' },
    { text: '#10-32 UNF', designation: '10-32' },
    { text: 'No. 10-32', designation: '10-32' },
    { text: '1/4-28', designation: '1/4-28' },
    { text: '1/4"-28 UNF-2A', designation: '1/4-28' },
  ])('$text is $designation', ({ text, designation }) => {
    expect(valueOrThrow(readThreadSize(text)).designation).toBe(designation);
  });

  test.each([
    // ASME B1.1, table 1: basic major diameters in inches.
    { text: '4-40', inches: 0.112 },
    { text: '6-32', inches: 0.138 },
    { text: '8-32', inches: 0.164 },
    { text: '10-32', inches: 0.19 },
    { text: '5/16-18', inches: 0.3125 },
    { text: '3/8-24', inches: 0.375 },
  ])('$text is $inches in across', ({ text, inches }) => {
    expect(valueOrThrow(readThreadSize(text)).diameterMillimetres).toBeCloseTo(inches * 25.4, 9);
  });

  test.each(['', 'M', 'M8x', '8', 'thread', '10.32', 'M123'])('%j is no thread', (text) => {
    expect(readThreadSize(text)).toMatchObject({ ok: false, refusal: { code: 'unreadable-thread', text } });
  });
});

describe('sizes on the axis of inches', () => {
  test.each([
    // A dash number counts sixteenths of an inch of tube: common practice, as on any fitting.
    { text: '-6', inches: 0.375 },
    { text: 'dash 6', inches: 0.375 },
    { text: '−4', inches: 0.25 },
    { text: '3/8', inches: 0.375 },
    { text: '3/8 in', inches: 0.375 },
    { text: '3/8"', inches: 0.375 },
    { text: '1-1/4', inches: 1.25 },
    { text: '1 1/4 in', inches: 1.25 },
    { text: '.375', inches: 0.375 },
    { text: '0,375 in', inches: 0.375 },
    { text: '9.525 mm', inches: 0.375 },
  ])('$text is $inches in', ({ text, inches }) => {
    expect(valueOrThrow(readInchSize(text)).inches).toBeCloseTo(inches, 9);
  });

  test.each(['', '0', '-0', '3/0', '25', 'big', '1/2/3'])('%j is no size', (text) => {
    expect(readInchSize(text)).toMatchObject({ ok: false, refusal: { code: 'unreadable-size' } });
  });
});

describe('spans', () => {
  test('a band covers what lies in it, open below where it says over', () => {
    const over = span('number', 'over 4 to 6');
    expect(spanCovers(over, span('number', '4'))).toBe(false);
    expect(spanCovers(over, span('number', '4.1'))).toBe(true);
    expect(spanCovers(over, span('number', '6'))).toBe(true);
    expect(spanCovers(span('number', 'up to 4'), span('number', '4'))).toBe(true);
    expect(spanCovers(span('number', 'over 6'), span('number', '900'))).toBe(true);
    expect(spanCovers(span('category', 'any'), span('category', 'brass'))).toBe(true);
    expect(spanCovers(span('metal', 'Cu/Al'), span('metal', 'aluminum'))).toBe(true);
    expect(spanCovers(span('metal', 'Cu only'), span('metal', 'Al'))).toBe(false);
  });

  test('a metric area is the gauge it rounds', () => {
    // ASTM B258: 2/0 AWG is 133.1 kcmil, 67.43 mm².
    expect(spanCovers(span('conductor', '2/0 AWG'), span('conductor', '67.4 mm²'))).toBe(true);
    expect(spanCovers(span('conductor', '2/0 AWG'), span('conductor', '70 mm²'))).toBe(false);
    expect(spanCovers(span('conductor', '18-10', 'AWG'), span('conductor', '2.5 mm²'))).toBe(true);
    expect(spanCovers(span('conductor', '18-10', 'AWG'), span('conductor', '8 AWG'))).toBe(false);
  });

  test('the distance says on which side of a cell an answer lies', () => {
    const cell = span('number', '4-6');
    expect(spanDistance(cell, span('number', '3'))).toBe(1);
    expect(spanDistance(cell, span('number', '5'))).toBe(0);
    expect(spanDistance(cell, span('number', '8'))).toBe(-2);
    expect(spanDistance(span('thread', 'M8'), span('thread', 'M10'))).toBe(-2);
    expect(spanDistance(span('metal', 'Cu'), span('metal', 'Al'))).toBeNull();
    expect(spanDistance(span('number', 'any'), span('number', '3'))).toBeNull();
  });

  test('any band of numbers covers its ends and nothing a hundredth beyond', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.integer({ min: 1, max: 500 }), (a, b) => {
        const [low, high] = [Math.min(a, b), Math.max(a, b)];
        const cell = span('number', `${a} to ${b}`);
        expect(spanCovers(cell, span('number', `${low}`))).toBe(true);
        expect(spanCovers(cell, span('number', `${high}`))).toBe(true);
        expect(spanCovers(cell, span('number', (high * 1.01).toFixed(4)))).toBe(false);
        expect(spanCovers(cell, span('number', (low * 0.99).toFixed(4)))).toBe(false);
      }),
    );
  });

  test('what a band covers is found by every size sold in it', () => {
    expect(coveredWords('conductor', span('conductor', '14-10', 'AWG'))).toEqual([
      '14 AWG',
      '12 AWG',
      '10 AWG',
    ]);
    expect(coveredWords('conductor', span('conductor', '3/0 AWG-350 kcmil'))).toEqual([
      '3/0 AWG',
      '4/0 AWG',
      '250 kcmil',
      '300 kcmil',
      '350 kcmil',
    ]);
    expect(coveredWords('metal', span('metal', 'Cu or Al'))).toEqual(['copper', 'aluminium']);
    expect(coveredWords('number', span('number', '1-9'))).toEqual([]);
  });
});
