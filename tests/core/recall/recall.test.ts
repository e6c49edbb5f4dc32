import { describe, expect, test } from 'vitest';
import { type AlikePulls, countFrom, recalledJobs, recalledPulls } from '#core/recall/recall.ts';

const pulls = (part: Partial<AlikePulls> = {}): AlikePulls => ({
  jobId: 'a',
  shown: 10,
  torque: 10,
  low: 9.5,
  high: 10.5,
  count: 100,
  firstUse: 1,
  lastUse: 100,
  ...part,
});
const found = (errorPercent: number) => [
  { torqueNewtonMetres: 10, errorPercent, deviationPercent: 0, expandedPercent: 0 },
];

describe('a tool that was 7 % out', () => {
  test('10 N·m shown was 9.346: 1.6 % below a limit of 9.5, if it was so all along', () => {
    const recalled = recalledPulls(pulls(), found(7), 100);
    expect(recalled.worstTorque).toBeCloseTo(9.345794, 6);
    expect(recalled.outsidePercent).toBeCloseTo(1.6232, 4);
  });

  test('if the error grew with use, it is outside from use 76 of 100 on', () => {
    // 10/(1 + 0.07·k/100) = 9.5 at k = 100·(10/9.5 − 1)/0.07 = 75.19.
    const recalled = recalledPulls(pulls(), found(7), 100);
    expect(recalled.outsideFromUse).toBe(76);
    expect(countFrom(recalled.pulls, recalled.outsideFromUse)).toBe(25);
  });

  test('a tool that showed too little lets pulls go above', () => {
    const recalled = recalledPulls(pulls(), found(-7), 100);
    expect(recalled.worstTorque).toBeGreaterThan(10.5);
    expect(recalled.outsidePercent).toBeGreaterThan(0);
  });

  test('inside in the worst case is never outside', () => {
    expect(recalledPulls(pulls(), found(5), 100)).toMatchObject({ outsideFromUse: null });
    // Exactly at the limit is inside: 10/1.0526… = 9.5.
    expect(recalledPulls(pulls({ low: 10 / 1.05 }), found(5), 100).outsidePercent).toBeLessThanOrEqual(1e-9);
  });

  test('through an adapter the error is looked up where the tool stood, and counts at the fastener', () => {
    const recalled = recalledPulls(pulls({ shown: 10, torque: 11, low: 10.5, high: 11.5 }), found(7), 100);
    expect(recalled.worstTorque).toBeCloseTo(11 / 1.07, 9);
  });
});

test('how many of alike pulls came from a use on', () => {
  const alike = pulls({ count: 50, firstUse: 101, lastUse: 200 });
  expect([null, 1, 101, 151, 200, 201].map((use) => countFrom(alike, use))).toEqual([0, 50, 50, 25, 1, 0]);
});

test('jobs are sorted by how far outside, and those with nothing outside are left out', () => {
  const recalled = [
    recalledPulls(pulls({ jobId: 'near' }), found(7), 100),
    recalledPulls(pulls({ jobId: 'far', low: 9.9, count: 3 }), found(7), 100),
    recalledPulls(pulls({ jobId: 'far', low: 1, count: 2 }), found(7), 100),
    recalledPulls(pulls({ jobId: 'none', low: 1 }), found(7), 100),
  ];
  expect(
    recalledJobs(recalled).map(({ jobId, pulls: count, outsideWorst }) => [jobId, count, outsideWorst]),
  ).toEqual([
    ['far', 5, 3],
    ['near', 100, 100],
  ]);
});
