import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { toNewtonMetres } from '#core/quantity/unit.ts';
import type { Scale } from '#core/tool/scale.ts';
import { toolSetting } from '#core/tool/tool-setting.ts';

const SCALE: Scale = {
  form: 'barrel',
  unit: 'lbf.in',
  minimum: 5,
  maximum: 40,
  perTurn: 5,
  graduation: 0.5,
  mainStart: 5,
  raisedBy: 'clockwise',
};
const inchPounds = (value: number) => toNewtonMetres(value, 'lbf.in');
const wanted = (target: number, low: number, high: number) => ({
  target: inchPounds(target),
  low: inchPounds(low),
  high: inchPounds(high),
});

const set = (
  target: number,
  low: number,
  high: number,
  school: 'nearest-inside' | 'the-one-below' = 'nearest-inside',
  standsAt = 5,
) => toolSetting(wanted(target, low, high), SCALE, school, standsAt);

describe('the setting for a target', () => {
  test('on a graduation it is the target, with how the scale looks and the way there', () => {
    expect(valueOrThrow(set(12.5, 11, 14))).toMatchObject({
      setting: 12.5,
      text: '12.5',
      marks: { main: 10, sub: 2.5 },
      turns: 1.5,
    });
  });

  test.each([
    { name: 'nearest is above', target: 12.3, low: 11, high: 14, school: 'nearest-inside', setting: 12.5 },
    { name: 'nearest is below', target: 12.2, low: 11, high: 14, school: 'nearest-inside', setting: 12 },
    {
      name: 'a tie goes to the lower',
      target: 12.25,
      low: 11,
      high: 14,
      school: 'nearest-inside',
      setting: 12,
    },
    {
      name: 'nearest is outside, the other is inside',
      target: 12.3,
      low: 12,
      high: 12.4,
      school: 'nearest-inside',
      setting: 12,
    },
    {
      name: 'the school of the one below',
      target: 12.4,
      low: 11,
      high: 14,
      school: 'the-one-below',
      setting: 12,
    },
    {
      name: 'the one below is the target itself',
      target: 12.5,
      low: 11,
      high: 14,
      school: 'the-one-below',
      setting: 12.5,
    },
    { name: 'at the scale’s minimum', target: 5, low: 4, high: 6, school: 'nearest-inside', setting: 5 },
    { name: 'at the scale’s maximum', target: 40, low: 36, high: 44, school: 'nearest-inside', setting: 40 },
    {
      name: 'on a limit, which is inclusive',
      target: 12.5,
      low: 12.5,
      high: 14,
      school: 'nearest-inside',
      setting: 12.5,
    },
  ] as const)('$name', ({ target, low, high, school, setting }) => {
    expect(valueOrThrow(set(target, low, high, school)).setting).toBe(setting);
  });

  test('what rounding costs is reported', () => {
    const { offTarget } = valueOrThrow(set(12.3, 11, 14));
    // Derived: 0.2 lbf·in × 0.112984829 = 0.0225970.
    expect(offTarget).toBeCloseTo(0.022597, 6);
  });

  test('turns count from where the tool stands, down as well', () => {
    expect(valueOrThrow(set(12.5, 11, 14, 'nearest-inside', 20)).turns).toBe(-1.5);
  });
});

describe('refusals', () => {
  test.each([
    { name: 'just under the scale', target: 4.99 },
    { name: 'just over the scale', target: 40.01 },
  ])('outside-tool-range: $name', ({ target }) => {
    expect(set(target, 1, 60)).toMatchObject({
      refusal: { code: 'outside-tool-range', minimum: 5, maximum: 40, unit: 'lbf.in' },
    });
  });

  test('no-graduation-inside: both neighbours miss, and are named', () => {
    expect(set(12.25, 12.1, 12.4)).toMatchObject({
      refusal: { code: 'no-graduation-inside', below: 12, above: 12.5 },
    });
  });

  test('no-graduation-inside: the one below misses and the school takes no other', () => {
    expect(set(12.4, 12.3, 14, 'the-one-below')).toMatchObject({ refusal: { code: 'no-graduation-inside' } });
    expect(set(12.4, 12.3, 14, 'nearest-inside').ok).toBe(true);
  });
});

test('property: a setting is on a graduation, inside acceptance and inside the scale', () => {
  const target = fc.double({ min: 5, max: 40, noNaN: true });
  fc.assert(
    fc.property(
      target,
      fc.double({ min: 0.3, max: 5, noNaN: true }),
      fc.constantFrom('nearest-inside', 'the-one-below'),
      (at, half, school) => {
        const result = set(at, at - half, at + half, school as 'nearest-inside');
        if (!result.ok) return;
        const { setting, torque } = result.value;
        expect(Number.isInteger(setting * 2)).toBe(true);
        expect(torque).toBeGreaterThanOrEqual(inchPounds(at - half) * (1 - 1e-9));
        expect(torque).toBeLessThanOrEqual(inchPounds(at + half) * (1 + 1e-9));
        expect(setting).toBeGreaterThanOrEqual(5);
        expect(setting).toBeLessThanOrEqual(40);
        if (school === 'the-one-below') expect(setting).toBeLessThanOrEqual(at + 1e-6);
      },
    ),
  );
});
