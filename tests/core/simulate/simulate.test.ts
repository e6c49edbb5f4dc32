import fc from 'fast-check';
import { sampleCorrelation } from 'simple-statistics';
import { describe, expect, test } from 'vitest';
import { SOFT_SEAT_RING } from '#core/joint/kinds/soft-seat-ring.ts';
import { crosswise } from '#core/order/crosswise.ts';
import { scatterer } from '#core/quantity/scatter.ts';
import { fittedInteraction, modelledRound } from '#core/simulate/fitted-interaction.ts';
import { INVENTED, interactionMatrix, interactionSchema, SEATS } from '#core/simulate/interaction.ts';
import { type MonteCarloAsk, monteCarlo } from '#core/simulate/monte-carlo.ts';
import { afterPasses, passesNeeded, preloadHistory, pull, spreadOf } from '#core/simulate/preload.ts';
import { schedule, sharesOf } from '#core/simulate/schedule.ts';
import { settled, settledAfterRepull } from '#core/simulate/settling.ts';
import { singlePassForces } from '#core/simulate/single-pass.ts';
import { gridOf, ringOf } from '../order/layouts.ts';

const RING = ringOf(12);
const CROSS = crosswise(RING).map((position) => Number(position) - 1);
const RUBBER = interactionMatrix(RING, INVENTED['rubber-lined']);

const orderArbitrary = (count: number) =>
  fc.shuffledSubarray(
    Array.from({ length: count }, (_, index) => index),
    { minLength: count, maxLength: count },
  );

/** All that many runs give, without looking at the parts. */
const whole = (ask: MonteCarloAsk) => {
  const run = monteCarlo(ask, ask.runs);
  let step = run.next();
  while (!step.done) step = run.next();
  return step.value;
};

describe('what one pull does to its neighbours', () => {
  test('by hand: two that take a quarter of each other', () => {
    const forces = new Float64Array(2);
    const interaction = Float64Array.of(0, 0.25, 0.25, 0);
    pull(forces, interaction, 0, 1);
    expect([...forces]).toEqual([1, 0]);
    pull(forces, interaction, 1, 1);
    expect([...forces]).toEqual([0.75, 1]);
    // 1 lacks a quarter, so 2 loses a quarter of that.
    pull(forces, interaction, 0, 1);
    expect([...forces]).toEqual([1, 0.9375]);
  });
  test('a tool set lower than what is there turns nothing', () => {
    const forces = Float64Array.of(1, 0.8);
    pull(forces, Float64Array.of(0, 0.25, 0.25, 0), 0, 0.5);
    expect([...forces]).toEqual([1, 0.8]);
  });
  test('the nearest lose most, and nobody by more than α', () => {
    for (const seat of SEATS) {
      expect(interactionSchema.parse(INVENTED[seat])).toEqual(INVENTED[seat]);
      const matrix = interactionMatrix(RING, INVENTED[seat]);
      expect(Math.max(...matrix)).toBeLessThan(INVENTED[seat].alpha);
      expect(matrix[1]).toBeGreaterThan(matrix[2] as number);
      expect(matrix[1]).toBeCloseTo(INVENTED[seat].alpha * Math.exp(-1 / INVENTED[seat].lengthPitches), 9);
    }
  });
  test('forces never leave 0 to the highest that was pulled', () => {
    fc.assert(
      fc.property(orderArbitrary(12), fc.constantFrom(...SEATS), (order, seat) => {
        const matrix = interactionMatrix(RING, INVENTED[seat]);
        const history = preloadHistory(matrix, schedule(order, [0.3, 1, 1]), 12);
        for (const force of history) expect(force >= 0 && force <= 1).toBe(true);
      }),
    );
  });
});

