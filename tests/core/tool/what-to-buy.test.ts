import { expect, test } from 'vitest';
import { newtonMetres } from '#core/quantity/unit.ts';
import { RULES_3 } from '#core/rules/3/rules.ts';
import { DEFAULT_SCHOOLS } from '#core/target/schools.ts';
import type { ToolDemand } from '#core/tool/choose-tool.ts';
import { whatToBuy } from '#core/tool/what-to-buy.ts';
import { TOOL } from '../job/sample-job.ts';

const demand = (name: string, target: number, percent: number, part: Partial<ToolDemand> = {}) => ({
  name,
  wanted: {
    target: {
      target: newtonMetres(target),
      low: newtonMetres(target * (1 - percent / 100)),
      high: newtonMetres(target * (1 + percent / 100)),
    },
    thread: 'right',
    tools: { kind: 'any' },
    drive: 'hex-socket',
    ...part,
  } as const,
});
const crib = [{ tool: TOOL, blocks: [], standsAt: null }];
const bought = (...demands: readonly ReturnType<typeof demand>[]) =>
  whatToBuy(demands, crib, DEFAULT_SCHOOLS, RULES_3).map(({ from, to, names, limitPercent }) => ({
    from,
    to,
    names,
    limitPercent: Number(limitPercent.toFixed(6)),
  }));

test('what the crib does surely enough is not bought', () => {
  // The sample tool reaches 4 to 40 lbf·in, 0.45 to 4.5 N·m.
  expect(bought(demand('a', 2, 10))).toEqual([]);
});

test('targets within five times of the lowest are one tool, as good as the narrowest of them asks', () => {
  expect(bought(demand('b', 30, 10), demand('a', 10, 6), demand('c', 50, 8), demand('d', 51, 10))).toEqual([
    { from: 10, to: 50, names: ['a', 'b', 'c'], limitPercent: 6 },
    { from: 51, to: 255, names: ['d'], limitPercent: 10 },
  ]);
});

test('another direction of thread, or a kind that a source asks for, is another tool', () => {
  const only = { tools: { kind: 'only', tools: ['preset-click-wrench'] } } as const;
  expect(
    bought(demand('a', 10, 10), demand('b', 10, 10, { thread: 'left' }), demand('c', 10, 10, only)),
  ).toHaveLength(3);
});

test('what can be set and is not sure enough counts as not done', () => {
  // 2 N·m within 1 % on a tool of ±6 %.
  expect(bought(demand('a', 2, 1))).toEqual([{ from: 2, to: 10, names: ['a'], limitPercent: 1 }]);
});
