import { describe, expect, test } from 'vitest';
import { newtonMetres } from '#core/quantity/unit.ts';
import { RULES_1 } from '#core/rules/1/rules.ts';
import { DEFAULT_SCHOOLS } from '#core/target/schools.ts';
import type { ToolDemand } from '#core/tool/choose-tool.ts';
import { rankedTools } from '#core/tool/ranked-tools.ts';
import type { Tool } from '#core/tool/tool.ts';
import { NO_FACTS, toolBlocks } from '#core/tool/tool-blocks.ts';
import { toolToBuy } from '#core/tool/tool-to-buy.ts';
import { TOOL } from '../job/sample-job.ts';

const tool = (code: string, minimum: number, maximum: number, part: Partial<Tool> = {}): Tool => ({
  ...TOOL,
  id: code,
  code,
  scale: { ...TOOL.scale, unit: 'N.m', minimum, maximum, perTurn: 1, graduation: 0.1, mainStart: minimum },
  restSetting: minimum,
  ...part,
});
const wanted = (part: Partial<ToolDemand> = {}): ToolDemand => ({
  target: { target: newtonMetres(10), low: newtonMetres(9), high: newtonMetres(11) },
  thread: 'right',
  tools: { kind: 'any' },
  drive: 'hex-head',
  ...part,
});
const rank = (tools: readonly Tool[], what = wanted()) =>
  rankedTools(
    tools.map((each) => ({ tool: each, blocks: [], standsAt: null })),
    what,
    DEFAULT_SCHOOLS,
    RULES_1,
  );
const out = (one: Tool, what = wanted()) => rank([one], what).out[0]?.because;

describe('ranking', () => {
  test('by probability first, then by the calibrated part of the range, then by least travel', () => {
    const better = tool('narrow', 2, 60, { limitPercent: 1 });
    const low = tool('low', 5, 60);
    const far = tool('far', 2, 20);
    const near = tool('near', 8, 20);
    const narrow = wanted({
      target: { target: newtonMetres(10), low: newtonMetres(9.5), high: newtonMetres(10.5) },
    });
    expect(rank([low, far, better, near], narrow).fits.map(({ tool: { code } }) => code)).toEqual([
      'narrow',
      'near',
      'far',
      'low',
    ]);
  });

  test('the setting and its probability come with it', () => {
    const [best] = rank([tool('a', 2, 20)]).fits;
    expect(best?.setting.text).toBe('10.0');
    expect(best?.probability).toBeGreaterThan(0.99);
    expect(best?.isInCalibratedPart).toBe(true);
  });
});

describe('why a tool is out', () => {
  test.each([
    ['its range ends below', tool('a', 1, 9), wanted(), ['range-too-low']],
    ['its range begins above', tool('a', 12, 20), wanted(), ['range-too-high']],
    ['the last graduation is the target', tool('a', 1, 10), wanted(), undefined],
    [
      'right only on a left-hand thread',
      tool('a', 2, 20, { directions: ['right'] }),
      wanted({ thread: 'left' }),
      ['wrong-direction'],
    ],
    [
      'forbidden',
      tool('a', 2, 20),
      wanted({ tools: { kind: 'never', tools: ['adjustable-screwdriver'] } }),
      ['forbidden-kind'],
    ],
    [
      'another kind only',
      tool('a', 2, 20),
      wanted({ tools: { kind: 'only', tools: ['dial'] } }),
      ['not-the-kind-allowed'],
    ],
    [
      'the only kind',
      tool('a', 2, 20),
      wanted({ tools: { kind: 'only', tools: ['adjustable-screwdriver'] } }),
      undefined,
    ],
    ['a blade on a hex head', tool('a', 2, 20, { drive: 'own-blade' }), wanted(), ['drive-does-not-fit']],
    [
      'an open jaw on a slot',
      tool('a', 2, 20, { drive: 'open-jaw' }),
      wanted({ drive: 'slot' }),
      ['drive-does-not-fit'],
    ],
    [
      'kept for another part of its range',
      tool('a', 2, 20, {
        calibration: { sessionId: '', points: [], usable: { lowNewtonMetres: 12, highNewtonMetres: 20 } },
      }),
      wanted(),
      ['outside-usable-band'],
    ],
    [
      'preset elsewhere',
      tool('a', 5, 5, {
        kind: 'preset-screwdriver',
        scale: { ...TOOL.scale, form: 'preset', unit: 'N.m', minimum: 5, maximum: 5 },
      }),
      wanted(),
      ['no-graduation'],
    ],
    [
      'preset inside acceptance',
      tool('a', 10.5, 10.5, {
        kind: 'preset-screwdriver',
        scale: { ...TOOL.scale, form: 'preset', unit: 'N.m', minimum: 10.5, maximum: 10.5 },
      }),
      wanted(),
      undefined,
    ],
  ] as const)('%s', (_, one, what, expected) => {
    expect(out(one, what)).toEqual(expected === undefined ? undefined : [...expected]);
  });

  test('two parts that look alike: 15 and 55 lbf·ft name their tools', () => {
    const small = tool('small', 5, 30, { kind: 'torque-limiting-key' });
    const large = tool('large', 5, 100);
    const only = wanted({ tools: { kind: 'only', tools: ['torque-limiting-key'] } });
    expect(rank([small, large], only).fits.map(({ tool: { code } }) => code)).toEqual(['small']);
  });

  test('what stands against a tool today is a reason like any other', () => {
    const { out: all } = rankedTools(
      [{ tool: tool('a', 2, 20), blocks: ['quarantined'], standsAt: null }],
      wanted(),
      DEFAULT_SCHOOLS,
      RULES_1,
    );
    expect(all[0]?.because).toEqual(['quarantined']);
  });
});

test('what the shop would have to buy has the target in its upper part, and a limit that keeps it inside', () => {
  expect(toolToBuy(wanted())).toMatchObject({
    fromNewtonMetres: 4,
    toNewtonMetres: 20,
    limitPercent: 10,
    thread: 'right',
  });
});

test('everything that stands against a tool on a day', () => {
  const facts = {
    ...NO_FACTS,
    pulls: 5000,
    isRetired: true,
    quarantine: { why: 'dropped', at: '', by: '' },
    loan: { to: '', since: '', dueOn: '', condition: '', proofOfPosting: '' },
  };
  expect(toolBlocks(TOOL, facts, '2026-05-01', 'recalibrate')).toEqual([
    'overdue-count',
    'quarantined',
    'on-loan',
    'retired',
  ]);
  expect(toolBlocks(TOOL, NO_FACTS, '2027-01-11', 'recalibrate')).toEqual(['overdue-time']);
  expect(toolBlocks(TOOL, NO_FACTS, '2027-01-10', 'recalibrate')).toEqual([]);
});
