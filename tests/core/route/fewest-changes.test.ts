import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { bestWay } from '#core/route/best-way.ts';
import type { Cover } from '#core/route/covers.ts';
import { coversWithin } from '#core/route/covers-within.ts';
import { fewestChanges } from '#core/route/fewest-changes.ts';
import { fewestTools } from '#core/route/fewest-tools.ts';
import { changesAlong, foundRoute } from '#core/route/found-route.ts';
import { leastChanges } from '#core/route/least-changes.ts';
import { outlookOf } from '#core/route/outlook.ts';
import type { RouteProblem, Stop } from '#core/route/route-problem.ts';
import { anyCrib, MOST_VALUES, SOME_VALUES } from '../../../scripts/bench/any-crib.ts';
import { seeded } from '../../../scripts/campaign/seeded.ts';

/** Uniform-cost search over every standing and every stop done, one stop at a time: slow, and without any thought of its own. */
const bruteFewest = (problem: RouteProblem): number => {
  const { stages, stations } = problem;
  type Node = {
    readonly stage: number;
    readonly done: number;
    readonly inHand: number | null;
    readonly leftAt: readonly (number | null)[];
  };
  const key = ({ stage, done, inHand, leftAt }: Node): string =>
    `${stage}|${done}|${inHand}|${leftAt.join()}`;
  const start: Node = { stage: 0, done: 0, inHand: problem.inHand, leftAt: problem.leftAt };
  const buckets: Node[][] = [[start]];
  const seen = new Set<string>();
  for (let cost = 0; cost < buckets.length; cost += 1) {
    const bucket = buckets[cost] ?? [];
    while (bucket.length > 0) {
      const node = bucket.pop() as Node;
      if (seen.has(key(node))) continue;
      seen.add(key(node));
      const stage = stages[node.stage];
      if (!stage) return cost;
      if (node.done === 2 ** stage.length - 1) {
        bucket.push({ ...node, stage: node.stage + 1, done: 0 });
        continue;
      }
      for (const [place, stop] of stage.entries())
        if (!(node.done & (2 ** place)))
          for (const station of stop) {
            const { tool, isDialled } = stations[station] as RouteProblem['stations'][number];
            const step = Number(tool !== node.inHand) + Number(isDialled && node.leftAt[tool] !== station);
            const leftAt = node.leftAt.with(tool, station);
            const next = { stage: node.stage, done: node.done | (2 ** place), inHand: tool, leftAt };
            buckets[cost + step] ??= [];
            buckets[cost + step]?.push(next);
          }
      // `buckets` may have holes where a step costs two.
      for (let each = 0; each < buckets.length; each += 1) buckets[each] ??= [];
    }
  }
  throw new Error('no way');
};

const problems = (stationsMost: number, stopsMost: number): fc.Arbitrary<RouteProblem> =>
  fc
    .record({
      tools: fc.integer({ min: 1, max: 3 }),
      ofTool: fc.array(fc.nat(2), { minLength: 1, maxLength: stationsMost }),
      picks: fc.array(
        fc.array(fc.uniqueArray(fc.nat(stationsMost - 1), { minLength: 1, maxLength: 3 }), {
          minLength: 1,
          maxLength: 3,
        }),
        { minLength: 1, maxLength: stopsMost },
      ),
      shows: fc.nat(2),
      inHand: fc.option(fc.nat(2)),
      left: fc.array(fc.option(fc.nat(stationsMost - 1)), { minLength: 3, maxLength: 3 }),
    })
    .map(({ tools, ofTool, picks, shows, inHand, left }) => {
      const stations = ofTool.map((tool) => ({ tool: tool % tools, isDialled: true }));
      // The last tool shows what it feels where `shows` says so: it has one station.
      const showing = shows === 0 ? stations.findIndex(({ tool }) => tool === tools - 1) : -1;
      const fixed = stations.map((station, index) =>
        index === showing ? { ...station, isDialled: false } : station,
      );
      const usable = fixed.flatMap(({ tool, isDialled }, index) =>
        showing >= 0 && tool === tools - 1 && isDialled ? [] : [index],
      );
      const stops = (some: readonly number[]): Stop => [
        ...new Set(some.map((each) => usable[each % usable.length] as number)),
      ];
      return {
        stations: fixed,
        stages: picks.map((stage) => stage.map(stops)),
        inHand: inHand === null ? null : inHand % tools,
        leftAt: Array.from({ length: tools }, (_, tool) => {
          const at = left[tool] ?? null;
          return at !== null && fixed[at]?.tool === tool && usable.includes(at) ? at : null;
        }),
      };
    });

const isWorked = ({ stages, stations }: RouteProblem, visits: ReturnType<typeof fewestChanges>['visits']) => {
  expect(visits.map(({ stage }) => stage)).toEqual(visits.map(({ stage }) => stage).sort((a, b) => a - b));
  for (const [index, stage] of stages.entries()) {
    const here = visits.filter((visit) => visit.stage === index);
    expect(here.flatMap(({ stops }) => stops).sort((a, b) => a - b)).toEqual(stage.map((_, place) => place));
    for (const { station, stops } of here) for (const stop of stops) expect(stage[stop]).toContain(station);
  }
  expect(visits.every(({ station }) => station < stations.length)).toBe(true);
};

