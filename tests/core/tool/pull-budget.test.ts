import jStat from 'jstat';
import { describe, expect, test } from 'vitest';
import { newtonMetres, toNewtonMetres } from '#core/quantity/unit.ts';
import { RULES_3 } from '#core/rules/3/rules.ts';
import { DEFAULT_SCHOOLS, type Schools } from '#core/target/schools.ts';
import { handleForceNewtons, type MountedAdapter } from '#core/tool/adapter.ts';
import { shownForApplied } from '#core/tool/known-error.ts';
import { type BudgetName, pullBudget } from '#core/tool/pull-budget.ts';
import type { Tool } from '#core/tool/tool.ts';
import { conformanceProbability } from '#core/verdict/conformance-probability.ts';
import { effectiveDegreesOfFreedom, fewReadingsFactor } from '#core/verdict/coverage-factor.ts';
import { sureVerdict } from '#core/verdict/tightening-verdict.ts';
import { TOOL } from '../job/sample-job.ts';

const calibrated = (errorPercent: number, part: object = {}): Tool => ({
  ...TOOL,
  calibration: {
    sessionId: TOOL.id,
    usable: null,
    points: [{ torqueNewtonMetres: 2, errorPercent, deviationPercent: 1, expandedPercent: 0.6, ...part }],
  },
});
const of = (tool: Tool, name: BudgetName, adapters: readonly MountedAdapter[] = [], factor = 1) =>
  pullBudget(newtonMetres(2), tool, adapters, factor, undefined).rows.find((row) => row.name === name);

describe('few readings', () => {
  // JCGM 100:2008, table G.2: t95 is 2.78 at 4 degrees of freedom, 2.26 at 9, 1.96 at infinity.
  test.each([
    [4, 2.78],
    [9, 2.26],
    [Number.POSITIVE_INFINITY, 1.96],
  ])('%d degrees of freedom: t95 is %d', (degrees, t) => {
    expect(fewReadingsFactor(degrees) * 1.96).toBeCloseTo(t, 2);
  });

  test('JCGM 100:2008, G.4.1, eq. (G.2b): one component alone keeps its own degrees of freedom', () => {
    expect(effectiveDegreesOfFreedom([{ standard: 0.3, degreesOfFreedom: 4 }])).toBeCloseTo(4, 12);
    // u = 1, 1: 4/(1/4 + 0) = 16.
    const both = [
      { standard: 1, degreesOfFreedom: 4 },
      { standard: 1, degreesOfFreedom: Number.POSITIVE_INFINITY },
    ];
    expect(effectiveDegreesOfFreedom(both)).toBeCloseTo(16, 12);
    expect(effectiveDegreesOfFreedom([])).toBe(Number.POSITIVE_INFINITY);
  });

  test('five readings widen a pull that ten do not widen as much; a count nobody kept widens nothing', () => {
    const u = (readings?: number) =>
      pullBudget(newtonMetres(2), calibrated(0, readings ? { readings } : {}), [], 1, undefined);
    const [none, five, ten] = [u(), u(5), u(10)];
    expect(five.standardUncertainty).toBeGreaterThan(ten.standardUncertainty);
    expect(ten.standardUncertainty).toBeGreaterThan(none.standardUncertainty);
    expect(none.degreesOfFreedom).toBe(Number.POSITIVE_INFINITY);
    // The whole again by jStat: u·t95(ν)/t95(∞).
    const u0 = Math.hypot(...five.rows.map(({ standard }) => standard));
    const t = jStat.studentt.inv(0.975, five.degreesOfFreedom) / 1.959964;
    expect(five.standardUncertainty).toBeCloseTo(u0 * t, 9);
  });
});

describe('what reading the scale and holding the adapter cost', () => {
  const dial: Tool = { ...TOOL, scale: { ...TOOL.scale, form: 'dial' } };

  test('a needle above its scale, seen 20° aside: tan 20° of a graduation, rectangular; not before a mirror', () => {
    const graduation = toNewtonMetres(TOOL.scale.graduation, TOOL.scale.unit);
    expect(of(dial, 'parallax')?.standard).toBeCloseTo((0.36397 * graduation) / Math.sqrt(3), 6);
    expect(of({ ...dial, sight: 'mirror' }, 'parallax')).toBeUndefined();
    expect(of({ ...dial, sight: 'plain' }, 'parallax')).toBeUndefined();
    expect(of(TOOL, 'parallax')).toBeUndefined();
  });

  const head = {
    adapter: {
      id: TOOL.id,
      code: 'A-1',
      kind: 'offset-head',
      driveIn: 'square-1/4',
      driveOut: '10 mm',
      offsetMillimetres: 25,
    },
    angleDegrees: 90,
  } as const;
  const wrench: Tool = { ...TOOL, leverMillimetres: 250 };

  test('an angle held by eye: 10° at a right angle is 25/250·sin 10° of the torque; a stop holds it', () => {
    // 0.1·0.173648 = 1.73648 %, of 2 N·m, rectangular.
    expect(of(wrench, 'angle', [head])?.standard).toBeCloseTo((2 * 0.0173648) / Math.sqrt(3), 6);
    expect(of(wrench, 'angle', [{ ...head, isAngleHeld: true }])).toBeUndefined();
  });

  test('20 N·m on 300 mm is 67 N at the grip mark', () => {
    expect(handleForceNewtons(newtonMetres(20), 300)).toBeCloseTo(66.67, 2);
  });
});

