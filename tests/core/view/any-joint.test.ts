import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { COLLET_NUT } from '#core/joint/kinds/collet-nut.ts';
import { audit } from '#core/ledger/audit.ts';
import { jobRecord } from '#core/ledger/job-record.ts';
import { NO_CONDITIONS } from '#core/spec/requirement/conditions.ts';
import { fastenerAt } from '#core/view/bench.ts';
import { blockingSteps, openSteps, stepsAfter } from '#core/view/due-steps.ts';
import { targetOrNull } from '#core/view/fastener-target.ts';
import { groupWork } from '#core/view/group-work.ts';
import { nextAction } from '#core/view/next-action.ts';
import { comingPositions, isReadyToSign, jobStage, nextPosition } from '#core/view/open-items.ts';
import { toolFor } from '#core/view/tool-for.ts';
import { toolGaps } from '#core/view/tools-for-group.ts';
import { waitingFor } from '#core/view/waiting-for.ts';
import {
  INSPECTOR,
  LEAD,
  SAMPLE_CABINET,
  SampleJob,
  stepOf,
  TECHNICIAN,
  TOOL,
  taken,
} from '../job/sample-job.ts';
import {
  bookSaying,
  clampPlan,
  colletPlan,
  LARGE,
  planOf,
  ringPlan,
  SMALL,
  sampleGroup,
} from '../job/sample-joints.ts';
import { jointProgress } from './joint-progress.ts';

const code = (result: { ok: boolean; refusal?: unknown }) =>
  (result as { refusal?: { code: string } }).refusal?.code;
const confirmed = { kind: 'confirmed' } as const;
const good = { kind: 'inspected', isGood: true, note: '' } as const;
const step = (id: string, change: object = {}) =>
  ({ group: 'A', step: id, of: null, afterPass: null, result: confirmed, ...change }) as never;
const measured = (id: string, of: string, text: string) =>
  step(id, {
    of,
    result: { kind: 'measured', measure: { text, value: Number(text), unit: 'mm' }, instrument: 'DI-1' },
  });