describe('the way with the fewest changes', () => {
  test('against a search through everything: up to eight settings it is the best, and says so', () => {
    fc.assert(
      fc.property(problems(8, 5), (problem) => {
        const found = fewestChanges(problem);
        isWorked(problem, found.visits);
        expect(found.settings + found.takenUp).toBe(bruteFewest(problem));
        expect(found.isProved).toBe(true);
        expect(changesAlong(problem, found.visits)).toEqual({
          settings: found.settings,
          takenUp: found.takenUp,
        });
      }),
      { numRuns: 600, seed: 20261127 },
    );
  });

  test('of ways with as few changes one tool alone is the way', () => {
    const shows = { tool: 1, isDialled: false };
    const tie: RouteProblem = {
      stations: [{ tool: 0, isDialled: true }, { tool: 0, isDialled: true }, shows],
      stages: [[[0], [1, 2]]],
      leftAt: [null, null],
      inHand: null,
    };
    expect(fewestTools(tie)).toMatchObject({ settings: 2, takenUp: 1, isProved: true });
    fc.assert(
      fc.property(problems(8, 5), (problem) => {
        const found = fewestTools(problem);
        isWorked(problem, found.visits);
        expect(found.settings + found.takenUp).toBe(bruteFewest(problem));
        expect(found.isProved).toBe(true);
        const toolsOf = ({ visits }: typeof found) =>
          new Set(visits.map(({ station }) => problem.stations[station]?.tool)).size;
        expect(toolsOf(found)).toBeLessThanOrEqual(Math.max(1, toolsOf(fewestChanges(problem))));
      }),
      { numRuns: 300, seed: 11 },
    );
  });

  test('four hundred fasteners on any crib: within five percent of what is possible at the least', () => {
    for (const share of [SOME_VALUES, MOST_VALUES])
      for (const values of [8, 20, 40])
        for (let seed = 1; seed <= 6; seed += 1) {
          const problem = anyCrib(values, share, seed % 2 === 0, seeded(seed));
          const found = fewestTools(problem);
          isWorked(problem, found.visits);
          const { settings, takenUp } = changesAlong(problem, found.visits);
          expect(settings + takenUp).toBeGreaterThanOrEqual(found.atLeast);
          expect(settings + takenUp, `${values} values, seed ${seed}`).toBeLessThanOrEqual(
            found.atLeast * 1.05,
          );
        }
  });

  test('what is said to be the least is never more than the best', () => {
    fc.assert(
      fc.property(problems(6, 6), (problem) => {
        expect(leastChanges(problem)).toBeLessThanOrEqual(bruteFewest(problem));
      }),
      { numRuns: 600, seed: 7 },
    );
  });

  test('nor is what prices say, from the start and from every standing on the way', () => {
    fc.assert(
      fc.property(problems(6, 6), fc.nat(3), (problem, above) => {
        const best = bruteFewest(problem);
        const { least, leastFrom } = outlookOf(problem, best + above);
        expect(least).toBeLessThanOrEqual(best + 1e-6);
        let { inHand, leftAt } = problem;
        for (const { stage, station } of fewestChanges(problem).visits) {
          // Before a stage, not in the middle of one: only of those is something said.
          const rest = { ...problem, inHand, leftAt, stages: problem.stages.slice(stage) };
          expect(leastFrom(stage, { inHand, leftAt })).toBeLessThanOrEqual(bruteFewest(rest) + 1e-6);
          const { tool } = problem.stations[station] as RouteProblem['stations'][number];
          [inHand, leftAt] = [tool, leftAt.with(tool, station)];
        }
      }),
      { numRuns: 400, seed: 11 },
    );
  });

  test('among the covers that may be as good as the best is one that is', () => {
    fc.assert(
      fc.property(problems(7, 3), fc.nat(2), (problem, above) => {
        const best = bruteFewest(problem);
        const outlook = outlookOf(problem, best + above);
        const slack = best - outlook.leastFrom(0, problem);
        const { sets, isAll } = coversWithin(problem, outlook.tollsAt(0, problem), slack, 10_000);
        expect(isAll).toBe(true);
        const withSet = (set: Cover): number => {
          const forced = set.flatMap(({ stations }) => stations.map((station) => [station]));
          return bruteFewest({ ...problem, stages: [forced, ...problem.stages.slice(1)] });
        };
        expect(Math.min(...sets.map(withSet))).toBe(best);
      }),
      { numRuns: 300, seed: 12 },
    );
  });

  test('where the first look sees next to nothing, what lies ahead still leads to the best', () => {
    const nothing = { mostStandings: 1, mostPassages: 1, mostSteps: 0 };
    fc.assert(
      fc.property(problems(8, 5), (problem) => {
        const { way, atLeast } = bestWay(problem, nothing);
        isWorked(problem, foundRoute(problem, way, atLeast).visits);
        expect([way.cost, atLeast]).toEqual([bruteFewest(problem), way.cost]);
      }),
      { numRuns: 600, seed: 28 },
    );
  });
});
