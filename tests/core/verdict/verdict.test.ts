import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { newtonMetres } from '#core/quantity/unit.ts';
import {
  permissibleDeviation,
  pullStandardUncertainty,
  type UncertainTool,
} from '#core/tool/pull-uncertainty.ts';
import { conformanceProbability } from '#core/verdict/conformance-probability.ts';
import { type Judged, tighteningVerdict } from '#core/verdict/tightening-verdict.ts';
import { TOOL } from '../job/sample-job.ts';

const LIMITS = { low: newtonMetres(4.5), high: newtonMetres(5.5) };
const SIMPLE = { decisionRule: 'simple', guardFactor: 1 } as const;
const GUARDED = { decisionRule: 'guarded', guardFactor: 1 } as const;
const reading = (value: number, u = 0.15): Judged => ({
  kind: 'reading',
  reading: newtonMetres(value),
  standardUncertainty: newtonMetres(u),
});
const outcome = (judged: Judged, rule: typeof SIMPLE | typeof GUARDED = SIMPLE) =>
  tighteningVerdict(judged, LIMITS, rule).outcome;

describe('JCGM 106:2012, 7.4: p = Φ((U − r)/u) − Φ((L − r)/u)', () => {
  test.each([
    // Derived by hand from tables of Φ: 2Φ(3.3333) − 1 and Φ(0.6667) − Φ(−6).
    { r: 5.0, expected: 0.99914, half: 5e-6 },
    { r: 5.4, expected: 0.7475, half: 5e-5 },
    // Derived: on a limit half of the distribution is inside, less the far tail.
    { r: 5.5, expected: 0.5, half: 1e-6 },
    { r: 4.5, expected: 0.5, half: 1e-6 },
  ])('r = $r, u = 0.15 in [4.5, 5.5] → $expected', ({ r, expected, half }) => {
    const p = conformanceProbability(newtonMetres(r), newtonMetres(0.15), LIMITS.low, LIMITS.high);
    expect(Math.abs(p - expected)).toBeLessThanOrEqual(half);
  });

  test('property: it is symmetric about the middle and between 0 and 1', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2, noNaN: true }),
        fc.double({ min: 0.01, max: 1, noNaN: true }),
        (off, u) => {
          const at = (r: number) =>
            conformanceProbability(newtonMetres(r), newtonMetres(u), LIMITS.low, LIMITS.high);
          expect(at(5 + off)).toBeCloseTo(at(5 - off), 6);
          expect(at(5 + off)).toBeGreaterThanOrEqual(-1e-6);
          expect(at(5 + off)).toBeLessThanOrEqual(1);
        },
      ),
    );
  });
});

