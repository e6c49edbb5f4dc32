import prand, { type RandomGenerator } from 'pure-rand';

/** A made-up pull of a kind of tool, with where its events truly are. Built from physics of its own: nothing of the code under test is used. */
export type Curve = {
  readonly times: readonly number[];
  readonly torques: readonly number[];
  readonly angles: readonly number[] | null;
  readonly clickMs: number | null;
  readonly clickNm: number | null;
  readonly peakNm: number;
};

export type Pulled = {
  readonly target: number;
  /** Milliseconds from nothing to the target. */
  readonly riseMs: number;
  /** Standard deviation of the noise, as a share of the target. */
  readonly noise: number;
  readonly seed: number;
  /** Points a second. */
  readonly rate?: number;
  readonly runOn?: number;
};

const UNIT = 2 ** 31;
const normal = (generator: RandomGenerator) => {
  let now = generator;
  const uniform = (): number => {
    const [value, next] = prand.uniformIntDistribution(1, UNIT - 1, now);
    now = next;
    return value / UNIT;
  };
  // Box and Muller 1958.
  return (): number => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
};

const RUN_DOWN_MS = 400;

/** How the torque goes at a time after the rise began, for each kind of tool: the ideal curve, without noise. */
const SHAPES = {
  /** A click wrench: gives at its setting, falls by a quarter within 12 ms, comes back as the hand goes on, then is let go. */
  'adjustable-click-wrench': ({ target, riseMs }: Pulled) => ({
    clickMs: riseMs,
    at: (t: number) =>
      t <= riseMs
        ? target * (t / riseMs)
        : t <= riseMs + 12
          ? target * (1 - 0.25 * ((t - riseMs) / 12))
          : t <= riseMs + 150
            ? target * (0.75 + 0.2 * ((t - riseMs - 12) / 138))
            : Math.max(0, target * 0.95 * (1 - (t - riseMs - 150) / 60)),
    peakNm: target,
    length: riseMs + 260,
  }),
  /** A screwdriver that slips: falls by a third at once, its cam climbs again and slips once more. */
  'adjustable-screwdriver': ({ target, riseMs }: Pulled) => ({
    clickMs: riseMs,
    at: (t: number) => {
      if (t <= riseMs) return target * (t / riseMs);
      const after = t - riseMs;
      if (after <= 6) return target * (1 - 0.35 * (after / 6));
      if (after <= 180) return target * (0.65 + 0.3 * ((after - 6) / 174));
      return Math.max(0, target * 0.6 * (1 - (after - 180) / 40));
    },
    peakNm: target,
    length: riseMs + 240,
  }),
  /** A wrench whose head breaks over: falls by a half over 25 ms and is pulled through. */
  'break-over-wrench': ({ target, riseMs }: Pulled) => ({
    clickMs: riseMs,
    at: (t: number) =>
      t <= riseMs
        ? target * (t / riseMs) ** 1.2
        : t <= riseMs + 25
          ? target * (1 - 0.5 * ((t - riseMs) / 25))
          : t <= riseMs + 260
            ? target * (0.5 + 0.35 * ((t - riseMs - 25) / 235))
            : Math.max(0, target * 0.85 * (1 - (t - riseMs - 260) / 80)),
    peakNm: target,
    length: riseMs + 360,
  }),
  /** A tool that shows: rises, is held at the top for a moment, and is let go. No click. */
  electronic: ({ target, riseMs }: Pulled) => ({
    clickMs: null,
    at: (t: number) =>
      t <= riseMs
        ? target * Math.sin((Math.PI / 2) * (t / riseMs))
        : t <= riseMs + 120
          ? target
          : Math.max(0, target * (1 - (t - riseMs - 120) / 150)),
    peakNm: target,
    length: riseMs + 300,
  }),
  /** A bending beam: eased up, eased down. No click. */
  'bending-beam': ({ target, riseMs }: Pulled) => ({
    clickMs: null,
    at: (t: number) => target * Math.sin(Math.PI * Math.min(1, t / (riseMs * 2))) ** 2,
    peakNm: target,
    length: riseMs * 2,
  }),
  /** A dial wrench, let go at once at the top. No click, though it falls. */
  dial: ({ target, riseMs }: Pulled) => ({
    clickMs: null,
    at: (t: number) => (t <= riseMs ? target * (t / riseMs) : Math.max(0, target * (1 - (t - riseMs) / 35))),
    peakNm: target,
    length: riseMs + 120,
  }),
  /** A key whose neck shears: it falls to nothing and does not come back. */
  'single-use-shear': ({ target, riseMs }: Pulled) => ({
    clickMs: null,
    at: (t: number) => (t <= riseMs ? target * (t / riseMs) : 0),
    peakNm: target,
    length: riseMs + 100,
  }),
} as const;
export type CurveKind = keyof typeof SHAPES;
export const CURVE_KINDS = Object.keys(SHAPES) as readonly CurveKind[];

/** A pull of a kind of tool as it would be read, with noise: a run-down first, then the rise. */
export const curveOf = (kind: CurveKind, pulled: Pulled): Curve => {
  const { target, noise, seed, rate = 1_000, runOn = 0 } = pulled;
  const shape = SHAPES[kind](pulled);
  const next = normal(prand.xoroshiro128plus(seed));
  const step = 1_000 / rate;
  const count = Math.floor((RUN_DOWN_MS + shape.length) / step);
  const times = Array.from({ length: count }, (_, at) => at * step);
  const ideal = (time: number): number => {
    const t = time - RUN_DOWN_MS;
    return t < 0 ? runOn : Math.max(t <= (shape.clickMs ?? pulled.riseMs) ? runOn : 0, shape.at(t));
  };
  return {
    times,
    torques: times.map((time) => ideal(time) + (noise > 0 ? next() * noise * target : 0)),
    angles: null,
    clickMs: shape.clickMs === null ? null : shape.clickMs + RUN_DOWN_MS,
    clickNm: shape.clickMs === null ? null : target,
    peakNm: shape.peakNm,
  };
};
