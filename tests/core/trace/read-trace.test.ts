import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { clickIn } from '#core/trace/click.ts';
import { firstMovementIn } from '#core/trace/first-movement.ts';
import { peakIn } from '#core/trace/peak.ts';
import { readTrace } from '#core/trace/read-trace.ts';
import { noiseOf, smoothed } from '#core/trace/smoothed.ts';
import { traceSchema } from '#core/trace/trace.ts';
import { yieldIn } from '#core/trace/yield-point.ts';
import { CURVE_KINDS, type CurveKind, curveOf } from './curves.ts';

/** How near a click and a peak must be found. */
const CLICK_MS = 10;
const PEAK_SHARE = 0.005;

const CLICKING = CURVE_KINDS.filter(
  (kind) => curveOf(kind, { target: 10, riseMs: 900, noise: 0, seed: 1 }).clickMs,
);
const SHOWING = CURVE_KINDS.filter((kind) => !CLICKING.includes(kind));

const pulls = fc.record({
  target: fc.double({ min: 0.3, max: 150, noNaN: true }),
  // From 0.4 s on: a pull that is snatched goes half a percent in a millisecond, and no point is nearer.
  riseMs: fc.integer({ min: 400, max: 3_000 }),
  noise: fc.constantFrom(0, 0.001, 0.003, 0.005, 0.01),
  seed: fc.integer({ min: 1, max: 1_000_000 }),
  runOn: fc.constant(0),
});

describe('synthetic pulls of every kind of tool, with noise', () => {
  test.each(CLICKING)(
    '%s: the click is found within 10 ms, its torque and the peak within half a percent',
    (kind) => {
      fc.assert(
        fc.property(pulls, (pulled) => {
          const curve = curveOf(kind, pulled);
          const click = clickIn(curve);
          expect(click).not.toBeNull();
          expect(Math.abs((click?.atMs ?? 0) - (curve.clickMs ?? 0))).toBeLessThanOrEqual(CLICK_MS);
        }),
        { numRuns: 150 },
      );
      fc.assert(
        fc.property(pulls, (pulled) => {
          const quiet = { ...pulled, noise: Math.min(pulled.noise, 0.002) };
          const curve = curveOf(kind, quiet);
          const { peak, click } = readTrace(curve);
          expect(
            Math.abs(Math.max(peak.newtonMetres, click?.newtonMetres ?? 0) / curve.peakNm - 1),
          ).toBeLessThanOrEqual(PEAK_SHARE);
        }),
        { numRuns: 150 },
      );
    },
  );

  test.each(SHOWING)('%s: there is no click, and the peak is within half a percent', (kind) => {
    fc.assert(
      fc.property(pulls, (pulled) => {
        const quiet = { ...pulled, noise: Math.min(pulled.noise, 0.002) };
        const curve = curveOf(kind, quiet);
        expect(clickIn(curve)).toBeNull();
        expect(Math.abs(peakIn(curve).newtonMetres / curve.peakNm - 1)).toBeLessThanOrEqual(PEAK_SHARE);
      }),
      { numRuns: 150 },
    );
  });

  test.each([250, 500, 1_000, 2_000])('at %i points a second', (rate) => {
    for (const kind of CLICKING) {
      const curve = curveOf(kind, { target: 8, riseMs: 1_200, noise: 0.002, seed: rate, rate });
      expect(Math.abs((clickIn(curve)?.atMs ?? 0) - (curve.clickMs ?? 0))).toBeLessThanOrEqual(CLICK_MS);
    }
  });

  test('what the tool says of itself is taken for it', () => {
    const curve = curveOf('adjustable-click-wrench', { target: 20, riseMs: 1_000, noise: 0, seed: 1 });
    expect(readTrace(curve, 1_390).click?.atMs).toBe(1_390);
  });
});