describe('a ring of screws on a soft seat', () => {
  const ring = (printed?: readonly string[]) =>
    new SampleJob(ringPlan(printed)).ready(SMALL).step(step('started-by-hand'));

  test('goes round crosswise, pass by pass, each pulled to its share', () => {
    const job = ring();
    expect(jointProgress(job.state)).toEqual({ pass: 1, left: ['1', '2', '3', '4'] });
    // A third of 42 cN·m is 13.86; the nearest mark is 14.
    expect(nextAction(job.state, '1')).toMatchObject({ kind: 'set-tool', wanted: { setting: 14 } });
    for (const position of ['1', '2', '3', '4']) job.pull(position);
    expect(job.state.fasteners.map(({ status, pass }) => [status, pass])).toEqual(
      Array(4).fill(['reached', 1]),
    );
    expect(jointProgress(job.state).pass).toBe(2);
    // Two thirds of 42 is 27.72.
    expect(nextAction(job.state, '1')).toMatchObject({
      kind: 'step',
      due: { step: { id: 'gap-even' }, afterPass: 1 },
    });
    job.step(step('gap-even', { afterPass: 1 }));
    expect(nextAction(job.state, '1')).toMatchObject({ kind: 'set-tool', wanted: { setting: 28 } });
  });

  const upToFull = (job: SampleJob): SampleJob => {
    for (let pass = 1; pass <= 3; pass += 1) {
      if (pass > 1) job.step(step('gap-even', { afterPass: pass - 1 }));
      for (const position of ['1', '2', '3', '4']) job.pull(position);
    }
    return job;
  };

  test('only the last pass is judged by acceptance', () => {
    const job = upToFull(ring());
    const outcomes = fastenerAt(job.state, '1')?.pulls.map(({ body }) => [body.outcome, body.probability]);
    expect(outcomes?.slice(0, 2)).toEqual([
      ['reached', null],
      ['reached', null],
    ]);
    expect(outcomes?.[2]).toEqual(['in', expect.any(Number)]);
  });

  test('settles before it is pulled again, and the wait is by the clock', () => {
    const job = upToFull(ring());
    expect(jobStage(job.state)).toBe('under-way');
    expect(nextAction(job.state, nextPosition(job.state, null))).toMatchObject({
      kind: 'step',
      due: { step: { id: 'settled' } },
    });
    expect(code(job.judge('1'))).toBe('step-first');
    const last = job.state.fasteners
      .flatMap(({ pulls }) => pulls.map(({ deviceTime }) => deviceTime))
      .sort()
      .at(-1);
    expect(waitingFor(job.state)).toEqual({
      title: 'Seat left to settle',
      until: new Date(Date.parse(last ?? '') + 240 * 60_000).toISOString(),
    });
    const waited = step('settled', { result: { kind: 'waited' } });
    job.wait(239);
    // 239 min and the twenty seconds to the next thing that happens.
    expect(job.try(stepOf(waited))).toMatchObject({ refusal: { code: 'wait-not-over', minutesLeft: 1 } });
    job.wait(1).step(waited);
    expect(waitingFor(job.state)).toBeNull();
    expect(job.state.steps.at(-1)?.waitedMinutes).toBeCloseTo(240, 0);
    expect(nextAction(job.state, '1')).toMatchObject({ kind: 'pull' });
  });

  const settled = (): SampleJob =>
    upToFull(ring())
      .wait(240)
      .step(step('settled', { result: { kind: 'waited' } }));

  test('rounds go on until nothing moves in one', () => {
    const job = settled();
    const round = (moving: string) => {
      for (const position of ['1', '2', '3', '4']) job.pull(position, 'click', null, position === moving);
    };
    expect(isReadyToSign(job.state)).toBe(false);
    round('2');
    expect(jointProgress(job.state)).toEqual({ pass: 5, left: ['1', '2', '3', '4'] });
    round('none');
    expect(jointProgress(job.state)).toEqual({ pass: null, left: [] });
    expect(isReadyToSign(job.state)).toBe(true);
    expect(audit(job.chain())).toEqual([]);
    job.sign('done', TECHNICIAN);
    expect(job.state.signatures).toHaveLength(1);
  });

  test('whatever moves in whichever round, the last round is the first in which nothing did', () => {
    const rounds = fc.array(fc.array(fc.boolean(), { minLength: 4, maxLength: 4 }), { maxLength: 5 });
    fc.assert(
      fc.property(rounds, (moves) => {
        const job = settled();
        const still = moves.findIndex((round) => round.every((moved) => !moved));
        const needed = still < 0 ? moves.length + 1 : still + 1;
        let pulls = 0;
        for (let next = comingPositions(job.state, null)[0]; next !== undefined; pulls += 1) {
          const round = Math.floor(pulls / 4);
          job.pull(next, 'click', null, moves[round]?.[Number(next) - 1] ?? false);
          next = comingPositions(job.state, next)[0];
        }
        expect(pulls).toBe(needed * 4);
      }),
      { numRuns: 25 },
    );
  });

  test('is not signed while a round is due: nobody has looked whether it still moves', () => {
    const job = settled();
    const head = { sequence: job.events.length, hash: job.chain().at(-1)?.hash ?? '' };
    const sign = { kind: 'job-signed', body: { meaning: 'done', head, madeNoPull: false } } as const;
    expect(code(job.try(sign))).toBe('steps-remain');
  });

  test('a pull without saying whether it moved is no still round', () => {
    const job = settled();
    for (const position of ['1', '2', '3', '4']) job.pull(position);
    expect(jointProgress(job.state).pass).toBe(5);
  });

  test('whether it moved is said in rounds only', () => {
    const job = ring().setFor('1');
    expect(code(job.judge('1', 'click', null, false, true))).toBe('claim-untrue');
  });

  test('one that went past starts over once it is loosened, the others go on', () => {
    const job = ring();
    for (const position of ['1', '2', '3', '4']) job.pull(position);
    job
      .step(step('gap-even', { afterPass: 1 }))
      .pull('1')
      .pull('2', 'over-shot');
    job.mend('2');
    expect(fastenerAt(job.state, '2')).toMatchObject({ pass: 0, status: 'high' });
    expect(nextAction(job.state, '2')).toMatchObject({ wanted: { setting: 14 } });
  });

  test('voiding takes a fastener back to the pass before', () => {
    const job = ring();
    for (const position of ['1', '2', '3', '4']) job.pull(position);
    job.step(step('gap-even', { afterPass: 1 })).pull('1');
    expect(fastenerAt(job.state, '1')?.pass).toBe(2);
    job.happen({ kind: 'pull-voided', body: { pullId: job.state.lastPull?.eventId ?? '', why: 'slipped' } });
    expect(fastenerAt(job.state, '1')?.pass).toBe(1);
  });

  test('a reading below the share of its pass has not reached it', () => {
    const job = ring();
    job.pull('1', 'reading', '9.0');
    expect(fastenerAt(job.state, '1')).toMatchObject({ status: 'low', pass: 0 });
    expect(jointProgress(job.state).left).toContain('1');
  });

  test('a pull of another pass than is due is recorded, with that beside it', () => {
    const job = ring().setFor('1');
    const body = { ...valueOrThrow(job.judge('1')), pass: 3 };
    const made = job.happen({ kind: 'pull-made', body });
    expect(made.fasteners[0]?.pulls[0]?.body.objections).toEqual([{ code: 'pass-out-of-order', about: '1' }]);
    expect(audit(job.chain())).toEqual([]);
  });

  test('FAA AC 43.13-1B par. 7-40: a run-on torque is felt in every pass, only what is above it is shared', () => {
    const runOn = { kind: 'measured', torque: { text: '8', value: 8, unit: 'lbf.in' } } as const;
    const book = bookSaying({ conditions: { ...NO_CONDITIONS, runOn } });
    const asked = Array(3).fill({ printed: '30 to 40 in-lb', book });
    const job = new SampleJob(planOf(sampleGroup('A', ringPlan().groups[0]?.kind as never, asked)))
      .ready({ ...TOOL, scale: { ...TOOL.scale, maximum: 60 } })
      .step(step('started-by-hand'));
    // 35 · 0.33 + 8 = 19.55, on a scale of halves 19.5.
    expect(nextAction(job.state, '1')).toMatchObject({ kind: 'set-tool', wanted: { setting: 19.5 } });
    for (const position of ['1', '2', '3']) job.pull(position);
    job.step(step('gap-even', { afterPass: 1 }));
    // 35 · 0.66 + 8 = 31.1.
    expect(nextAction(job.state, '1')).toMatchObject({ kind: 'set-tool', wanted: { setting: 31 } });
  });

  test('a device that says a later pass takes none of those before away', () => {
    const job = ring();
    for (const position of ['1', '2', '3', '4']) {
      job.setFor(position);
      const said = valueOrThrow(job.judge(position, 'reading', '42'));
      job.happen({ kind: 'pull-made', body: { ...said, pass: 40, moved: false } });
    }
    expect(job.state.fasteners.map(({ status, pass }) => [status, pass])).toEqual(Array(4).fill(['in', 1]));
    expect(jointProgress(job.state).pass).toBe(2);
  });

  test('what was skipped is asked for before the signature', () => {
    const job = upToFull(ring());
    for (let round = 0; round < 4; round += 1) {
      const position = String(round + 1);
      const fastener = fastenerAt(job.state, position);
      const last = fastener?.pulls.at(-1)?.body;
      if (!last) throw new Error('it was pulled');
      job.happen({ kind: 'pull-made', body: { ...last, pass: 4, moved: false } });
    }
    expect(jointProgress(job.state).pass).toBeNull();
    expect(blockingSteps(job.state).map(({ step: { id } }) => id)).toEqual(['settled']);
    expect(isReadyToSign(job.state)).toBe(false);
  });

  test('what comes after the pass is the next pass, not the next group', () => {
    const job = new SampleJob(
      planOf(
        sampleGroup('A', ringPlan().groups[0]?.kind as never, Array(3).fill({ printed: '0.42 ±0.04 Nm' })),
        sampleGroup('B', SAMPLE_CABINET, [{ printed: '0.5 Nm' }], 4),
      ),
    )
      .ready(SMALL)
      .step(step('started-by-hand'));
    job.pull('1').pull('2');
    expect(comingPositions(job.state, '2')).toEqual(['3', '1', '2', '4']);
  });
});

