import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { drift } from '#core/calibration/drift.ts';
import {
  relativeDeviation,
  type SessionConditions,
  sessionEvaluation,
} from '#core/calibration/session-evaluation.ts';
import { sessionPlan } from '#core/calibration/session-plan.ts';
import { valueOrThrow } from '#core/fault.ts';
import { TOOL_CLASSES } from '#core/tool/class-limit.ts';
import { dueReason, monthsLater, needsWarmUp } from '#core/tool/due.ts';
import { appliedTorque, figureAt } from '#core/tool/known-error.ts';
import { twoSidedT } from '#core/verdict/coverage-factor.ts';

const CONDITIONS: SessionConditions = {
  limitPercentAt: () => 4,
  referenceExpandedPercent: 0.5,
  resolution: 0,
};
const evaluated = (
  points: readonly { shown: number; references: readonly number[] }[],
  conditions = CONDITIONS,
) => valueOrThrow(sessionEvaluation(points, conditions));

describe('ISO 6789-1:2017 (from memory): how a session is done', () => {
  test.each(TOOL_CLASSES.map((toolClass) => [toolClass] as const))(
    '%s: readings and pre-loads',
    (toolClass) => {
      const { readingsEach, preloads, points } = sessionPlan(toolClass, { minimum: 5, maximum: 100 });
      expect(readingsEach).toBe(['II-B', 'II-C', 'II-E', 'II-F'].includes(toolClass) ? 10 : 5);
      expect(preloads).toBe(toolClass.startsWith('II') ? 5 : 1);
      expect(points).toEqual([20, 60, 100]);
    },
  );

  test('a point below the scale moves up to it; a tool of one setting has one point', () => {
    expect(sessionPlan('II-A', { minimum: 30, maximum: 100 }).points).toEqual([30, 60, 100]);
    expect(sessionPlan('II-E', { minimum: 9, maximum: 9 }).points).toEqual([9]);
  });
});

describe('a session evaluated', () => {
  test('a beam shows 40 while the reference says 37: +8.1 %, it shows more than it applies', () => {
    expect(relativeDeviation(40, 37)).toBeCloseTo(8.1, 1);
    const { points, hasPassed } = evaluated([{ shown: 40, references: [37] }]);
    expect(points[0]?.errorPercent).toBeCloseTo(8.108, 3);
    expect(hasPassed).toBe(false);
  });

  test('mean, standard deviation, b_re and budget', () => {
    // Deviations of 10 against 10.1, 10, 9.9: −0.990099, 0, +1.010101 %; mean 0.006667, s = √(2.000467/2) = 1.000117.
    const [point] = evaluated([{ shown: 10, references: [10.1, 10, 9.9] }], {
      ...CONDITIONS,
      resolution: 0.02,
    }).points;
    expect(point?.errorPercent).toBeCloseTo(0.006667, 6);
    expect(point?.deviationPercent).toBeCloseTo(1.0001, 4);
    expect(point?.repeatabilityPercent).toBeCloseTo(2.0002, 4);
    // Reference 0.25; resolution 0.02/√12/10 = 0.057735 %; s/√3 = 0.577418; W = 2·√(0.0625 + 0.003333 + 0.333411) = 1.263715.
    expect(point?.budget.map(({ standardPercent }) => standardPercent.toFixed(5))).toEqual([
      '0.25000',
      '0.05774',
      '0.57742',
    ]);
    expect(point?.expandedPercent).toBeCloseTo(1.2637, 4);
  });

  test.each([
    // 4 % of 10: 10/1.04 = 9.615385 is at the limit.
    [9.6153847, true],
    [9.615, false],
  ])('a reference of %d against 10 with a limit of 4 %%: inside %s', (reference, expected) => {
    expect(evaluated([{ shown: 10, references: [reference] }]).hasPassed).toBe(expected);
  });

  test('an old beam that reads true at 20 to 30 and low above is kept for 20 to 30', () => {
    const { usable, hasPassed } = evaluated([
      { shown: 20, references: [20.05] },
      { shown: 30, references: [29.9] },
      { shown: 60, references: [66] },
      { shown: 10, references: [9] },
    ]);
    expect(hasPassed).toBe(false);
    expect(usable).toEqual({ lowNewtonMetres: 20, highNewtonMetres: 30 });
  });

  test.each([
    ['no point', [], 'session-without-points'],
    ['a point without readings', [{ shown: 10, references: [] }], 'session-without-points'],
    ['a reading of zero', [{ shown: 10, references: [0] }], 'session-reading-not-positive'],
    ['a reading of another unit', [{ shown: 100, references: [0.5, 0.5] }], 'session-reading-far-off'],
    ['a setting of zero', [{ shown: 0, references: [10] }], 'session-reading-not-positive'],
  ])('%s is refused', (_, points, code) => {
    expect(sessionEvaluation(points, CONDITIONS)).toMatchObject({ refusal: { code } });
  });
});