describe('a ring of twelve on a soft seat, crosswise', () => {
  const plan = schedule(CROSS, [1, 1, 1]);
  const after = afterPasses(preloadHistory(RUBBER, plan, 12), plan, 12).map(spreadOf);
  test('one round at full torque leaves about a third of spread, three leave a few percent', () => {
    expect(after[0]).toBeGreaterThan(0.28);
    expect(after[0]).toBeLessThan(0.42);
    expect(after[2]).toBeLessThan(0.04);
  });
  test('every round leaves less than the one before, until it comes to rest', () => {
    expect(after[1]).toBeLessThan(after[0] as number);
    expect(after[2]).toBeLessThan(after[1] as number);
    expect(passesNeeded(RUBBER, CROSS, [1], 0.05)).toBe(3);
  });
  test('a joint that takes nearly all of its neighbour never comes to rest within so many rounds', () => {
    const places = gridOf(2, 1);
    const matrix = interactionMatrix(places, { alpha: 0.95, lengthPitches: 20 });
    expect(passesNeeded(matrix, [0, 1], [1], 1e-6)).toBeNull();
  });
  test('the passes of its kind, then rounds', () => {
    expect(sharesOf(SOFT_SEAT_RING.passes, 2)).toEqual([0.33, 0.66, 1, 1, 1]);
  });
});

test('outer screws tightened before inner ones come loose; inner first, the outer ones hold', () => {
  const row = gridOf(4, 1);
  const matrix = interactionMatrix(row, INVENTED.gasketed);
  const least = (order: readonly number[]) => {
    const plan = schedule(order, [1]);
    const [forces] = afterPasses(preloadHistory(matrix, plan, 4), plan, 4);
    return {
      outer: Math.min(forces?.[0] ?? 0, forces?.[3] ?? 0),
      inner: Math.min(forces?.[1] ?? 0, forces?.[2] ?? 0),
    };
  };
  const outerFirst = least([0, 3, 1, 2]);
  const innerFirst = least([1, 2, 0, 3]);
  expect(outerFirst.outer).toBeLessThan(0.9);
  expect(innerFirst.outer).toBeGreaterThan(outerFirst.outer);
});

describe('torques from A⁻¹ (Bibel and Ezell, memory)', () => {
  test('pulled once in their order, they leave every fastener with the same force', () => {
    fc.assert(
      fc.property(orderArbitrary(12), fc.constantFrom(...SEATS), (order, seat) => {
        const matrix = interactionMatrix(RING, INVENTED[seat]);
        const wanted = singlePassForces(matrix, order, 10) as Float64Array;
        const forces = new Float64Array(12);
        for (const fastener of order) pull(forces, matrix, fastener, wanted[fastener] as number);
        for (const force of forces) expect(force).toBeCloseTo(1, 9);
      }),
    );
  });
  test('the last one takes the plain torque, the first the most', () => {
    const wanted = singlePassForces(RUBBER, CROSS) as Float64Array;
    expect(wanted[CROSS.at(-1) as number]).toBe(1);
    expect(Math.max(...wanted)).toBeGreaterThan(1.2);
  });
  test('where one would need more than twice the torque there is none', () => {
    expect(singlePassForces(interactionMatrix(RING, { alpha: 0.95, lengthPitches: 5 }), CROSS)).toBeNull();
  });
});

