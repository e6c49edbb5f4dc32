import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { NUMBER_MAX_LENGTH, readNumber } from '#core/quantity/read-number.ts';

describe('a number as people write it', () => {
  test.each([
    { given: '36', value: 36 },
    { given: '5.5', value: 5.5 },
    { given: '5,5', value: 5.5 },
    { given: '1.20', value: 1.2 },
    { given: '.5', value: 0.5 },
    { given: ',5', value: 0.5 },
    { given: '0,125', value: 0.125 },
    { given: '1.250', value: 1.25 },
    { given: '1,250.5', value: 1250.5 },
    { given: '1.250,5', value: 1250.5 },
    { given: '1,250,000', value: 1_250_000 },
    { given: ' 7 ', value: 7 },
  ])('$given is $value', ({ given, value }) => {
    const read = readNumber(given);
    expect(read.ok && read.value.value).toBe(value);
  });

  test('the digits keep their resolution', () => {
    const read = readNumber('1,20');
    expect(read).toEqual({ ok: true, value: { text: '1.20', value: 1.2 } });
  });

  test.each(['', 'abc', '1.2.3', '5-', '-5', '1e3', '∞', '12,34,5', '1,2.5', ' '])(
    '%j is refused',
    (given) => {
      expect(readNumber(given)).toMatchObject({ ok: false, refusal: { code: 'not-a-number' } });
    },
  );

  test('a comma before three digits is not guessed', () => {
    expect(readNumber('1,250')).toEqual({
      ok: false,
      refusal: { code: 'ambiguous-number', text: '1,250', candidates: ['1.250', '1250'] },
    });
  });

  test('length: at the limit it reads, just over it is refused', () => {
    expect(readNumber('1'.repeat(NUMBER_MAX_LENGTH)).ok).toBe(true);
    expect(readNumber('1'.repeat(NUMBER_MAX_LENGTH + 1)).ok).toBe(false);
  });

  test('property: what reads, reads as the same digits again', () => {
    fc.assert(
      fc.property(fc.nat({ max: 99_999 }), fc.nat({ max: 999 }), (whole, fraction) => {
        const text = `${whole}.${fraction}`;
        const read = readNumber(text);
        expect(read).toEqual({ ok: true, value: { text, value: Number(text) } });
      }),
    );
  });

  test('property: no text makes it throw', () => {
    fc.assert(fc.property(fc.string(), (text) => typeof readNumber(text).ok === 'boolean'));
  });
});