type HandMarked = {
  readonly name: string;
  readonly knots: readonly (readonly [number, number])[];
  readonly clickMs: number | null;
  readonly clickNm: number | null;
  readonly peakNm: number;
  readonly isTooFast: boolean;
  readonly runOnNm?: number;
  readonly seatedMs?: number;
};
const { curves } = JSON.parse(readFileSync(new URL('./hand-marked.json', import.meta.url), 'utf8')) as {
  readonly curves: readonly HandMarked[];
};

/** A drawn curve at a thousand points a second. */
const drawn = ({ knots }: HandMarked) => {
  const last = knots.at(-1)?.[0] ?? 0;
  const times = Array.from({ length: last + 1 }, (_, at) => at);
  const torques = times.map((time) => {
    const to = Math.max(
      1,
      knots.findIndex(([at]) => at >= time),
    );
    const [[fromMs, from], [toMs, torque]] = [knots[to - 1], knots[to]] as [
      [number, number],
      [number, number],
    ];
    return from + ((torque - from) * (time - fromMs)) / (toMs - fromMs);
  });
  return { times, torques, angles: null };
};

describe('curves drawn and marked by hand', () => {
  test.each(curves)('$name', (curve) => {
    const read = readTrace(drawn(curve));
    if (curve.clickMs === null) expect(read.click).toBeNull();
    else {
      expect(Math.abs((read.click?.atMs ?? 0) - curve.clickMs)).toBeLessThanOrEqual(CLICK_MS);
      expect(Math.abs((read.click?.newtonMetres ?? 0) / (curve.clickNm ?? 1) - 1)).toBeLessThanOrEqual(
        PEAK_SHARE,
      );
    }
    expect(Math.abs(read.peak.newtonMetres / curve.peakNm - 1)).toBeLessThanOrEqual(PEAK_SHARE);
    expect(read.rise?.isTooFast).toBe(curve.isTooFast);
    if (curve.runOnNm !== undefined) {
      // Seating is a bend and no corner: two people mark it some 50 ms apart.
      expect(Math.abs((read.seating?.runOnNewtonMetres ?? 0) / curve.runOnNm - 1)).toBeLessThanOrEqual(0.06);
      expect(Math.abs((read.seating?.seated.atMs ?? 0) - (curve.seatedMs ?? 0))).toBeLessThanOrEqual(60);
    }
  });
});

describe('the end of a pull', () => {
  // The last fifth of a straight rise takes a fifth of it.
  test.each([
    [2_400, 0.48, true],
    [2_500, 0.5, false],
    [2_600, 0.52, false],
  ])('a rise of %i ms: the last fifth took %f s, too fast %s', (riseMs, seconds, isTooFast) => {
    const curve = curveOf('adjustable-click-wrench', { target: 10, riseMs, noise: 0, seed: 1 });
    const { rise } = readTrace(curve);
    expect(rise?.lastFifthSeconds).toBeCloseTo(seconds, 1);
    expect(rise?.newtonMetresPerSecond).toBeCloseTo(2 / seconds, 0);
    if (seconds !== 0.5) expect(rise?.isTooFast).toBe(isTooFast);
  });

  test('how far the hand went on past the click', () => {
    const far = readTrace(drawn(curves[2] as HandMarked));
    expect(far.overshootNewtonMetres).toBeCloseTo(8.8, 0);
    expect(readTrace(drawn(curves[0] as HandMarked)).overshootNewtonMetres).toBe(0);
  });
});

describe('first movement', () => {
  const rising = (until: number) => Array.from({ length: until }, (_, at) => at);
  test('is the first rotation that stays: a bit that winds up and springs back is none', () => {
    const times = rising(400);
    const torques = times.map((t) => t / 10);
    const angles = times.map((t) => (t > 100 && t < 115 ? 0.8 : t < 250 ? 0 : (t - 250) * 0.1));
    // Half a degree is turned 5 ms after the rotation begins, at 25.5 N·m.
    expect(firstMovementIn({ times, torques, angles })).toEqual({
      atMs: 255,
      newtonMetres: expect.closeTo(25.5, 1),
    });
    expect(firstMovementIn({ times, torques, angles: times.map(() => 0.2) })).toBeNull();
  });

  test('without an angle it is the break in the slope', () => {
    const times = rising(1_000);
    const torques = times.map((t) => (t < 600 ? t * 0.03 : 18 + (t - 600) * 0.008));
    const found = firstMovementIn({ times, torques, angles: null });
    expect(Math.abs((found?.atMs ?? 0) - 600)).toBeLessThanOrEqual(15);
    expect(found?.newtonMetres).toBeCloseTo(18, 0);
    expect(firstMovementIn({ times, torques: times.map((t) => t * 0.03), angles: null })).toBeNull();
  });
});