describe('a collet nut', () => {
  const prepared = (depth = '3.0') =>
    new SampleJob(colletPlan())
      .ready(LARGE)
      .step(step('collet-inspected', { of: 'KC-1', result: good }))
      .step(step('seats-clean'))
      .step(step('snapped-in', { of: '1' }))
      .step(measured('insertion-depth', '1', depth))
      .step(measured('flutes-out', '1', '1.5'));

  // Shank 3 mm or more inside the back face, flutes 1.5 mm or more out of the nose: common practice.
  test.each([
    { text: '2.9', isGood: false },
    { text: '3.0', isGood: true },
    { text: '3.1', isGood: true },
  ])('common practice: a shank $text mm inside the back face is good: $isGood', ({ text, isGood }) => {
    const job = prepared(text);
    expect(job.state.steps.find((done) => done.step === 'insertion-depth')?.isGood).toBe(isGood);
    expect(job.judge('1').ok === false && code(job.judge('1'))).toBe(
      isGood ? 'setting-not-made' : 'step-first',
    );
  });

  test('a scratched collet stops the work until another look, or a lead’s reason', () => {
    const job = new SampleJob(colletPlan()).ready(LARGE);
    const scratched = { kind: 'inspected', isGood: false, note: 'ring scratch' } as const;
    job.step(step('collet-inspected', { of: 'KC-1', result: scratched }));
    expect(nextAction(job.state, '1')).toMatchObject({ due: { step: { id: 'collet-inspected' } } });
    expect(nextAction(job.state, '1')).toMatchObject({ due: { last: { isGood: false } } });
    const left = (why: string) =>
      stepOf(step('collet-inspected', { of: 'KC-1', result: { kind: 'left', why } }));
    expect(code(job.try(left(' '), LEAD))).toBe('why-missing');
    expect(code(job.try(left('only one there is')))).toBe('role-may-not');
    job.happen(left('only one there is'), LEAD);
    expect(nextAction(job.state, '1')).toMatchObject({ due: { step: { id: 'seats-clean' } } });
  });

  test('runout is the second condition, with the limit of its requirement', () => {
    const job = prepared().pull('1');
    const fastener = fastenerAt(job.state, '1');
    expect(fastener?.status).toBe('in');
    expect(fastener && stepsAfter(job.state, fastener).map(({ limits }) => limits?.high)).toEqual([0.01]);
    expect(isReadyToSign(job.state)).toBe(false);
    expect(nextPosition(job.state, null)).toBe('1');
    job.step(measured('runout', '1', '0.011'));
    expect(blockingSteps(job.state).map(({ step: { id } }) => id)).toEqual(['runout']);
    job.step(measured('runout', '1', '0.010'));
    expect(isReadyToSign(job.state)).toBe(true);
    expect(audit(job.chain())).toEqual([]);
  });

  test('without a limit of its own the kind’s stands', () => {
    const plan = planOf(sampleGroup('A', COLLET_NUT, [{ printed: '36 to 40 Nm' }]));
    const job = new SampleJob(plan).ready(LARGE);
    job.step(measured('runout', '1', '0.02'));
    expect(job.state.steps[0]).toMatchObject({ isGood: true, limits: { high: 0.02 } });
  });

  test('a step is what its plan says: on its part, in its unit, in its way', () => {
    const job = new SampleJob(colletPlan()).ready(LARGE);
    const inches = { text: '0.12', value: 0.12, unit: 'in' };
    const tried = (said: never) => code(job.try(stepOf(said)));
    expect(tried(step('collet-inspected', { of: 'KC-2', result: good }))).toBe('step-misdone');
    expect(tried(step('collet-inspected', { of: 'KC-1' }))).toBe('step-misdone');
    expect(tried(step('snapped-in', { of: '9' }))).toBe('unknown-position');
    expect(tried(step('polished'))).toBe('step-unknown');
    expect(tried(step('eye-protection'))).toBe('step-unknown');
    expect(tried(step('seats-clean', { group: 'Z' }))).toBe('group-unknown');
    expect(tried(step('seats-clean', { afterPass: 1 }))).toBe('step-misdone');
    const inInches = { kind: 'measured', measure: inches, instrument: 'DI-1' };
    expect(tried(step('insertion-depth', { of: '1', result: inInches }))).toBe('step-misdone');
  });

  test('what a device claims of a step is decided anew', () => {
    const job = new SampleJob(colletPlan()).ready(LARGE);
    const claim = { ...stepOf(measured('insertion-depth', '1', '1.0')).body, isGood: true };
    job.happen({ kind: 'step-done', body: claim });
    expect(job.state.steps[0]?.isGood).toBe(false);
  });

  test('a step that comes after a signature stands beside it', () => {
    const job = prepared()
      .pull('1')
      .step(measured('runout', '1', '0.006'));
    job.sign('done', TECHNICIAN).sign('inspected', INSPECTOR);
    job.step(measured('runout', '1', '0.008'));
    expect(job.state.signatures).toHaveLength(2);
  });
});

