import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  classRefusal,
  classStanding,
  PROPERTY_CLASSES,
  propertyClassOf,
} from '#core/spec/screw/property-class.ts';

describe('strength classes of screws', () => {
  test.each([
    ['8.8', '8.8'],
    [' 8,8 ', '8.8'],
    ['class 10.9', '10.9'],
    ['Property class 12.9', '12.9'],
    ['a2-70', 'A2-70'],
    ['A4 80', 'A4-80'],
    ['A270', 'A2-70'],
    ['grade 8', 'grade 8'],
    ['Gr. 5', 'grade 5'],
    ['gr 2', 'grade 2'],
    ['88', null],
    ['8', null],
    ['12.8', null],
    ['A3-70', null],
    ['', null],
  ])('%j is read as %j', (text, propertyClass) => {
    expect(propertyClassOf(text)).toBe(propertyClass);
  });

  test('each is read as itself', () => {
    for (const each of PROPERTY_CLASSES) expect(propertyClassOf(each)).toBe(each);
  });

  // ISO 898-1:2013, 3.1: the first number is a hundredth of the nominal tensile strength, so a higher one of the same standard is stronger.
  test.each([
    ['12.9', '8.8', 'weaker'],
    ['12.9', '10.9', 'weaker'],
    ['8.8', '8.8', 'met'],
    ['8.8', '10.9', 'met'],
    ['8.8', '6.8', 'weaker'],
    ['grade 8', 'grade 5', 'weaker'],
    ['grade 5', 'grade 8', 'met'],
    ['A2-70', 'A4-70', 'met'],
    // Molybdenum is asked for against corrosion, whatever the strength.
    ['A4-70', 'A2-80', 'another-standard'],
    ['A2-70', 'A2-50', 'weaker'],
    // Stronger, and still not what the torque was made for: stainless threads gall.
    ['8.8', 'A2-80', 'another-standard'],
    ['8.8', 'grade 8', 'another-standard'],
  ] as const)('%s asked, %s in hand: %s', (asked, inHand, standing) => {
    expect(classStanding(asked, inHand)).toBe(standing);
    const refusal =
      standing === 'met' ? null : { code: 'class-not-met', position: 'J1', asked, inHand, standing };
    expect(classRefusal('J1', asked, inHand)).toEqual(refusal);
  });

  test('of two of the same standard and steel, one at least meets the other', () => {
    const any = fc.constantFrom(...PROPERTY_CLASSES);
    fc.assert(
      fc.property(any, any, (a, b) => {
        const both = [classStanding(a, b), classStanding(b, a)];
        expect(both.includes('met') || both.includes('another-standard')).toBe(true);
      }),
    );
  });

  test('nothing is held against a screw where no class is asked or nobody said what is in hand', () => {
    expect(classRefusal('J1', undefined, '4.6')).toBeNull();
    expect(classRefusal('J1', '12.9', undefined)).toBeNull();
  });
});
