import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { fromNewtonMetres, type TorqueUnit } from '#core/quantity/unit.ts';
import { readRequirement } from '#core/spec/requirement/read-requirement.ts';
import type { Requirement } from '#core/spec/requirement/requirement.ts';
import { plainSpecification, type Specification } from '#core/spec/requirement/specification.ts';
import { specifiedTarget } from '#core/target/joined-parts.ts';
import { DEFAULT_SCHOOLS, type Schools } from '#core/target/schools.ts';
import { relubricatedTarget } from '#core/target/specified-target.ts';

const printed = (text: string): Requirement => valueOrThrow(readRequirement(text, 'N.m')).requirement;
const specification = (text: string, part: Partial<Specification> = {}): Specification => ({
  ...plainSpecification(printed(text)),
  ...part,
});
const resolved = (
  text: string,
  part: Partial<Specification> = {},
  schools: Partial<Schools> = {},
  unit: TorqueUnit = 'N.m',
) => {
  const result = specifiedTarget(specification(text, part), { ...DEFAULT_SCHOOLS, ...schools }, 6);
  if (!result.ok) return result.refusal.code;
  const { low, target, high } = result.value;
  return [low, target, high].map((torque) => Number(fromNewtonMetres(torque, unit).toFixed(4)));
};

describe('run-on torque is added', () => {
  test('FAA AC 43.13-1B par. 7-40: 30 to 40 lbf·in with 8 lbf·in of drag is 38 to 48 on the scale', () => {
    const runOn = { text: '8', unit: 'lbf.in', value: 8 } as const;
    expect(resolved('30 to 40 lbf·in', { runOn }, {}, 'lbf.in')).toEqual([38, 43, 48]);
  });

  test('every limit and the target say that they were shifted, from what and by what', () => {
    const runOn = { text: '8', unit: 'lbf.in', value: 8 } as const;
    const result = valueOrThrow(
      specifiedTarget(specification('30 to 40 lbf·in', { runOn }), DEFAULT_SCHOOLS, null),
    );
    const added = result.steps.filter(({ rule }) => rule === 'run-on-added');
    expect(added.map(({ gives }) => gives)).toEqual(['low', 'high', 'target']);
    expect(added.every(({ from }) => from.length === 2)).toBe(true);
  });
});

describe('two parts in one joint', () => {
  const otherPart = printed('4 to 6 Nm');
  test('common practice: the lower one governs', () => {
    expect(resolved('5 to 7 Nm', { otherPart })).toEqual([4, 5, 6]);
    // Whichever of the two is named first.
    expect(resolved('4 to 6 Nm', { otherPart: printed('5 to 7 Nm') })).toEqual([4, 5, 6]);
  });

  test('school overlap: where both ranges overlap, its middle', () => {
    expect(resolved('5 to 7 Nm', { otherPart }, { twoParts: 'overlap-else-lower' })).toEqual([5, 5.5, 6]);
    expect(
      resolved('5 to 7 Nm', { otherPart }, { twoParts: 'overlap-else-lower', rangeTarget: 'high-end' }),
    ).toEqual([5, 6, 6]);
  });

  test('school overlap: without an overlap the lower governs, also where they only touch', () => {
    expect(resolved('7 to 9 Nm', { otherPart }, { twoParts: 'overlap-else-lower' })).toEqual([4, 5, 6]);
    expect(resolved('6 to 9 Nm', { otherPart }, { twoParts: 'overlap-else-lower' })).toEqual([4, 5, 6]);
  });

  test('the school is named in the step that decides', () => {
    const result = valueOrThrow(
      specifiedTarget(specification('5 to 7 Nm', { otherPart }), DEFAULT_SCHOOLS, null),
    );
    expect(result.steps.findLast(({ gives }) => gives === 'target')?.school).toEqual({
      question: 'twoParts',
      choice: 'lower-governs',
    });
  });
});