describe('a clamp on a soft part', () => {
  test('the lower of two values governs, turn about in passes', () => {
    const job = new SampleJob(clampPlan()).ready(LARGE);
    const target = targetOrNull(job.state, fastenerAt(job.state, '1') as never);
    // 80 % of the tube's 5 N·m, accepted from 70 % of it: common practice.
    expect([target?.low, target?.target, target?.high]).toEqual([3.5, 4, 5]);
    job.step(step('part-inspected', { of: 'BAR-1', result: good })).step(step('friction-paste'));
    job.pull('1').pull('2');
    expect(nextAction(job.state, '1')).toMatchObject({ due: { step: { id: 'gap-even' } } });
    expect(code(job.judge('1'))).toBe('step-first');
    job
      .step(step('gap-even', { afterPass: 1 }))
      .pull('1')
      .pull('2');
    job
      .step(step('gap-even', { afterPass: 2 }))
      .pull('1')
      .pull('2');
    expect(job.state.fasteners.map(({ status }) => status)).toEqual(['in', 'in']);
    for (const position of ['1', '2']) job.pull(position, 'click', null, false);
    expect(openSteps(job.state).map(({ step: { id } }) => id)).toEqual(['does-not-turn']);
    job.step(step('does-not-turn', { result: good }));
    expect(nextAction(job.state, nextPosition(job.state, null)).kind).toBe('wind-down');
  });
});

