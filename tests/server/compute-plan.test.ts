import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { inAThread } from '#server/computing/in-a-thread.ts';
import { order, preload, simulate } from '#server/services/compute-plan.ts';
import { orderRequest, preloadRequest, simulateRequest, simulateResponse } from '#wire/compute-plan.ts';
import { ringOf } from '../core/order/layouts.ts';

describe('calculations on a joint', () => {
  const asked = simulateRequest.parse({ places: ringOf(12), shares: [1, 1, 1], runs: 200 });
  test('a ring of twelve in the order it is sent, in its own thread and here alike', async () => {
    const here = valueOrThrow(simulate(asked));
    expect(simulateResponse.parse(here)).toEqual(here);
    expect(here.forces).toHaveLength(12);
    expect(here.spreads).toHaveLength(3);
    expect(valueOrThrow(await inAThread({ kind: 'simulate', body: asked }))).toEqual(here);
  });
  test('two hundred are the most, and shares grow to one at most', () => {
    expect(simulateRequest.safeParse({ places: ringOf(201), shares: [1] }).success).toBe(false);
    expect(simulateRequest.safeParse({ places: ringOf(4), shares: [1.2] }).success).toBe(false);
    const most = { places: ringOf(200), shares: [0.5, 1], runs: 10_000 };
    expect(simulateRequest.safeParse({ ...most, runs: 5_000 }).success).toBe(true);
    expect(simulateRequest.safeParse({ ...most, shares: [0.3, 0.6, 1] }).success).toBe(false);
    expect(simulateRequest.safeParse({ places: ringOf(1), shares: [1] }).success).toBe(false);
  });
  test('an order round in a circle is told from the best', () => {
    const { largestEccentricityMm, bestEccentricityMm, isBestProved } = valueOrThrow(
      order(orderRequest.parse({ places: ringOf(12), order: 'as-listed' })),
    );
    expect(largestEccentricityMm).toBeGreaterThan(3 * bestEccentricityMm);
    expect(isBestProved).toBe(true);
  });
  test('a screw past its proof strength where friction is low', () => {
    const torque = { value: 32, unit: 'N.m' };
    const { shareOfProof } = valueOrThrow(
      preload(preloadRequest.parse({ thread: 'M8', torque, propertyClass: '8.8' })),
    );
    expect(shareOfProof?.atLowFriction).toBeGreaterThan(0.9);
  });
});
