import { describe, expect, test } from 'vitest';
import { permissibleDeviationPercent, TOOL_CLASSES } from '#core/tool/class-limit.ts';
import { isOverdue } from '#core/tool/tool.ts';

// ISO 6789-1:2017, 5.1 (from memory): ±6 % for I A, D and II D, E, F, G; else ±6 % up to 10 N·m and ±4 % above.
describe('ISO 6789-1:2017, 5.1 (from memory): maximum permissible relative deviation', () => {
  test.each(['I-A', 'I-D', 'II-D', 'II-E', 'II-F', 'II-G'] as const)(
    '%s: 6 %% whatever its maximum',
    (toolClass) => {
      expect(permissibleDeviationPercent(toolClass, 5)).toBe(6);
      expect(permissibleDeviationPercent(toolClass, 200)).toBe(6);
    },
  );

  test.each(['I-B', 'I-C', 'I-E', 'II-A', 'II-B', 'II-C'] as const)(
    '%s: 6 %% up to 10 N·m, 4 %% above',
    (toolClass) => {
      expect(permissibleDeviationPercent(toolClass, 9.99)).toBe(6);
      expect(permissibleDeviationPercent(toolClass, 10)).toBe(6);
      expect(permissibleDeviationPercent(toolClass, 10.01)).toBe(4);
    },
  );

  test('both families are complete', () => {
    expect(TOOL_CLASSES).toHaveLength(5 + 7);
  });
});

test('a calibration still counts on the day it is due, and not on the next', () => {
  const tool = { calibrationDueOn: '2026-11-24' };
  expect(isOverdue(tool, '2026-11-23')).toBe(false);
  expect(isOverdue(tool, '2026-11-24')).toBe(false);
  expect(isOverdue(tool, '2026-11-25')).toBe(true);
});