describe('several tools at hand', () => {
  const plan = planOf(
    sampleGroup('A', SAMPLE_CABINET, [{ printed: '0.5 Nm' }, { printed: '3 Nm' }]),
    sampleGroup('B', COLLET_NUT, [{ printed: '38 Nm' }], 3),
  );
  const take = (job: SampleJob, tool: typeof SMALL, groups: readonly string[], isBeside = true) =>
    job.happen({ kind: 'tool-chosen', body: { ...taken(tool), groups, isBeside } });
  const takes = (job: SampleJob, position: string) =>
    toolFor(job.state, fastenerAt(job.state, position) as never)?.tool.code ?? null;

  test('each fastener takes the one that is surest for it; a group has its own', () => {
    const job = new SampleJob(plan);
    take(job, SMALL, ['A']);
    take(job, TOOL, ['A']);
    expect([takes(job, '1'), takes(job, '2'), takes(job, '3')]).toEqual(['T-5', 'T-1', null]);
    expect(nextAction(job.state, '3').kind).toBe('choose-tool');
    take(job, LARGE, ['B']);
    expect(takes(job, '3')).toBe('T-6');
  });

  test('each keeps its own setting', () => {
    const job = new SampleJob(plan);
    take(job, SMALL, ['A']);
    take(job, TOOL, ['A']);
    const cautions = nextAction(job.state, '1').kind;
    expect(cautions).toBe('make-safe');
    job.happen({
      kind: 'cautions-confirmed',
      body: { cautions: job.state.plan.groups.flatMap(({ kind }) => kind.steps.map(({ id }) => id)) },
    });
    job.setFor('1').setFor('2');
    expect(job.state.takenTools.get(SMALL.id)?.setting?.text).toBe('50');
    expect(job.state.takenTools.get(TOOL.id)?.setting?.text).toBe('26.5');
    job.pull('1').pull('2');
    expect(job.state.fasteners.slice(0, 2).map(({ status }) => status)).toEqual(['in', 'in']);
  });

  test('one taken instead puts the others of its group away, and no other group’s', () => {
    const job = new SampleJob(plan);
    take(job, SMALL, ['A']);
    take(job, LARGE, ['B']);
    take(job, TOOL, ['A'], false);
    expect(job.state.toolsOf.get('A')).toEqual([TOOL.id]);
    expect(job.state.toolsOf.get('B')).toEqual([LARGE.id]);
  });

  test('a group that is none is refused', () => {
    const job = new SampleJob(plan);
    const body = { ...taken(SMALL), groups: ['Z'], isBeside: false };
    expect(code(job.try({ kind: 'tool-chosen', body }))).toBe('group-unknown');
  });

  test('what no tool can do, or none surely enough, is said before the first pull', () => {
    const job = new SampleJob(
      planOf(sampleGroup('A', SAMPLE_CABINET, [{ printed: '45 to 50 in-lb' }, { printed: '20 Nm' }])),
    );
    const wide = { ...TOOL, scale: { ...TOOL.scale, maximum: 60 } };
    const gaps = toolGaps(job.state, [{ tool: wide, blocks: [], standsAt: null }]);
    // 47.5 ± 2.5 lbf·in with ±6 %: u = 47.5·0.06/√3 = 1.645, p = 2Φ(2.5/1.645) − 1 = 0.871: enough at 80 %.
    expect(gaps.map(({ positions, best }) => [positions, best])).toEqual([[['2'], null]]);
    const wider = { ...wide, limitPercent: 10 };
    const [unsure] = toolGaps(job.state, [{ tool: wider, blocks: [], standsAt: null }]);
    expect(unsure?.positions).toEqual(['1']);
    expect(unsure?.best?.probability).toBeCloseTo(0.638, 2);
  });
});

