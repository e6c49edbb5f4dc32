import { expect, test } from 'vitest';
import { shownLevel } from '#client/device/shown-level.ts';
import { COLLET_NUT } from '#core/joint/kinds/collet-nut.ts';

const step = (id: string) => {
  const found = COLLET_NUT.steps.find((each) => each.id === id);
  if (found?.act.kind !== 'measure') throw new Error(id);
  return { step: found, limits: found.act.limits, of: '1' };
};

test('a runout is the most less the least over the turn; a depth is what is shown', () => {
  const level = shownLevel();
  const runout = step('runout');
  expect(['0.012', '0.004', '-0.003', '0.009'].map((text) => level.told(runout, { text }))).toEqual([
    '0.000',
    '0.008',
    '0.015',
    '0.015',
  ]);
  // The next one begins anew.
  expect(level.told({ ...runout, of: '2' }, { text: '0.5' })).toBe('0.0');
  expect(level.told(step('insertion-depth'), { text: '4.20' })).toBe('4.20');
});