describe('two parts: the tighter maximum, what is not met, and the angle of either', () => {
  const steps = (text: string, other: string, schools: Partial<Schools> = {}) =>
    valueOrThrow(
      specifiedTarget(
        specification(text, { otherPart: printed(other) }),
        { ...DEFAULT_SCHOOLS, ...schools },
        null,
      ),
    );

  test('a wide lower range is cut at what the other part bears', () => {
    // 5 to 15, middle 10, governs; the other bears 11 at most.
    expect(resolved('5 to 15 Nm', { otherPart: printed('10.5 to 11 Nm') })).toEqual([5, 10, 11]);
    expect(resolved('10.5 to 11 Nm', { otherPart: printed('5 to 15 Nm') })).toEqual([5, 10, 11]);
  });

  test('what the other part asks for at least and does not get is said', () => {
    const unmet = steps('5 to 6 Nm', 'max 5 Nm').steps.filter(({ rule }) => rule === 'other-part-not-met');
    // 80 % of 5 is 4, under the 5 that the first asks for.
    expect(unmet).toMatchObject([{ from: [5, 4] }]);
    expect(steps('5 to 7 Nm', '4 to 6 Nm').steps.some(({ rule }) => rule === 'other-part-not-met')).toBe(
      false,
    );
  });

  test('an angle of either part stays: it is never tightened by the torque alone', () => {
    expect(steps('20 Nm + 90°', '30 Nm').thenAngleDegrees).toBe(90);
    expect(steps('30 Nm', '20 Nm + 90°').thenAngleDegrees).toBe(90);
    expect(steps('30 Nm + 60° + 30°', '20 Nm + 45°').thenAngleDegrees).toBe(90);
    expect(steps('30 Nm', '20 Nm').thenAngleDegrees).toBeNull();
  });

  test('a value with one not to exceed: the print’s maximum, the site’s tolerance below', () => {
    expect(resolved('tighten to 5 Nm, do not exceed 6 Nm')).toEqual([4.5, 5, 6]);
  });
});

describe('a value made for a harder material', () => {
  const part = { isForHarderMaterial: true };
  test('school refuse: no value is taken over', () => {
    expect(resolved('5 to 7 Nm', part)).toBe('made-for-harder-material');
  });

  test.each([
    // Common practice: the harder one's minimum becomes the maximum; a maximum alone is aimed at by 80 %, low limit 70 %.
    ['5 to 7 Nm', [3.5, 4, 5]],
    ['min 5 Nm', [3.5, 4, 5]],
    // A single value reaches down by the site's 10 %: 9 is the least it was made to give.
    ['10 Nm', [6.3, 7.2, 9]],
    ['10 ±1 Nm', [6.3, 7.2, 9]],
  ])('school minimum as maximum: %s', (text, expected) => {
    expect(resolved(text, part, { harderMaterial: 'minimum-as-maximum' })).toEqual(expected);
  });

  test('what it gives is marked as assumed', () => {
    const schools: Schools = { ...DEFAULT_SCHOOLS, harderMaterial: 'minimum-as-maximum' };
    const result = valueOrThrow(specifiedTarget(specification('5 to 7 Nm', part), schools, null));
    expect(result.steps[0]).toMatchObject({
      rule: 'harder-minimum-as-maximum',
      gives: 'high',
      assumed: true,
    });
  });
});

describe('angles', () => {
  test('torque then angle gives the torque stage, and the angle beside it', () => {
    const result = valueOrThrow(specifiedTarget(specification('20 Nm + 90°'), DEFAULT_SCHOOLS, null));
    expect([result.low, result.target, result.high].map((each) => Number(each.toFixed(4)))).toEqual([
      18, 20, 22,
    ]);
    expect(result.thenAngleDegrees).toBe(90);
  });

  test('snug then angle has no torque to give', () => {
    expect(resolved('snug + 60°')).toBe('angle-not-recordable');
  });
});

