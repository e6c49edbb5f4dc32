import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import type { Tool } from '#core/tool/tool.ts';
import { nextAction } from '#core/view/next-action.ts';
import { type ToolForGroup, toolGaps, toolsForGroup } from '#core/view/tools-for-group.ts';
import { LEAD, SampleJob, TOOL, taken } from './sample-job.ts';

const code = (result: { ok: boolean; refusal?: unknown }) =>
  (result as { refusal?: { code: string } }).refusal?.code;
const ADAPTER = {
  id: '0190a000-0000-7000-8000-0000000000f1',
  code: 'OH',
  kind: 'offset-head',
  driveIn: 'hex-1/4',
  driveOut: 'hex head',
  offsetMillimetres: 25.4,
} as const;
const LEVERED: Tool = { ...TOOL, leverMillimetres: 254 };
const chosen = (tool: Tool, more: object = {}) =>
  ({ kind: 'tool-chosen', body: { ...taken(tool), ...more } }) as const;
/** The tools for the one group of a sample. */
const toolsFor = (
  job: SampleJob,
  candidates: Parameters<typeof toolsForGroup>[2],
  factorOf: (tool: Tool) => number = () => 1,
): readonly ToolForGroup[] =>
  job.state.plan.groups.flatMap((group) => toolsForGroup(job.state, group, candidates, factorOf));
const straight = (tool: Tool) => chosen(tool, { adapters: [{ adapter: ADAPTER, angleDegrees: 0 }] });

describe('an adapter on a job', () => {
  test('the setting is corrected, and the verdict is about what reaches the fastener', () => {
    const job = new SampleJob(['20 to 24 in-lb']);
    job.happen(straight(LEVERED));
    job.happen({ kind: 'cautions-confirmed', body: { cautions: SampleJob.cautions } });
    // 22/1.1 = 20.
    expect(nextAction(job.state, '1')).toMatchObject({ kind: 'set-tool', wanted: { setting: 20 } });
    job.pull('1');
    const pull = job.state.fasteners[0]?.pulls[0]?.body;
    expect(pull).toMatchObject({ outcome: 'in', reading: { text: '20.0' } });
    // 20·1.1 = 22 lbf·in = 2.485666 N·m.
    expect(pull?.torqueNewtonMetres).toBeCloseTo(2.485666, 6);
  });

  test('where the hand is makes it less certain than the same pull without an adapter', () => {
    const plain = new SampleJob(['20 to 24 in-lb']).ready(LEVERED).pull('1').state.fasteners[0]
      ?.pulls[0]?.body;
    const job = new SampleJob(['20 to 24 in-lb']);
    job.happen(straight(LEVERED));
    job.happen({ kind: 'cautions-confirmed', body: { cautions: SampleJob.cautions } });
    const through = job.pull('1').state.fasteners[0]?.pulls[0]?.body;
    expect(through?.standardUncertaintyNewtonMetres ?? 0).toBeGreaterThan(
      plain?.standardUncertaintyNewtonMetres ?? 1,
    );
  });

  test('it is refused where the lever is not known or the drive is another', () => {
    expect(code(new SampleJob().try(straight(TOOL)))).toBe('lever-unknown');
    expect(code(new SampleJob().try(straight({ ...LEVERED, drive: 'square-1/2' })))).toBe(
      'adapters-do-not-fit',
    );
  });
});

describe('a tool that something stands against', () => {
  const blocked = { blocks: ['quarantined'] };
  test.each([
    ['without an override', chosen(TOOL, blocked), LEAD, 'tool-blocked'],
    [
      'overridden by a technician',
      chosen(TOOL, { ...blocked, override: 'checked' }),
      undefined,
      'role-may-not',
    ],
    ['overridden without a reason', chosen(TOOL, { ...blocked, override: ' ' }), LEAD, 'why-missing'],
    ['overridden by a lead', chosen(TOOL, { ...blocked, override: 'checked against T-2' }), LEAD, undefined],
  ] as const)('%s: %s', (_, happening, by, expected) => {
    expect(code(new SampleJob().try(happening, by))).toBe(expected);
  });

  test('the state, and so the certificate, says who let it be used and why', () => {
    const job = new SampleJob();
    job.happen(chosen(TOOL, { ...blocked, override: 'checked against T-2' }), LEAD);
    expect(job.state.takenTools.get(TOOL.id)?.override).toEqual({
      blocks: ['quarantined'],
      why: 'checked against T-2',
      by: 'Lea',
    });
  });

  test('found after it was taken, it is put away until it is taken anew; its pulls are recorded all the same', () => {
    const job = new SampleJob().ready().setFor('1');
    const objections = [{ code: 'tool-blocked', about: 'quarantined' }] as const;
    const pull = (position: string) =>
      job.happen({ kind: 'pull-made', body: { ...valueOrThrow(job.judge(position)), objections } });
    const putAway = {
      kind: 'another-tool',
      refusal: { code: 'tool-blocked', toolCode: TOOL.code, blocks: ['quarantined'] },
    };
    expect(nextAction(job.state, '2').kind).toBe('pull');
    pull('1');
    expect(nextAction(job.state, '2')).toMatchObject(putAway);
    pull('2');
    expect(job.state.fasteners.map(({ status }) => status)).toEqual(['no-verdict', 'no-verdict', 'open']);
    const other = { ...TOOL, id: ADAPTER.id, code: 'T-2' };
    job.happen(chosen(other));
    expect(nextAction(job.state, '3').kind).toBe('set-tool');
    job.happen(chosen(TOOL));
    expect(nextAction(job.state, '3').kind).toBe('set-tool');
  });

  test('a narrowed tool is not used outside its band, but by override', () => {
    const narrowed: Tool = {
      ...TOOL,
      calibration: { sessionId: TOOL.id, points: [], usable: { lowNewtonMetres: 3, highNewtonMetres: 4 } },
    };
    expect(nextAction(new SampleJob().ready(narrowed).state, '1')).toMatchObject({
      kind: 'another-tool',
      refusal: { code: 'outside-usable-band' },
    });
    const job = new SampleJob();
    job.happen(chosen(narrowed, { override: 'nothing else reaches' }), LEAD);
    job.happen({ kind: 'cautions-confirmed', body: { cautions: SampleJob.cautions } });
    expect(nextAction(job.state, '1').kind).toBe('set-tool');
  });
});