describe('groups and plans', () => {
  test('the earlier group comes first', () => {
    const job = new SampleJob(
      planOf(
        sampleGroup('B', SAMPLE_CABINET, [{ printed: '2 Nm' }]),
        sampleGroup('A', SAMPLE_CABINET, [{ printed: '2 Nm' }], 2),
      ),
    ).ready();
    expect(comingPositions(job.state, null)).toEqual(['1', '2']);
    job.pull('1');
    expect(groupWork(job.state, job.state.plan.groups[0] as never).pass).toBeNull();
    expect(nextPosition(job.state, '1')).toBe('2');
  });

  const whole = ringPlan();
  test.each([
    { what: 'group-repeated', change: { groups: [...whole.groups, ...whole.groups] } },
    { what: 'group-empty', change: { groups: [...whole.groups, { ...whole.groups[0], id: 'B' }] } },
    {
      what: 'group-unknown',
      change: { fasteners: whole.fasteners.map((each) => ({ ...each, group: 'Q' })) },
    },
    {
      what: 'detail-unknown',
      change: { fasteners: whole.fasteners.map((each) => ({ ...each, details: { shank: '4 mm' } })) },
    },
  ])('a plan with a $what is refused', ({ what, change }) => {
    const job = new SampleJob();
    const plan = { ...whole, ...change } as typeof whole;
    expect(job.decide(null, { kind: 'job-planned', body: plan })).toMatchObject({
      ok: false,
      refusal: { code: 'plan-misshaped', what },
    });
  });

  test('groups whose fasteners lie among each other are refused', () => {
    const plan = planOf(
      sampleGroup('A', SAMPLE_CABINET, [{ printed: '2 Nm' }, { printed: '2 Nm' }]),
      sampleGroup('B', SAMPLE_CABINET, [{ printed: '2 Nm' }], 3),
    );
    const [first, second, third] = plan.fasteners;
    const mixed = { ...plan, fasteners: [first, third, second] } as typeof plan;
    expect(new SampleJob().decide(null, { kind: 'job-planned', body: mixed })).toMatchObject({
      refusal: { what: 'group-scattered' },
    });
  });

  test('finger tight is confirmed, never given a torque', () => {
    const job = new SampleJob(
      planOf(sampleGroup('A', SAMPLE_CABINET, [{ printed: 'finger tight' }, { printed: '2 Nm' }])),
    ).ready();
    expect(nextAction(job.state, '1').kind).toBe('finger-tighten');
    expect(code(job.judge('1'))).toBe('finger-tight');
    expect(code(job.try({ kind: 'finger-tightened', body: { position: '2' } }))).toBe('not-finger-tight');
    job.happen({ kind: 'finger-tightened', body: { position: '1' } }).fasteners[0];
    job.pull('2');
    expect(isReadyToSign(job.state)).toBe(true);
    expect(job.state.fasteners[0]?.pulls).toEqual([]);
  });

  test('a record of such a job is of version 3 and states its groups, steps and passes', () => {
    const job = new SampleJob(colletPlan()).ready(LARGE).step(step('seats-clean'));
    const seal = {
      site: 's',
      job: '',
      headSequence: 1,
      headHash: '',
      sealedAt: '',
      publicKey: '',
      signature: '',
    };
    const record = jobRecord(job.chain(), seal as never);
    expect(record).toMatchObject({
      version: 3,
      statement: {
        groups: [
          { jointKind: { code: 'collet-nut', revision: COLLET_NUT.revision }, parts: [{ code: 'KC-1' }] },
        ],
        steps: [{ step: 'seats-clean', isGood: true }],
        openSteps: [],
      },
    });
  });

  test('a left-hand thread and a book that says so agree, and the tool must turn that way', () => {
    const plan = planOf(sampleGroup('A', SAMPLE_CABINET, [{ printed: '2 Nm', book: bookSaying({}) }]));
    const left = {
      ...plan,
      fasteners: plan.fasteners.map((each) => ({ ...each, direction: 'left' as const })),
    };
    const job = new SampleJob(left);
    const rightOnly = { ...TOOL, directions: ['right'] as const };
    expect(toolGaps(job.state, [{ tool: rightOnly, blocks: [], standsAt: null }])).toHaveLength(1);
    expect(toolGaps(job.state, [{ tool: TOOL, blocks: [], standsAt: null }])).toEqual([]);
  });
});
