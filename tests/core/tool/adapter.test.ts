import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { newtonMetres } from '#core/quantity/unit.ts';
import {
  type Adapter,
  adapterFactor,
  adapterSensitivity,
  fittingChain,
  type MountedAdapter,
  settingThrough,
} from '#core/tool/adapter.ts';

const adapter = (part: Partial<Adapter> = {}): Adapter => ({
  id: '0190a000-0000-7000-8000-0000000000e1',
  code: 'A',
  kind: 'offset-head',
  driveIn: 'square-3/8',
  driveOut: '17 mm hex head',
  offsetMillimetres: 25.4,
  ...part,
});
const at = (angleDegrees: number, part: Partial<Adapter> = {}): MountedAdapter => ({
  adapter: adapter(part),
  angleDegrees,
});
const LEVER = 254;

describe('FAA AC 43.13-1B, fig. 7-2: T = 110 lbf·in, L = 10 in, E = 1 in', () => {
  test.each([
    [0, 100, 1],
    [45, 102.74, 2],
    [90, 110, 9],
    [180, 122.2, 1],
  ])('%d°: the tool is set to %d', (angle, expected, digits) => {
    const factor = valueOrThrow(adapterFactor(LEVER, [at(angle)]));
    expect(settingThrough(newtonMetres(110), factor)).toBeCloseTo(expected, digits);
  });
});

test('property: an angle to either side is the same, and a right angle changes nothing', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 50, max: 1000 }),
      fc.integer({ min: 1, max: 40 }),
      fc.integer({ min: -180, max: 180 }),
      (lever, offset, angle) => {
        const factor = (degrees: number) =>
          valueOrThrow(adapterFactor(lever, [at(degrees, { offsetMillimetres: offset })]));
        expect(factor(angle)).toBeCloseTo(factor(-angle), 12);
        expect(factor(90)).toBe(1);
        expect(factor(0) * lever).toBeCloseTo(lever + offset, 6);
      },
    ),
  );
});

test('a chain adds its offsets; an extension in line changes nothing', () => {
  const line = at(0, { kind: 'extension', offsetMillimetres: 0, driveOut: 'square-3/8' });
  expect(adapterFactor(LEVER, [line])).toEqual({ ok: true, value: 1 });
  expect(adapterFactor(null, [line])).toEqual({ ok: true, value: 1 });
  // (254 + 25.4 + 12.7)/254 = 1.15.
  expect(valueOrThrow(adapterFactor(LEVER, [line, at(0), at(60)]))).toBeCloseTo(1.15, 12);
});

test('sensitivity: straight out, 10° off costs E·(1 − cos 10°)/(L + E); the hand 10 mm in costs more than out', () => {
  const { tenDegreesPercent, tenMillimetresPercent } = valueOrThrow(adapterSensitivity(LEVER, [at(0)]));
  // 25.4·(1 − 0.984808)/279.4 = 0.138 %.
  expect(tenDegreesPercent).toBeCloseTo(0.138, 3);
  // (244 + 25.4)/244 = 1.104098 against 1.1: 0.3726 %.
  expect(tenMillimetresPercent).toBeCloseTo(0.3726, 4);
});

test.each([
  ['an offset without a lever length', () => adapterFactor(null, [at(0)]), 'lever-unknown'],
  ['a lever of nothing', () => adapterFactor(0, [at(0)]), 'lever-unknown'],
  ['an offset as long as the lever, turned back', () => adapterFactor(25.4, [at(180)]), 'adapter-turns-back'],
  ['another drive', () => fittingChain('square-1/4', [at(0)]), 'adapters-do-not-fit'],
  ['the second not on the first', () => fittingChain('square-3/8', [at(0), at(0)]), 'adapters-do-not-fit'],
])('%s is refused', (_, given, code) => {
  expect(given()).toMatchObject({ ok: false, refusal: { code } });
});

test('a chain that fits is kept as it is', () => {
  const chain = [at(0, { kind: 'extension', driveOut: 'square-3/8', offsetMillimetres: 0 }), at(90)];
  expect(fittingChain('square-3/8', chain)).toEqual({ ok: true, value: chain });
});
