import { describe, expect, test } from 'vitest';
import { judgedRunOn } from '#core/command/judge-run-on.ts';
import { leastRunOnLbfIn } from '#core/spec/screw/self-locking-run-on.ts';
import type { Tool } from '#core/tool/tool.ts';
import type { TakenTool } from '#core/view/bench.ts';
import { SampleJob, samplePlan, TOOL } from '../job/sample-job.ts';

const DIAL: Tool = { ...TOOL, kind: 'dial', scale: { ...TOOL.scale, form: 'dial', minimum: 4, maximum: 80 } };

const takenWith = (adapterFactor: number): TakenTool => ({
  tool: DIAL,
  adapters: [],
  adapterFactor,
  unallowed: [],
  foundSince: [],
  override: null,
  setting: null,
});

const jobOf = (thread: string): SampleJob => {
  const plan = samplePlan(['300 to 400 in-lb']);
  return new SampleJob({ ...plan, fasteners: plan.fasteners.map((each) => ({ ...each, thread })) });
};
const judged = (text: string, thread = '', factor = 1) =>
  judgedRunOn(jobOf(thread).state, '1', text, takenWith(factor));
const codeOf = (text: string, thread = '', factor = 1): string | undefined => {
  const result = judged(text, thread, factor);
  return result.ok ? undefined : result.refusal.code;
};

describe('a run-on torque as it was read', () => {
  test('straight on the fastener it is what the tool said, to its digits', () => {
    expect(judged('8,0')).toEqual({
      ok: true,
      value: { torque: { text: '8.0', value: 8, unit: 'lbf.in' } },
    });
  });

  test('through an adapter it is corrected, and what the tool said stands beside it', () => {
    // 8 lbf·in shown through a factor of 1.25 is 10 lbf·in at the nut.
    expect(judged('8', '', 1.25)).toEqual({
      ok: true,
      value: {
        torque: { text: '10', value: 10, unit: 'lbf.in' },
        seen: { text: '8', value: 8, unit: 'lbf.in' },
      },
    });
  });

  test.each([
    ['3.9', 'run-on-off-scale'],
    ['4', undefined],
    ['80', undefined],
    ['80.1', 'run-on-off-scale'],
    ['eight', 'not-a-number'],
  ])('a dial from 4 to 80 lbf·in that is said to have shown %s: %s', (text, expected) => {
    expect(codeOf(text)).toBe(expected);
  });

  test.each([
    ['9.9', '1/2-20', 'run-on-too-low', 1],
    ['10', '1/2-20', undefined, 1],
    ['9.9', '1/2-20 UNF', 'run-on-too-low', 1],
    // The table has no row for a small screw, and none is made up.
    ['4', '10-32', undefined, 1],
    ['4', 'M5', undefined, 1],
    // 8 lbf·in through 1.25 is 10 at the nut.
    ['8', '1/2-20', undefined, 1.25],
  ] as const)('FAA AC 43.13-1B, Table 7-2: %s lbf·in on %s: %s', (text, thread, expected, factor) => {
    expect(codeOf(text, thread, factor)).toBe(expected);
  });

  test('FAA AC 43.13-1B, Table 7-2 (from memory): the least by size', () => {
    expect(['7/16-20', '1/2-20', '3/4-16', '1-14', '1/2-13'].map(leastRunOnLbfIn)).toEqual([
      8, 10, 27, 55, 10,
    ]);
  });
});
