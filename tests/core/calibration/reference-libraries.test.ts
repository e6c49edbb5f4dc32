import cephes from 'cephes';
import fc from 'fast-check';
import { jStat } from 'jstat';
import { describe, expect, test } from 'vitest';
import { drift, twoSidedT } from '#core/calibration/drift.ts';
import { sessionEvaluation } from '#core/calibration/session-evaluation.ts';
import { valueOrThrow } from '#core/fault.ts';
import { newtonMetres } from '#core/quantity/unit.ts';
import { conformanceProbability } from '#core/verdict/conformance-probability.ts';

// Core works its statistics out with simple-statistics, its quantile of t with jstat. Each is checked here against a library that core does
// not use for it: jstat 1.9 for moments and least squares, cephes 3 (the Cephes Mathematical Library) for distributions.

const percent = fc.integer({ min: -60, max: 60 }).map((tenth) => tenth / 10);

describe('moments: jstat', () => {
  test('mean error, standard deviation and b_re of any session point', () => {
    fc.assert(
      fc.property(fc.array(percent, { minLength: 2, maxLength: 10 }), (errors) => {
        const references = errors.map((error) => 10 / (1 + error / 100));
        const [point] = valueOrThrow(
          sessionEvaluation([{ shown: 10, references }], {
            limitPercentAt: () => 4,
            referenceExpandedPercent: 0.5,
            resolution: 0.02,
          }),
        ).points;
        expect(point?.errorPercent).toBeCloseTo(jStat.mean(errors), 9);
        expect(point?.deviationPercent).toBeCloseTo(jStat.stdev(errors, true), 9);
        expect(point?.repeatabilityPercent).toBeCloseTo(jStat.max(errors) - jStat.min(errors), 9);
        // JCGM 100:2008, 5.1.2 eq. (10) with its three rows: W = 2·√(0.25² + (0.02/√12/10·100)² + (s/√n)²).
        const repeatability = jStat.stdev(errors, true) / Math.sqrt(errors.length);
        const rows = [0.25, ((0.02 / Math.sqrt(12)) * 100) / 10, repeatability];
        expect(point?.expandedPercent).toBeCloseTo(2 * jStat.norm(rows), 9);
      }),
    );
  });
});

describe('least squares: jstat', () => {
  const sessions = fc.array(fc.record({ gap: fc.integer({ min: 30, max: 500 }), errorPercent: percent }), {
    minLength: 3,
    maxLength: 9,
  });
  const dated = (gaps: readonly { readonly gap: number; readonly errorPercent: number }[]) => {
    let day = 0;
    return gaps.map(({ gap, errorPercent }) => {
      day += gap;
      return { day, errorPercent };
    });
  };

  test('the slope of any series of sessions', () => {
    fc.assert(
      fc.property(sessions, (gaps) => {
        const points = dated(gaps);
        const fitted = jStat.models.ols(
          points.map(({ errorPercent }) => errorPercent),
          points.map(({ day }) => [1, day / 100]),
        );
        const found = drift(points, 1e6);
        if (found.kind !== 'fitted') throw new Error('expected a fit');
        expect(found.percentPerYear).toBeCloseTo(((fitted.coef[1] as number) / 100) * 365.25, 5);
      }),
    );
  });

  test('the day of crossing and the 95 % prediction interval of one more session', () => {
    const points = [0, 0.9, 1.3, 1.9, 2.3].map((errorPercent, index) => ({ day: index * 365, errorPercent }));
    const days = points.map(({ day }) => day);
    const { coef, resid } = jStat.models.ols(
      points.map(({ errorPercent }) => errorPercent),
      days.map((day) => [1, day]),
    );
    const residual = resid.reduce((sum, each) => sum + each * each, 0);
    const s = Math.sqrt(residual / 3);
    const spread = jStat.sumsqerr(days);
    // NIST/SEMATECH e-Handbook, 4.1.4.1. The quantile comes from Cephes by bisection.
    const half = (day: number): number =>
      quantileByCephes(0.975, 3) * s * Math.sqrt(1 + 1 / 5 + (day - jStat.mean(days)) ** 2 / spread);
    const line = (day: number): number => (coef[0] as number) + (coef[1] as number) * day;
    const firstOver = (bound: (day: number) => number): number => {
      let day = 4 * 365;
      while (bound(day) <= 4) day += 1;
      return day;
    };
    expect(drift(points, 4)).toMatchObject({
      kind: 'fitted',
      crossesOn: firstOver(line),
      earliest: firstOver((day) => line(day) + half(day)),
      latest: firstOver((day) => line(day) - half(day)),
    });
  });
});

const quantileByCephes = (p: number, degreesOfFreedom: number): number => {
  let [low, high] = [0, 1000];
  for (let step = 0; step < 80; step += 1) {
    const middle = (low + high) / 2;
    if (cephes.stdtr(degreesOfFreedom, middle) < p) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
};

describe('distributions: Cephes', () => {
  test.each([1, 2, 3, 4, 7, 12, 30, 100])('the quantile of t for %i degrees of freedom', (degrees) => {
    for (const confidence of [0.5, 0.9, 0.95, 0.99])
      expect(cephes.stdtr(degrees, twoSidedT(confidence, degrees))).toBeCloseTo((1 + confidence) / 2, 7);
  });

  test('the probability inside acceptance, for any reading and limits', () => {
    const torque = fc.integer({ min: 1, max: 4000 }).map((n) => n / 100);
    fc.assert(
      fc.property(torque, torque, torque, torque, (reading, u, a, b) => {
        const [low, high] = [Math.min(a, b), Math.max(a, b)];
        const expected = cephes.ndtr((high - reading) / u) - cephes.ndtr((low - reading) / u);
        const nm = newtonMetres;
        expect(conformanceProbability(nm(reading), nm(u), nm(low), nm(high))).toBeCloseTo(expected, 6);
      }),
    );
  });
});
