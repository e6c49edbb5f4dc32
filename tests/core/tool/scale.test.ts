import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  checkedScale,
  graduationCount,
  SCALE_MARKS_MAX,
  type Scale,
  scaleMarks,
  settingAtGraduation,
  settingText,
  shownSetting,
  turnsBetween,
} from '#core/tool/scale.ts';

const scale = (
  minimum: number,
  maximum: number,
  perTurn: number,
  graduation: number,
  unit: Scale['unit'] = 'lbf.in',
  mainStart = minimum,
): Scale => ({
  form: 'barrel',
  unit,
  minimum,
  maximum,
  perTurn,
  graduation,
  mainStart,
  raisedBy: 'clockwise',
});

// Worked examples of reading adjustable tools; common practice, no published source.
const SCREWDRIVER = scale(5, 40, 5, 0.5);
const WRENCH = scale(20, 100, 10, 1, 'lbf.ft');
const LONG_WRENCH = scale(100, 1000, 50, 5);

describe('reading a scale: main graduation and what the barrel adds', () => {
  test.each([
    { name: 'screwdriver at 12.5', on: SCREWDRIVER, setting: 12.5, main: 10, sub: 2.5 },
    { name: 'screwdriver at 10', on: SCREWDRIVER, setting: 10, main: 10, sub: 0 },
    { name: 'wrench at 34', on: WRENCH, setting: 34, main: 30, sub: 4 },
    { name: 'long wrench at 180', on: LONG_WRENCH, setting: 180, main: 150, sub: 30 },
    { name: 'at rest', on: SCREWDRIVER, setting: 5, main: 5, sub: 0 },
    { name: 'at the top', on: SCREWDRIVER, setting: 40, main: 40, sub: 0 },
    // Derived: main graduations at 0, 5, 10 …, so 3 shows no main above 0 and 7 shows 5.
    {
      name: 'mains that start below the minimum',
      on: scale(3, 20, 5, 0.5, 'N.m', 0),
      setting: 7,
      main: 5,
      sub: 2,
    },
    // Derived: 3, 8 and 13 are a turn apart from the minimum; the shaft's first graduation is at 14.
    {
      name: 'below mains that start more than a turn above the minimum',
      on: scale(3, 40, 5, 0.5, 'N.m', 14),
      setting: 9,
      main: 8,
      sub: 1,
    },
    { name: 'decimal turns', on: scale(0.4, 4, 0.4, 0.02, 'N.m'), setting: 1.3, main: 1.2, sub: 0.1 },
  ])('$name', ({ on, setting, main, sub }) => {
    expect(scaleMarks(on, setting)).toEqual({ main, sub });
  });

  test('turns from where it stands: the screwdriver at rest is one turn under 10', () => {
    expect(turnsBetween(SCREWDRIVER, 5, 10)).toBe(1);
    expect(turnsBetween(SCREWDRIVER, 12.5, 10)).toBe(-0.5);
    expect(turnsBetween(LONG_WRENCH, 100, 180)).toBe(1.6);
  });

  test('the text of a setting has the scale’s own resolution', () => {
    expect(settingText(SCREWDRIVER, 22)).toBe('22.0');
    expect(settingText(WRENCH, 34)).toBe('34');
    expect(settingText(scale(0.4, 4, 0.4, 0.02, 'N.m'), 1.3)).toBe('1.30');
  });

  test('property: set, then read, gives the setting back on any scale', () => {
    const model = fc.record({
      marksPerTurn: fc.integer({ min: 1, max: 50 }),
      graduation: fc.constantFrom(0.01, 0.02, 0.05, 0.1, 0.2, 0.25, 0.5, 1, 2, 5, 10),
      startMarks: fc.integer({ min: 0, max: 200 }),
      spanMarks: fc.integer({ min: 1, max: 500 }),
      mainStartMarks: fc.integer({ min: 0, max: 200 }),
      at: fc.double({ min: 0, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(model, ({ marksPerTurn, graduation, startMarks, spanMarks, mainStartMarks, at }) => {
        const decimal = (value: number) => Number(value.toFixed(9));
        const minimum = decimal(startMarks * graduation);
        const on = scale(
          minimum,
          decimal(minimum + spanMarks * graduation),
          decimal(marksPerTurn * graduation),
          graduation,
          'N.m',
          decimal(Math.min(mainStartMarks, startMarks + spanMarks) * graduation),
        );
        const setting = settingAtGraduation(on, Math.round(at * graduationCount(on)));
        const reading = scaleMarks(on, setting);
        expect(shownSetting(reading)).toBe(setting);
        expect(reading.sub).toBeGreaterThanOrEqual(-1e-9);
        expect(reading.sub).toBeLessThan(on.perTurn);
      }),
    );
  });
});

describe('which scales can exist', () => {
  test.each([
    { name: 'limits the wrong way round', on: scale(40, 5, 5, 0.5), code: 'scale-limits-reversed' },
    { name: 'limits alike', on: scale(5, 5, 5, 0.5), code: 'scale-limits-reversed' },
    { name: 'below zero', on: scale(-1, 5, 5, 0.5), code: 'scale-limits-reversed' },
    {
      name: 'a turn of no whole number of marks',
      on: scale(5, 40, 5, 0.7),
      code: 'scale-turn-not-whole-marks',
    },
    { name: 'a mark larger than a turn', on: scale(5, 40, 5, 10), code: 'scale-turn-not-whole-marks' },
    { name: 'no mark', on: scale(5, 40, 5, 0), code: 'scale-turn-not-whole-marks' },
    { name: 'too many marks', on: scale(0, SCALE_MARKS_MAX + 1, 10, 1), code: 'scale-too-fine' },
  ])('$name: $code', ({ on, code }) => {
    expect(checkedScale(on)).toMatchObject({ ok: false, refusal: { code } });
  });

  test('as many marks as a scale may have', () => {
    expect(checkedScale(scale(0, SCALE_MARKS_MAX, 10, 1)).ok).toBe(true);
  });
});