describe('yield', () => {
  test('is where the slope over the angle has fallen under half of the steepest', () => {
    const times = Array.from({ length: 1_201 }, (_, at) => at);
    const angles = times.map((t) => t / 10);
    // Straight to 60 degrees, then a parabola whose slope is half of it at 75 degrees.
    const torques = angles.map((a) => (a <= 60 ? a : a <= 90 ? 60 + (a - 60) - (a - 60) ** 2 / 60 : 75));
    const found = yieldIn({ times, torques, angles });
    expect(Math.abs((found?.atMs ?? 0) - 750)).toBeLessThanOrEqual(30);
    expect(yieldIn({ times, torques: angles, angles })).toBeNull();
  });
});

describe('what is not smooth', () => {
  test('noise is told from slope: its deviation, whatever it stands on', () => {
    const flat = curveOf('dial', { target: 10, riseMs: 2_000, noise: 0.01, seed: 7 });
    expect(noiseOf(flat)).toBeCloseTo(0.1, 1);
    expect(noiseOf({ torques: [1, 2, 3, 4] })).toBe(0);
    expect(noiseOf({ torques: [1] })).toBe(0);
  });

  test('a running mean keeps a level and a straight line', () => {
    const times = [0, 1, 2, 3, 4, 10, 11];
    expect(smoothed({ times, torques: [5, 5, 5, 5, 5, 5, 5] }, 2)).toEqual([5, 5, 5, 5, 5, 5, 5]);
    expect(smoothed({ times: [0, 1, 2], torques: [0, 1, 2] }, 1)).toEqual([0.5, 1, 1.5]);
  });

  test('nothing at all, all noise, two points, one time: read without a click and without a fault', () => {
    const times = Array.from({ length: 500 }, (_, at) => at);
    for (const torques of [times.map(() => 0), times.map((t) => -t)])
      expect(readTrace({ times, torques, angles: null }).click).toBeNull();
    for (let seed = 1; seed <= 40; seed += 1)
      expect(clickIn(curveOf('dial', { target: 1, riseMs: 800, noise: 5, seed }))).toBeNull();
    expect(readTrace({ times: [0, 1], torques: [0, 1], angles: null }).peak.newtonMetres).toBeCloseTo(1, 6);
    expect(readTrace({ times: [0, 0], torques: [1, 1], angles: [0, 0] }).click).toBeNull();
  });

  test('a trace must be whole: as many torques as times, times that do not go back, and not without end', () => {
    const is = (
      times: readonly number[],
      torques: readonly number[],
      angles: readonly number[] | null = null,
    ) => traceSchema.safeParse({ times, torques, angles }).success;
    expect(is([0, 1], [1, 2])).toBe(true);
    expect(is([0, 1], [1])).toBe(false);
    expect(is([1, 0], [1, 2])).toBe(false);
    expect(is([0, 1], [1, 2], [0])).toBe(false);
    expect(is([0], [1])).toBe(false);
    const many = Array.from({ length: 30_001 }, (_, at) => at);
    expect(is(many, many)).toBe(false);
  });
});

// The kinds are named once, so that a new kind of tool is looked at here too.
test('clicking and showing kinds are both among them', () => {
  expect(CLICKING satisfies readonly CurveKind[]).toHaveLength(3);
  expect(SHOWING).toHaveLength(4);
});
