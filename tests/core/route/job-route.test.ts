import { describe, expect, test } from 'vitest';
import type { JointKind } from '#core/joint/joint-kind.ts';
import { SOFT_PART_CLAMP } from '#core/joint/kinds/soft-part-clamp.ts';
import { jobRoute } from '#core/route/job-route.ts';
import { paceOf, timeFor, type WorkMoment } from '#core/route/pace.ts';
import type { Tool } from '#core/tool/tool.ts';
import { SampleJob, samplePlan, TOOL } from '../job/sample-job.ts';

const candidate = (tool: Tool) => ({ tool, blocks: [], standsAt: null });
/** The sample tool again with another name and another range. */
const another = (code: string, minimum: number, maximum: number): Tool => ({
  ...TOOL,
  id: `0190a000-0000-7000-8000-0000000000${code.toLowerCase()}`,
  code,
  scale: { ...TOOL.scale, form: 'barrel', minimum, maximum, mainStart: minimum } as Tool['scale'],
  restSetting: minimum,
});

describe('the route through a job', () => {
  const alternating = ['20 to 24 in-lb', '13 to 17 in-lb', '20 to 24 in-lb', '13 to 17 in-lb'];

  test('with no tool taken: of those that can, the one that does all of it, each setting once', () => {
    const { state } = new SampleJob(alternating);
    const route = jobRoute(
      state,
      [another('A2', 18, 60), candidate(TOOL).tool, another('A3', 5, 18)].map(candidate),
    );
    expect(route).toMatchObject({ settings: 2, takenUp: 1, isProved: true, pulls: 4, without: [] });
    expect(route.legs.map(({ tool, stops }) => [tool.code, stops.map(({ position }) => position)])).toEqual([
      ['T-1', ['1', '3']],
      ['T-1', ['2', '4']],
    ]);
  });

  test('a job as a worker gets it, which is a copy, has the same route', () => {
    const job = new SampleJob(alternating).ready();
    job.pull('1');
    const crib = [another('A2', 18, 60), TOOL].map(candidate);
    expect(jobRoute(structuredClone(job.state), structuredClone(crib))).toEqual(jobRoute(job.state, crib));
  });

  test('where none does all, one after the other, and what none can do is named', () => {
    const { state } = new SampleJob([...alternating, '300 to 340 in-lb']);
    const route = jobRoute(state, [another('A2', 18, 60), another('A3', 5, 18)].map(candidate));
    expect(route).toMatchObject({ settings: 2, takenUp: 2, without: ['5'] });
    expect(route.legs.map(({ tool }) => tool.code)).toEqual(['A2', 'A3']);
  });

  test('a tool that is less sure saves no setting: it is not on the way', () => {
    const { state } = new SampleJob(alternating);
    const coarse: Tool = {
      ...TOOL,
      id: '0190a000-0000-7000-8000-0000000000d1',
      code: 'D-1',
      kind: 'dial',
      limitPercent: 9,
      scale: { ...TOOL.scale, form: 'dial' } as Tool['scale'],
    };
    const route = jobRoute(state, [coarse, TOOL].map(candidate));
    expect(route.legs.every(({ tool }) => tool.code === 'T-1')).toBe(true);
  });

  test('a tool that stands there already is not set again; what was pulled is not on the way', () => {
    const job = new SampleJob(alternating).ready();
    job.pull('1');
    const route = jobRoute(job.state, []);
    expect(route).toMatchObject({ settings: 1, takenUp: 0, pulls: 3, isProved: true });
    expect(route.legs[0]?.stops.map(({ position }) => position)).toEqual(['3']);
  });

  test('passes come one after the other, in the order of the joint; what all have in common is worked at once', () => {
    const plan = samplePlan(['20 to 24 in-lb', '20 to 24 in-lb', '20 to 24 in-lb', '20 to 24 in-lb']);
    const kind: JointKind = { ...SOFT_PART_CLAMP, order: 'opposed-pairs', roundsUntilStill: false };
    const groups = plan.groups.map((group) => ({ ...group, kind }));
    const fasteners = plan.fasteners.map((each) => ({ ...each, details: {} }));
    const { state } = new SampleJob({ ...plan, groups, fasteners });
    const route = jobRoute(state, [candidate(TOOL)]);
    const passes = route.legs.flatMap(({ stops }) => stops.map(({ pass }) => pass));
    expect(passes).toEqual([...passes].sort((a, b) => a - b));
    expect(route.pulls).toBe(4 * kind.passes.length);
    expect(route.settings).toBe(kind.passes.length);
  });
});

describe('how long it takes, by the site’s own pulls', () => {
  const at = (seconds: number, kind: WorkMoment['kind'] = 'pull', job = 'a'): WorkMoment => ({
    job,
    person: 'p',
    atMs: seconds * 1_000,
    kind,
  });
  const steady = Array.from({ length: 14 }, (_, index) => at(index * 20));

  test('the median from pull to pull; pauses, other jobs and a clock set back are left out', () => {
    const pace = paceOf([...steady, at(10_000), at(9_000), at(9_020), at(9_025, 'pull', 'b')]);
    expect(pace).toMatchObject({ pullSeconds: 20, changeSeconds: null, counted: 14 });
    expect(timeFor(pace as NonNullable<typeof pace>, 10, { settings: 1, takenUp: 1 })).toBe(240);
  });

  test('what a change adds, once some were made', () => {
    const changes = Array.from({ length: 5 }, (_, index) => [
      at(300 + index * 70 + 10, 'change'),
      at(300 + index * 70 + 50),
    ]).flat();
    const pace = paceOf([...steady, ...changes]);
    expect(pace?.pullSeconds).toBe(20);
    expect(pace?.changeSeconds).toBeCloseTo(50, 6);
  });

  test('too few say nothing', () => expect(paceOf(steady.slice(0, 8))).toBeNull());
});