test('a tool that shows a torque needs no setting, does not click, and takes a reading', () => {
  const dial: Tool = { ...TOOL, kind: 'dial', scale: { ...TOOL.scale, form: 'dial' } };
  const job = new SampleJob().ready(dial);
  expect(nextAction(job.state, '1').kind).toBe('pull');
  expect(code(job.judge('1'))).toBe('no-click');
  expect(job.judge('1', 'reading', '22.5')).toMatchObject({ ok: true, value: { outcome: 'in' } });
});

test('the tools for a whole job: the one that does most comes first; where none can, what to buy', () => {
  const job = new SampleJob(['20 to 24 in-lb', '20 to 24 in-lb', '9 to 11 Nm']);
  const large: Tool = {
    ...TOOL,
    id: 'l',
    code: 'L',
    scale: { ...TOOL.scale, unit: 'N.m', minimum: 5, maximum: 25 },
  };
  const candidates = [large, TOOL].map((tool) => ({ tool, blocks: [], standsAt: null }));
  const tools = toolsFor(job, candidates);
  expect(tools.map(({ tool: { code: name }, can }) => [name, can])).toEqual([
    ['T-1', 2],
    ['L', 1],
  ]);
  expect(tools[0]?.because).toEqual(['range-too-low']);
  expect(toolGaps(job.state, candidates)).toEqual([]);
  expect(toolGaps(job.state, [candidates[1] as never])).toMatchObject([
    { positions: ['3'], pass: 1, best: null, toBuy: { toNewtonMetres: 20 } },
  ]);
});

test('of two tools that are as sure, the one with less travel comes first; a surer one still wins', () => {
  const job = new SampleJob(['20 to 24 in-lb']);
  // 22 lbf·in is 2.486 N·m: 5.2 turns of 0.4 from 0.4, against 3.4 turns of 5 from 5.
  const scale = {
    ...TOOL.scale,
    unit: 'N.m',
    minimum: 0.4,
    maximum: 4,
    perTurn: 0.4,
    graduation: 0.02,
  } as const;
  const far: Tool = {
    ...TOOL,
    id: 'm',
    code: 'A-far',
    limitPercent: 1,
    restSetting: 0.4,
    scale: { ...scale, mainStart: 0.4 },
  };
  const near: Tool = { ...TOOL, limitPercent: 1.5 };
  const codes = (...tools: readonly Tool[]) =>
    toolsFor(
      job,
      tools.map((tool) => ({ tool, blocks: [], standsAt: null })),
    ).map(({ tool }) => tool.code);
  expect(codes(far, near)).toEqual(['T-1', 'A-far']);
  expect(codes({ ...near, limitPercent: 12 }, far)).toEqual(['A-far', 'T-1']);
});

test('each tool is asked through its own lever', () => {
  const job = new SampleJob(['30 to 34 in-lb']);
  const candidates = [TOOL, { ...TOOL, id: 'b', code: 'T-0' }].map((tool) => ({
    tool,
    blocks: [],
    standsAt: null,
  }));
  const tools = toolsFor(job, candidates, ({ code: name }) => (name === 'T-0' ? 2 : 1));
  expect(tools.map(({ tool, first }) => [tool.code, first?.setting.text])).toEqual(
    expect.arrayContaining([
      ['T-1', '32.0'],
      ['T-0', '16.0'],
    ]),
  );
});