describe('JCGM 100:2008, 4.3.7 and 5.1.2: uncertainty of one pull', () => {
  const tool = (
    limitPercent: number,
    graduation: number,
    more: Partial<UncertainTool> = {},
  ): UncertainTool => ({
    limitPercent,
    limitOf: 'reading',
    calibration: null,
    scale: { ...TOOL.scale, unit: 'N.m', minimum: 0, maximum: 25, graduation },
    ...more,
  });

  test('2 % of full scale of 25 N·m is 20 % of a reading of 2.5 N·m', () => {
    expect(
      permissibleDeviation(newtonMetres(2.5), tool(2, 0.1, { limitOf: 'full-scale' })) / 2.5,
    ).toBeCloseTo(0.2, 12);
  });

  test('from a calibration: W/2, the scatter of one pull and the known error as a rectangle, in quadrature', () => {
    const points = [{ torqueNewtonMetres: 10, errorPercent: 3, deviationPercent: 1, expandedPercent: 2 }];
    const u = pullStandardUncertainty(
      newtonMetres(10),
      tool(6, 0, { calibration: { sessionId: '', points, usable: null } }),
      'counted',
    );
    // Derived: 0.1, 0.1 and 0.3/√3 = 0.173205 N·m; √(0.01 + 0.01 + 0.03) = 0.223607.
    expect(u).toBeCloseTo(0.223607, 6);
  });

  test('JCGM 100:2008, 3.2.4: a known error that is corrected is no part of it', () => {
    const points = [{ torqueNewtonMetres: 10, errorPercent: 3, deviationPercent: 1, expandedPercent: 2 }];
    const calibrated = tool(6, 0, { calibration: { sessionId: '', points, usable: null } });
    // Derived: √(0.1² + 0.1²) = 0.141421 N·m.
    expect(pullStandardUncertainty(newtonMetres(10), calibrated, 'corrected')).toBeCloseTo(0.141421, 6);
  });

  test('6 % of 22 with a graduation of 0.5', () => {
    // Derived: a = 1.32, a/√3 = 0.762102; d = 0.1, d/√12 = 0.028868; √(0.580800 + 0.000833) = 0.762649.
    expect(pullStandardUncertainty(newtonMetres(22), tool(6, 0.5), 'counted')).toBeCloseTo(0.762649, 6);
  });

  test('property: it grows with the torque, the limit and the graduation', () => {
    const positive = fc.double({ min: 0.1, max: 100, noNaN: true });
    fc.assert(
      fc.property(positive, positive, positive, (torque, limit, graduation) => {
        const u = (t: number, l: number, g: number) =>
          pullStandardUncertainty(newtonMetres(t), tool(l, g), 'counted');
        expect(u(torque * 2, limit, graduation)).toBeGreaterThan(u(torque, limit, graduation));
        expect(u(torque, limit * 2, graduation)).toBeGreaterThan(u(torque, limit, graduation));
        expect(u(torque, limit, graduation * 2)).toBeGreaterThan(u(torque, limit, graduation));
      }),
    );
  });
});

describe('the verdict, limits inclusive', () => {
  test.each([
    { r: 5, expected: 'in' },
    { r: 4.5, expected: 'in' },
    { r: 5.5, expected: 'in' },
    { r: 4.4999, expected: 'low' },
    { r: 5.5001, expected: 'high' },
  ])('simple acceptance at $r is $expected', ({ r, expected }) => {
    expect(outcome(reading(r))).toBe(expected);
  });

  // ILAC-G8:09/2019, 4.2: guard band of U95 = 2u = 0.30, so in runs from 4.80 to 5.20.
  test.each([
    { r: 5, expected: 'in' },
    { r: 4.8, expected: 'in' },
    { r: 5.2, expected: 'in' },
    { r: 4.79, expected: 'too-close' },
    { r: 5.21, expected: 'too-close' },
    { r: 4.5, expected: 'too-close' },
    { r: 4.49, expected: 'low' },
    { r: 5.51, expected: 'high' },
  ])('ILAC-G8:09/2019: guarded acceptance at $r is $expected', ({ r, expected }) => {
    expect(outcome(reading(r), GUARDED)).toBe(expected);
  });

  test('a guard band wider than the interval leaves nothing in', () => {
    expect(outcome(reading(5, 0.4), GUARDED)).toBe('too-close');
  });

  test('past the click is never in, and by feel gets no statement', () => {
    expect(tighteningVerdict({ kind: 'over-shot' }, LIMITS, SIMPLE)).toEqual({
      outcome: 'high',
      probability: null,
    });
    expect(tighteningVerdict({ kind: 'by-feel' }, LIMITS, SIMPLE)).toEqual({
      outcome: 'by-feel',
      probability: null,
    });
  });

  test('property: ILAC-G8, a guarded in has less than 2.5 % risk', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 4, max: 6, noNaN: true }),
        fc.double({ min: 0.01, max: 0.3, noNaN: true }),
        (r, u) => {
          const verdict = tighteningVerdict(reading(r, u), LIMITS, GUARDED);
          // Two tails where the interval is narrow: each below 2.28 %.
          if (verdict.outcome === 'in') expect(verdict.probability).toBeGreaterThan(1 - 2 * 0.0228);
        },
      ),
    );
  });
});