describe('many runs', () => {
  const ask: MonteCarloAsk = {
    interaction: RUBBER,
    schedule: schedule(CROSS, [1, 1, 1]),
    fasteners: 12,
    scatter: { friction: 0.12, tool: 0.03 },
    within: 0.3,
    runs: 2000,
    seed: 7,
  };
  test('the numbers they are made of are standard normal', () => {
    const into = new Float64Array(20_000);
    scatterer(20261127).fillNormal(into);
    const drawn = Array.from(into);
    const mean = drawn.reduce((sum, each) => sum + each, 0) / drawn.length;
    const variance = drawn.reduce((sum, each) => sum + (each - mean) ** 2, 0) / (drawn.length - 1);
    // Four standard errors of each.
    expect(Math.abs(mean)).toBeLessThan(4 / Math.sqrt(20_000));
    expect(Math.abs(variance - 1)).toBeLessThan(4 * Math.sqrt(2 / 20_000));
    expect(Math.abs(sampleCorrelation(drawn.slice(0, -1), drawn.slice(1)))).toBeLessThan(0.03);
    expect(drawn.filter((each) => Math.abs(each) < 1.96).length / 20_000).toBeCloseTo(0.95, 2);
  });
  test('the same seed gives the same numbers, another one others', () => {
    expect(whole(ask)).toEqual(whole(ask));
    expect(whole({ ...ask, seed: 8 }).forces).not.toEqual(whole(ask).forces);
  });
  test('without scatter every run is the plain history', () => {
    const { forces, spreads, shareWithin } = whole({ ...ask, scatter: { friction: 0, tool: 0 }, runs: 20 });
    const plain = afterPasses(preloadHistory(RUBBER, ask.schedule, 12), ask.schedule, 12);
    for (const [index, [low, middle, high]] of forces.entries())
      for (const each of [low, middle, high]) expect(each).toBeCloseTo(plain[2]?.[index] as number, 12);
    expect(spreads[0]?.[1]).toBeCloseTo(spreadOf(plain[0] as Float64Array), 12);
    expect(shareWithin).toBe(1);
  });
  test('alone, a fastener scatters as its friction and tool do', () => {
    const alone = whole({
      ...ask,
      interaction: new Float64Array(1),
      schedule: schedule([0], [1]),
      fasteners: 1,
      scatter: { friction: 0, tool: 0.1 },
      runs: 20_000,
    });
    // The 5 % point of a normal distribution lies 1.645 standard deviations below its middle.
    expect(alone.forces[0]?.[0]).toBeCloseTo(1 - 0.1645, 2);
    expect(alone.forces[0]?.[2]).toBeCloseTo(1 + 0.1645, 2);
    expect(alone.forces[0]?.[1]).toBeCloseTo(1, 2);
  });
  test('it tells how far it is', () => {
    const run = monteCarlo({ ...ask, runs: 100 }, 25);
    const told: number[] = [];
    for (let step = run.next(); !step.done; step = run.next()) told.push(step.value);
    expect(told).toEqual([0.25, 0.5, 0.75, 1]);
  });
});

describe('what two measured rounds say', () => {
  test('readings that the model made give back what made them', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 0.6, noNaN: true }),
        fc.double({ min: 0.5, max: 3, noNaN: true }),
        (alpha, lengthPitches) => {
          const firstMovement = modelledRound(RING, CROSS, { alpha, lengthPitches });
          const fit = fittedInteraction(RING, { order: CROSS, firstMovement });
          expect(fit.ok).toBe(true);
          if (!fit.ok) return;
          // Strong and far reaching, forces fall to nothing and say no more; what the fit says of the round must hold all the same.
          expect(fit.value.residual).toBeLessThan(0.01);
        },
      ),
      { numRuns: 12 },
    );
  });
  test('the invented soft seat is found again within a hundredth', () => {
    const firstMovement = modelledRound(RING, CROSS, INVENTED['rubber-lined']);
    const fit = fittedInteraction(RING, { order: CROSS, firstMovement });
    expect(fit.ok && fit.value.alpha).toBeCloseTo(0.3, 2);
    expect(fit.ok && fit.value.lengthPitches).toBeCloseTo(1, 2);
  });
  test('too few readings, and readings without a loss, are refused', () => {
    expect(fittedInteraction(ringOf(3), { order: [0, 1, 2], firstMovement: [1, 0.9, 0.8] })).toEqual({
      ok: false,
      refusal: { code: 'too-few-readings-here', needed: 4 },
    });
    expect(fittedInteraction(ringOf(4), { order: [0, 2, 1, 3], firstMovement: [1, 1, 1.02, 1] })).toEqual({
      ok: false,
      refusal: { code: 'no-loss-measured' },
    });
  });
});

describe('settling', () => {
  const joint = { relaxation: 0.2, settlingHours: 4 };
  test('nothing at first, 1 − 1/e of it after τ, all of it in the end', () => {
    expect(settled(joint, 0)).toBe(1);
    expect(settled(joint, 4)).toBeCloseTo(1 - 0.2 * (1 - 1 / Math.E), 12);
    expect(settled(joint, 400)).toBeCloseTo(0.8, 12);
  });
  test('pulled again after a wait it loses only what was still to come', () => {
    expect(settledAfterRepull(joint, 4, 400)).toBeCloseTo(1 - 0.2 / Math.E, 12);
    expect(settledAfterRepull(joint, 0, 9)).toBeCloseTo(settled(joint, 9), 12);
  });
});