describe('every school of a single requirement', () => {
  test.each([
    ['3 to 4 Nm', { rangeTarget: 'middle' }, [3, 3.5, 4]],
    ['3 to 4 Nm', { rangeTarget: 'low-end' }, [3, 3, 4]],
    ['3 to 4 Nm', { rangeTarget: 'high-end' }, [3, 4, 4]],
    // Common practice: 12 N·m max gives 9.6; 7 N·m max gives 5.6.
    ['max 12 Nm', { maximumOnly: 'eighty-percent' }, [8.4, 9.6, 12]],
    ['max 7 Nm', { maximumOnly: 'eighty-percent' }, [4.9, 5.6, 7]],
    ['max 12 Nm', { maximumOnly: 'printed-value' }, [8.4, 12, 12]],
    ['max 10 Nm', { maximumOnly: 'site-share', maximumSharePercent: 90 }, [7, 9, 10]],
    ['max 10 Nm', { maximumOnly: 'site-share', maximumSharePercent: 60 }, [5, 6, 10]],
    ['min 10 Nm', {}, [10, 10.5, 12.5]],
    ['10 Nm', { nominalTolerance: 'site-tolerance' }, [9, 10, 11]],
    ['10 Nm', { nominalTolerance: 'site-tolerance', siteTolerancePercent: 5 }, [9.5, 10, 10.5]],
    ['10 Nm', { nominalTolerance: 'tool-class' }, [9.4, 10, 10.6]],
  ] as const)('%s under %j', (text, schools, expected) => {
    expect(resolved(text, {}, schools)).toEqual([...expected]);
  });
});

test('lubrication other than the source’s: T2 = T1·K2/K1, every step marked as assumed', () => {
  const target = valueOrThrow(specifiedTarget(specification('10 to 12 Nm'), DEFAULT_SCHOOLS, null));
  // 0.15/0.20 = 0.75: 7.5 to 9, middle 8.25.
  const oiled = relubricatedTarget(target, 0.2, 0.15);
  expect([oiled.low, oiled.target, oiled.high].map((each) => Number(each.toFixed(4)))).toEqual([
    7.5, 8.25, 9,
  ]);
  expect(oiled.steps.slice(-3).every(({ assumed, rule }) => assumed && rule === 'lubrication-ratio')).toBe(
    true,
  );
});

describe('the lower half of the range, for what there is no other of', () => {
  const half = { isLowerHalf: true };

  test.each([
    // 20 to 24: the half is 20 to 22, aimed at by the school of ranges.
    { text: '20 to 24 lbf·in', schools: {}, expect: [20, 21, 22] },
    { text: '20 to 24 lbf·in', schools: { rangeTarget: 'low-end' }, expect: [20, 20, 22] },
    { text: '20 to 24 lbf·in', schools: { rangeTarget: 'high-end' }, expect: [20, 22, 22] },
    // 22 ±2 is the same range; its printed value stands at the upper end of the half and is no longer aimed at.
    { text: '22 ±2 lbf·in', schools: {}, expect: [20, 21, 22] },
    // A maximum alone is accepted from 70 % of it: 28 to 40, the half 28 to 34.
    { text: 'max 40 lbf·in', schools: {}, expect: [28, 31, 34] },
  ] as const)('$text, $schools', ({ text, schools, expect: limits }) => {
    expect(resolved(text, half, schools, 'lbf.in')).toEqual([...limits]);
  });

  test('run-on torque comes first: 30 to 40 with 8 of drag is 38 to 48, the half 38 to 43', () => {
    const runOn = { text: '8', unit: 'lbf.in', value: 8 } as const;
    expect(resolved('30 to 40 lbf·in', { runOn, ...half }, {}, 'lbf.in')).toEqual([38, 40.5, 43]);
  });

  test('the steps say so, and what was printed stays in them', () => {
    const { steps } = valueOrThrow(
      specifiedTarget(specification('20 to 24 lbf·in', half), DEFAULT_SCHOOLS, null),
    );
    expect(steps.map(({ rule, gives }) => `${rule} ${gives}`)).toEqual([
      'printed-limit low',
      'printed-limit high',
      'middle-of-range target',
      'lower-half high',
      'lower-half target',
    ]);
  });
});
