import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { fromNewtonMetres, type TorqueUnit } from '#core/quantity/unit.ts';
import { readRequirement } from '#core/spec/requirement/read-requirement.ts';
import type { DerivationStep } from '#core/target/derivation.ts';
import { DEFAULT_SCHOOLS, type Schools } from '#core/target/schools.ts';
import { targetAndAcceptance } from '#core/target/target-and-acceptance.ts';

const requirement = (text: string) => valueOrThrow(readRequirement(text, 'N.m')).requirement;

const resolved = (text: string, schools: Partial<Schools> = {}, toolLimitPercent: number | null = null) =>
  targetAndAcceptance(requirement(text), { ...DEFAULT_SCHOOLS, ...schools }, toolLimitPercent);

const inUnit = (
  text: string,
  unit: TorqueUnit,
  schools: Partial<Schools> = {},
  limit: number | null = null,
) => {
  const { target, low, high } = valueOrThrow(resolved(text, schools, limit));
  return [target, low, high].map((torque) => Number(fromNewtonMetres(torque, unit).toFixed(9)));
};

const stepFor = (text: string, gives: DerivationStep['gives'], schools: Partial<Schools> = {}) =>
  valueOrThrow(resolved(text, schools, 6)).steps.find((step) => step.gives === gives);

describe('a range: acceptance is the range, the school picks the target', () => {
  test.each([
    { school: 'middle', target: 6 },
    { school: 'low-end', target: 5 },
    { school: 'high-end', target: 7 },
  ] as const)('$school of 5–7 N·m is $target', ({ school, target }) => {
    expect(inUnit('5-7 Nm', 'N.m', { rangeTarget: school })).toEqual([target, 5, 7]);
  });

  test('in the printed unit, nothing is lost to conversion', () => {
    expect(inUnit('13-17 in-lb', 'lbf.in')).toEqual([15, 13, 17]);
  });
});

describe('a maximum alone', () => {
  // Common practice, no published source: 80 % of the maximum, low limit 70 %, assumed.
  test.each([
    { given: 'max 12 Nm', expected: [9.6, 8.4, 12] },
    { given: 'max 7 Nm', expected: [5.6, 4.9, 7] },
  ])('$given', ({ given, expected }) => {
    expect(inUnit(given, 'N.m')).toEqual(expected);
  });

  test.each([
    { schools: { maximumOnly: 'printed-value' }, expected: [10, 7, 10] },
    { schools: { maximumOnly: 'site-share', maximumSharePercent: 90 }, expected: [9, 7, 10] },
    // Derived: a share under 80 % keeps the low limit a tenth of the maximum under the target.
    { schools: { maximumOnly: 'site-share', maximumSharePercent: 60 }, expected: [6, 5, 10] },
  ] as const)('10 N·m max by $schools.maximumOnly', ({ schools, expected }) => {
    expect(inUnit('max 10 Nm', 'N.m', schools)).toEqual(expected);
  });

  test('the low limit is marked as assumed, the printed one is not', () => {
    expect(stepFor('max 12 Nm', 'low')?.assumed).toBe(true);
    expect(stepFor('max 12 Nm', 'high')?.assumed).toBe(false);
  });
});

describe('the other kinds', () => {
  // Common practice, no published source: 1.05 and 1.25 of a minimum alone.
  test('a minimum alone', () => {
    expect(inUnit('min 100 in-lb', 'lbf.in')).toEqual([105, 100, 125]);
    expect(stepFor('min 100 in-lb', 'high')?.assumed).toBe(true);
    expect(stepFor('min 100 in-lb', 'low')?.assumed).toBe(false);
  });

  test('a printed tolerance in percent', () => {
    expect(inUnit('6 Nm ±10%', 'N.m')).toEqual([6, 5.4, 6.6]);
    expect(stepFor('6 Nm ±10%', 'low')?.assumed).toBe(false);
  });

  test('a printed tolerance, also one that is not even', () => {
    expect(inUnit('6 ±0.5 Nm', 'N.m')).toEqual([6, 5.5, 6.5]);
    expect(inUnit('6 Nm +1/-0.5', 'N.m')).toEqual([6, 5.5, 7]);
  });

  test.each([
    { schools: {}, limit: null, expected: [20, 18, 22], rule: 'site-tolerance' },
    { schools: { siteTolerancePercent: 5 }, limit: null, expected: [20, 19, 21], rule: 'site-tolerance' },
    {
      schools: { nominalTolerance: 'tool-class' },
      limit: 6,
      expected: [20, 18.8, 21.2],
      rule: 'tool-class-tolerance',
    },
  ] as const)('a single value by $rule is assumed', ({ schools, limit, expected, rule }) => {
    expect(inUnit('20 Nm', 'N.m', schools, limit)).toEqual(expected);
    const low = valueOrThrow(resolved('20 Nm', schools, limit)).steps.find(({ gives }) => gives === 'low');
    expect(low).toMatchObject({ rule, assumed: true });
  });
});

describe('refusals', () => {
  test('tool-needed: the class’s tolerance without a tool', () => {
    expect(resolved('20 Nm', { nominalTolerance: 'tool-class' })).toMatchObject({
      refusal: { code: 'tool-needed' },
    });
  });

  test('angle-not-recordable: torque then angle', () => {
    expect(resolved('22 lb-ft + 90°')).toEqual({
      ok: false,
      refusal: { code: 'angle-not-recordable', angleDegrees: 90 },
    });
  });
});

describe('the derivation', () => {
  test.each([
    { text: '5-7 Nm', school: { question: 'rangeTarget', choice: 'middle' } },
    { text: 'max 7 Nm', school: { question: 'maximumOnly', choice: 'eighty-percent' } },
  ])('$text names its school', ({ text, school }) => {
    expect(stepFor(text, 'target')?.school).toEqual(school);
  });

  test('a single value names the school of its tolerance', () => {
    expect(stepFor('7 Nm', 'low')?.school).toEqual({
      question: 'nominalTolerance',
      choice: 'site-tolerance',
    });
  });

  test('property: low < high, the target is inside, and each result is a step’s', () => {
    const kinds = ['max X Nm', 'min X Nm', 'X Nm', 'X Nm ±5%', 'X in-lb'];
    const schools = fc.record({
      rangeTarget: fc.constantFrom('middle', 'low-end', 'high-end'),
      maximumOnly: fc.constantFrom('eighty-percent', 'printed-value', 'site-share'),
      maximumSharePercent: fc.integer({ min: 30, max: 100 }),
      siteTolerancePercent: fc.integer({ min: 1, max: 30 }),
    });
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds),
        fc.integer({ min: 1, max: 900 }),
        schools,
        (kind, value, choice) => {
          const { target, low, high, steps } = valueOrThrow(
            resolved(kind.replace('X', String(value)), choice as Partial<Schools>),
          );
          expect(low).toBeLessThan(high);
          expect(target).toBeGreaterThanOrEqual(low);
          expect(target).toBeLessThanOrEqual(high);
          expect(steps.map(({ gives }) => gives).sort()).toEqual(['high', 'low', 'target']);
        },
      ),
    );
  });
});