describe('a known error, by school', () => {
  const tool = calibrated(4);
  const by = (knownError: Schools['knownError']): Schools => ({ ...DEFAULT_SCHOOLS, knownError });

  test('the judgement is corrected, the setting stays as printed', () => {
    const schools = by('judgement-corrected');
    // Shows 4 % more than it applies: 2/1.04 = 1.923077.
    expect(RULES_3.applied(newtonMetres(2), tool, schools).torque).toBeCloseTo(1.923077, 6);
    expect(RULES_3.shownFor(newtonMetres(2), tool, schools)).toBe(2);
  });

  test('the setting is corrected too: what it is set to applies the target', () => {
    const schools = by('setting-corrected');
    const shown = RULES_3.shownFor(newtonMetres(2), tool, schools);
    expect(shown).toBeCloseTo(2.08, 9);
    expect(RULES_3.applied(shown, tool, schools).torque).toBeCloseTo(2, 9);
  });

  test('uncorrected: its size is added to what covers 95 % (JCGM 100:2008, F.2.4.5)', () => {
    const schools = by('added-to-uncertainty');
    expect(RULES_3.applied(newtonMetres(2), tool, schools)).toEqual({ torque: 2, knownErrorPercent: null });
    const [added, plain] = [schools, by('judgement-corrected')].map((each) =>
      RULES_3.standardUncertainty(newtonMetres(2), tool, [], 1, each),
    );
    // U + |b|: 2u is 0.08 wider, u 0.04.
    expect((added as number) - (plain as number)).toBeCloseTo(0.04, 9);
  });

  test('what must be shown follows errors that differ from point to point', () => {
    const points = [
      { torqueNewtonMetres: 1, errorPercent: 0, deviationPercent: 0, expandedPercent: 0 },
      { torqueNewtonMetres: 3, errorPercent: 6, deviationPercent: 0, expandedPercent: 0 },
    ];
    // x/(1 + 0.03·(x − 1)) = 2 at x = 2·(1 − 0.03)/(1 − 0.06) = 2.063830.
    expect(shownForApplied(2, points)).toBeCloseTo(2.06383, 5);
    expect(shownForApplied(2, [])).toBe(2);
  });
});

describe('how sure "in" must be', () => {
  const limits = { low: newtonMetres(9), high: newtonMetres(11) };
  const judged = (reading: number, u: number) =>
    ({ kind: 'reading', reading: newtonMetres(reading), standardUncertainty: newtonMetres(u) }) as const;
  const outcome = (reading: number, u: number, share: number) =>
    sureVerdict(judged(reading, u), limits, { decisionRule: 'simple', guardFactor: 1 }, share).outcome;

  test('at a limit it is even, and too close to call; inside by 0.842 u it is 80 %', () => {
    // Φ⁻¹(0.8) = 0.841621.
    expect(outcome(11, 0.2, 0.8)).toBe('too-close');
    expect(outcome(11 - 0.8416 * 0.2, 0.2, 0.8)).toBe('too-close');
    expect(outcome(11 - 0.8418 * 0.2, 0.2, 0.8)).toBe('in');
    expect(outcome(11.001, 0.2, 0.8)).toBe('high');
  });

  test('a site that asks 95 % needs more; where a lead accepted the gap, the limits alone decide', () => {
    expect(outcome(10.7, 0.2, 0.8)).toBe('in');
    expect(outcome(10.7, 0.2, 0.95)).toBe('too-close');
    expect(outcome(11, 0.2, 0)).toBe('in');
  });

  test('without any uncertainty there is a verdict at a limit, never NaN', () => {
    const at = (reading: number) =>
      conformanceProbability(newtonMetres(reading), newtonMetres(0), limits.low, limits.high);
    expect([9, 11, 10].map(at)).toEqual([1, 1, 1]);
    expect([8.999, 11.001].map(at)).toEqual([0, 0]);
    expect(outcome(11, 0, 0.8)).toBe('in');
  });
});
