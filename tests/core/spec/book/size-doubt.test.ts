import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { sizeDoubt } from '#core/spec/book/size-doubt.ts';
import { readRequirement } from '#core/spec/requirement/read-requirement.ts';

const doubt = (text: string, part: string, size: string) =>
  sizeDoubt(valueOrThrow(readRequirement(text, 'N.m')).requirement, part, size);

describe('a torque against the size it is for', () => {
  test('18 lbf·ft on a small terminal is feet for inches, or newton metres for inch pounds', () => {
    expect(doubt('18 lbf·ft', 'control terminal', '14 AWG')?.likely.map(({ mixUp }) => mixUp)).toEqual([
      'inch-for-foot',
      'newton-metre-for-inch',
      'decimal-place',
      'two-decimal-places',
    ]);
    expect(doubt('18 lbf·in', 'control terminal', '14 AWG')).toBeNull();
  });

  test.each([
    // What published tables ask of a size is never doubted: NFPA 70 Annex I, VDI 2230 class 12.9, FAA AC 43.13-1B Table 7-1.
    ['80 lbf·in', 'terminal', '10 AWG'],
    ['500 lbf·in', 'lug', '4/0'],
    ['1100 lbf·in', 'terminal', '1000 kcmil'],
    ['42 N·m', 'clamp', 'M8'],
    ['137 N·m', 'cover', 'M12'],
    ['70 lbf·in', 'nut', '1/4-28'],
    ['690 lbf·in', 'nut', '1/2-20'],
    ['25 lbf·in', 'nut', '10-32'],
    ['5 N·m', 'stem', ''],
    ['5 N·m', 'stem', 'large'],
    ['finger tight', 'ring', 'M3'],
  ])('%s on a %s %s is no doubt', (text, part, size) => {
    expect(doubt(text, part, size)).toBeNull();
  });

  test.each([
    ['50 N·m', 'ring screw', 'M4'],
    ['25 N·m', 'nut', '10-32'],
    ['70 lbf·ft', 'nut', '1/4-28'],
    ['max 40 N·m', 'terminal', '2.5 mm²'],
  ])('%s on a %s %s is above anything of its size', (text, part, size) => {
    expect(doubt(text, part, size)?.likely.length).toBeGreaterThan(0);
  });
});
