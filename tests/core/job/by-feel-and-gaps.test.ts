import { describe, expect, test } from 'vitest';
import { ONLY_GROUP } from '#core/job/only-group.ts';
import { toolGaps } from '#core/view/tools-for-group.ts';
import { LEAD, SampleJob, sampleCheck, TECHNICIAN, TOOL } from './sample-job.ts';

describe('a fastener pulled by feel', () => {
  const byFeel = (schools = {}, rules?: number) =>
    new SampleJob(undefined, schools, rules).ready().pull('1', 'by-feel');
  const code = (result: { readonly ok: boolean; readonly refusal?: { readonly code: string } }) =>
    result.refusal?.code;

  test('is never in by one click: it is loosened first', () => {
    const job = byFeel();
    job.setFor('1');
    expect(code(job.judge('1'))).toBe('loosen-first');
    job.happen({ kind: 'fastener-loosened', body: { position: '1' } });
    expect(job.pull('1').status('1')).toBe('in');
  });

  test.each([
    ['moved-or-loosened', 'first-movement', true, 'in'],
    ['moved-or-loosened', 'first-movement', false, 'by-feel'],
    // A second click can't see that it was overdone.
    ['moved-or-loosened', 'second-click', true, 'by-feel'],
    ['loosened', 'first-movement', true, 'by-feel'],
  ] as const)('school %s, %s, inside %s: %s', (byFeelCheck, method, isInside, status) => {
    const job = byFeel({ byFeelCheck });
    const reading = { text: isInside ? '22' : '30', value: isInside ? 22 : 30, unit: 'lbf.in' } as const;
    const body = { ...sampleCheck(), position: '1', method, reading };
    job.happen({ kind: 'fastener-checked', body: { ...body, isInside } });
    expect(job.status('1')).toBe(status);
  });

  test('under rules 2 it stays as it was then', () => {
    const job = byFeel({}, 2);
    expect(job.pull('1').status('1')).toBe('in');
  });
});

describe('a group that no tool at hand is sure enough for', () => {
  // 45 to 50 lbf·in on a tool of ±6 %: the middle is 5.3 % from either limit, 87 % (domain: 45 to 50 with an uncalibrated ±6 % screwdriver).
  const wide = { ...TOOL, scale: { ...TOOL.scale, maximum: 60 }, limitPercent: 6 };
  const job = () => new SampleJob(['45 to 50 in-lb'], { sureEnough: 'ninety-five-percent' }).ready(wide);
  const candidates = [{ tool: wide, blocks: [], standsAt: null }];

  test('is said before the first pull, with how sure the surest is and what is wanted', () => {
    const [gap] = toolGaps(job().state, candidates);
    expect(gap).toMatchObject({ positions: ['1'], wantedShare: 0.95, accepted: null });
    expect(gap?.best?.probability).toBeGreaterThan(0.8);
    expect(gap?.best?.probability).toBeLessThan(0.95);
  });

  test('its pulls are too close to call, until a lead accepts it once with a reason', () => {
    const work = job().pull('1');
    expect(work.status('1')).toBe('too-close');
    const accept = { kind: 'gap-accepted', body: { group: ONLY_GROUP, why: 'no better tool' } } as const;
    expect(work.try(accept, TECHNICIAN)).toMatchObject({ refusal: { code: 'role-may-not', needed: 'lead' } });
    expect(work.try({ ...accept, body: { group: 'Z', why: 'x' } }, LEAD)).toMatchObject({
      refusal: { code: 'group-unknown' },
    });
    work.happen(accept, LEAD);
    expect(work.try(accept, LEAD)).toMatchObject({ refusal: { code: 'gap-accepted-already' } });
    // What was judged stays; what is pulled from now on is judged by its limits.
    expect(work.status('1')).toBe('too-close');
    expect(work.pull('1').status('1')).toBe('in');
    expect(toolGaps(work.state, candidates)).toMatchObject([{ accepted: { why: 'no better tool' } }]);
    expect(work.refolded().acceptedGaps.get(ONLY_GROUP)).toMatchObject({ person: { name: 'Lea' } });
  });
});
