import { describe, expect, test } from 'vitest';
import { CHECK_METHODS, canCheck } from '#core/job/check.ts';
import { toNewtonMetres } from '#core/quantity/unit.ts';
import { TOOL_KINDS } from '#core/tool/tool.ts';
import { canShow } from '#core/tool/usable-band.ts';
import { TOOL } from './sample-job.ts';

describe('which tools can check a finished fastener', () => {
  // Common practice: movement is read from a tool that shows it, a click needs a tool that clicks, a shear tool works once.
  const shows = ['bending-beam', 'dial', 'electronic'];

  test.each(TOOL_KINDS)('%s', (kind) => {
    const can = CHECK_METHODS.filter((method) => canCheck(method, { kind }));
    if (shows.includes(kind)) expect(can).toEqual(['first-movement', 'loosen-and-retighten']);
    else
      expect(can).toEqual(
        kind === 'single-use-shear' || kind === 'measuring-fixture' ? [] : ['second-click'],
      );
  });
});

describe('whether a tool shows a torque', () => {
  const { minimum, maximum, unit } = TOOL.scale;
  const at = (value: number) => toNewtonMetres(value, unit);

  test('to the ends of its scale and no further', () => {
    const whole = { ...TOOL, calibration: null };
    expect([minimum, maximum].map((value) => canShow(whole, at(value)))).toEqual([true, true]);
    expect([minimum * 0.99, maximum * 1.01].map((value) => canShow(whole, at(value)))).toEqual([
      false,
      false,
    ]);
  });
});
