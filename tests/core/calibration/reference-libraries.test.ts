import cephes from 'cephes';
import fc from 'fast-check';
import { jStat } from 'jstat';
import { describe, expect, test } from 'vitest';
import { drift } from '#core/calibration/drift.ts';
import { sessionEvaluation } from '#core/calibration/session-evaluation.ts';
import { valueOrThrow } from '#core/fault.ts';
import { newtonMetres } from '#core/quantity/unit.ts';
import { conformanceProbability } from '#core/verdict/conformance-probability.ts';
import { twoSidedT } from '#core/verdict/coverage-factor.ts';

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

describe('least squares through the origin: jstat', () => {
  const growths = fc.array(fc.record({ gap: fc.integer({ min: 30, max: 500 }), grown: percent }), {
    minLength: 2,
    maxLength: 8,
  });
  /** Sessions that left the tool at no error and found it grown. */
  const adjusted = (of: readonly { readonly gap: number; readonly grown: number }[]) => {
    let day = 0;
    const later = of.map(({ gap, grown }) => {
      day += gap;
      return { day, foundPercent: grown, leftPercent: 0 };
    });
    return [{ day: 0, foundPercent: 0, leftPercent: 0 }, ...later];
  };
  /** jstat fits with an intercept; of points and the same mirrored at the origin that intercept is nothing. */
  const fitted = (of: readonly { readonly gap: number; readonly grown: number }[]) => {
    const mirrored = [...of, ...of.map(({ gap, grown }) => ({ gap: -gap, grown: -grown }))];
    return jStat.models.ols(
      mirrored.map(({ grown }) => grown),
      mirrored.map(({ gap }) => [1, gap / 100]),
    );
  };

  test('the rate of growth of any series of sessions', () => {
    fc.assert(
      fc.property(growths, (of) => {
        const found = drift(adjusted(of), 1e6);
        if (found.kind !== 'fitted') throw new Error('expected a fit');
        expect(found.percentPerYear).toBeCloseTo(((fitted(of).coef[1] as number) / 100) * 365.25, 5);
      }),
    );
  });

  test('the day of crossing and the 95 % prediction interval of one more session', () => {
    const of = [0.9, 1.3, 0.6, 1.1].map((grown) => ({ gap: 365, grown }));
    const { coef, resid } = fitted(of);
    const s = Math.sqrt(resid.reduce((sum, each) => sum + each * each, 0) / 2 / 3);
    const squares = 4 * 365 ** 2;
    const last = 4 * 365;
    // NIST/SEMATECH e-Handbook, 4.1.4.1, through the origin. The quantile comes from Cephes by bisection.
    const half = (day: number): number =>
      quantileByCephes(0.975, 3) * s * Math.sqrt(1 + (day - last) ** 2 / squares);
    const line = (day: number): number => ((coef[1] as number) / 100) * (day - last);
    const firstOver = (bound: (day: number) => number): number => {
      let day = last;
      while (bound(day) <= 4) day += 1;
      return day;
    };
    expect(drift(adjusted(of), 4)).toMatchObject({
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