test('a setting below what the scale resolves is refused: its uncertainty is no percentage of anything', () => {
  const fine = { ...CONDITIONS, resolution: 0.05 };
  expect(sessionEvaluation([{ shown: 1e-3, references: [1e-3] }], fine)).toMatchObject({
    refusal: { code: 'session-reading-far-off', shown: 1e-3 },
  });
});

test('an error between two points is interpolated, and kept beyond them', () => {
  const point = (torqueNewtonMetres: number, errorPercent: number) => ({
    torqueNewtonMetres,
    errorPercent,
    deviationPercent: 0,
    expandedPercent: 0,
  });
  const points = [point(30, 4), point(10, 2)];
  expect([5, 10, 15, 30, 99].map((torque) => figureAt(points, 'errorPercent', torque))).toEqual([
    2, 2, 2.5, 4, 4,
  ]);
  // +7 % shown too much: 107 shown was 100.
  expect(appliedTorque(107, 7)).toBeCloseTo(100, 12);
});

/** Sessions at which nothing was adjusted: what was found was left. */
const unadjusted = (errors: readonly number[], apart: number) =>
  errors.map((percent, index) => ({ day: index * apart, foundPercent: percent, leftPercent: percent }));

describe('when it drifts out', () => {
  test('below three sessions there is not enough data', () => {
    expect(drift(unadjusted([1, 2], 9), 4)).toEqual({ kind: 'not-enough-data', sessions: 2 });
    expect(drift(unadjusted([1, 2, 3], 0), 4).kind).toBe('not-enough-data');
  });

  test('steady growth crosses where it says, with no interval to speak of', () => {
    // 0 %, 1 %, 2 % a hundred days apart: past 4 % from day 401 on.
    expect(drift(unadjusted([0, 1, 2], 100), 4)).toMatchObject({
      kind: 'fitted',
      crossesOn: 401,
      earliest: 401,
      latest: 401,
    });
  });

  test('an adjustment starts a new line: only the growth from as left to as found counts', () => {
    // Found 2, left 0; found 2, left 0; found 2, left 0, a hundred days apart: 2 % in 100 days, past 4 % 201 days after the last.
    const sessions = [0, 100, 200, 300].map((day) => ({
      day,
      foundPercent: day === 0 ? 0 : 2,
      leftPercent: 0,
    }));
    expect(drift(sessions, 4)).toMatchObject({ crossesOn: 501, percentPerYear: expect.closeTo(7.305, 6) });
  });

  test('scatter widens the interval on both sides, and the estimate lies between', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -30, max: 30 }), { minLength: 3, maxLength: 8 }),
        fc.integer({ min: 30, max: 500 }),
        (tenths, apart) => {
          const found = drift(
            unadjusted(
              tenths.map((tenth) => tenth / 10),
              apart,
            ),
            4,
          );
          if (found.kind !== 'fitted') throw new Error('expected a fit');
          const late = Number.POSITIVE_INFINITY;
          expect(found.earliest ?? late).toBeLessThanOrEqual(found.crossesOn ?? late);
          expect(found.crossesOn ?? late).toBeLessThanOrEqual(found.latest ?? late);
        },
      ),
    );
  });

  test('a tool that does not drift never leaves', () => {
    expect(drift(unadjusted([0.5, 0.5, 0.5, 0.5], 365), 4)).toMatchObject({
      kind: 'fitted',
      crossesOn: null,
    });
  });

  test.each([
    // JCGM 100:2008, table G.2, t95(ν).
    [1, 12.71],
    [2, 4.3],
    [5, 2.57],
    [10, 2.23],
    [50, 2.01],
  ])('JCGM 100:2008, table G.2: t for 95 %% and %i degrees of freedom is %d', (degrees, expected) => {
    expect(twoSidedT(0.95, degrees)).toBeCloseTo(expected, 2);
  });
});

describe('what a tool is due for', () => {
  const tool = { calibrationDueOn: '2026-05-31', dueAfterPulls: 5000, takenIntoUseOn: '2025-06-15' };
  test.each([
    ['recalibrate', 4999, '2026-05-31', null],
    ['recalibrate', 5000, '2026-05-31', 'count'],
    ['recalibrate', 0, '2026-06-01', 'time'],
    ['replace-yearly', 9999, '2026-06-15', null],
    ['replace-yearly', 0, '2026-06-16', 'replace'],
  ] as const)('%s, %i pulls, %s: %s', (school, pulls, today, expected) => {
    expect(dueReason(tool, pulls, today, school)).toBe(expected);
  });

  test('twelve months later, also from the last of February', () => {
    expect(monthsLater('2026-11-25', 12)).toBe('2027-11-25');
    expect(monthsLater('2028-02-29', 12)).toBe('2029-02-28');
    expect(monthsLater('2026-08-31', 1)).toBe('2026-09-30');
  });

  test('after a week unused it is exercised first', () => {
    expect(needsWarmUp(null, '2026-11-25T08:00:00.000Z')).toBe(true);
    expect(needsWarmUp('2026-11-18T08:00:00.000Z', '2026-11-25T08:00:00.000Z')).toBe(true);
    expect(needsWarmUp('2026-11-18T08:00:01.000Z', '2026-11-25T08:00:00.000Z')).toBe(false);
  });
});
