import { describe, expect, test } from 'vitest';
import { CHECK_METHODS, canCheck } from '#core/job/check.ts';
import { TOOL_KINDS } from '#core/tool/tool.ts';

describe('which tools can check a finished fastener', () => {
  // Common practice: movement is read from a tool that shows it, a click needs a tool that clicks, a shear tool works once.
  const shows = ['bending-beam', 'dial', 'electronic'];

  test.each(TOOL_KINDS)('%s', (kind) => {
    const can = CHECK_METHODS.filter((method) => canCheck(method, { kind }));
    if (shows.includes(kind)) expect(can).toEqual(['first-movement', 'loosen-and-retighten']);
    else expect(can).toEqual(kind === 'single-use-shear' ? [] : ['second-click']);
  });
});
