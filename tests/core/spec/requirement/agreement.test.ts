import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import { agreeWithinRounding, disagreements, sourcesDiffer } from '#core/spec/requirement/agreement.ts';
import { readRequirement } from '#core/spec/requirement/read-requirement.ts';
import { resolvedRequirement } from '#core/spec/requirement/resolved-requirement.ts';

const written = (text: string, unit: TorqueUnit) => ({ text, value: Number(text), unit });

describe('two prints of one value', () => {
  // 1 lbf·in = 0.112 984 8 N·m (NIST SP 811, appendix B.9).
  test.each([
    { inch: '14', metric: '1.6', agree: true }, // 1.582
    { inch: '14', metric: '1.58', agree: true },
    { inch: '14.0', metric: '1.582', agree: true },
    { inch: '14', metric: '2.6', agree: false },
    { inch: '20', metric: '2.3', agree: true }, // 2.260
    { inch: '20', metric: '2.4', agree: false },
    { inch: '275', metric: '31', agree: true }, // 31.07
    { inch: '275', metric: '32', agree: false },
  ])('$inch lbf·in beside $metric N·m: $agree', ({ inch, metric, agree }) => {
    expect(agreeWithinRounding(written(inch, 'lbf.in'), written(metric, 'N.m'))).toBe(agree);
    expect(agreeWithinRounding(written(metric, 'N.m'), written(inch, 'lbf.in'))).toBe(agree);
  });

  test('the difference is told in percent of the first print', () => {
    const first = valueOrThrow(readRequirement('10 N·m', 'N.m')).requirement;
    const other = valueOrThrow(readRequirement('12 N·m', 'N.m')).requirement;
    expect(disagreements(first, other)[0]?.differencePercent).toBeCloseTo(20, 9);
    const range = valueOrThrow(readRequirement('8 to 12 N·m', 'N.m')).requirement;
    expect(disagreements(first, range)[0]?.differencePercent).toBeNull();
  });

  test('a print that contradicts itself is not settled, and both statements are offered', () => {
    expect(resolvedRequirement('14 in-lb / 1.6 Nm', 'N.m').ok).toBe(true);
    expect(resolvedRequirement('14 in-lb / 2.6 Nm', 'N.m')).toMatchObject({
      ok: false,
      refusal: { code: 'statements-disagree', differencePercent: expect.closeTo(64.37, 1) },
    });
  });
});

describe('agreement is judged by what the last digits stand for, part by part', () => {
  const resolves = (text: string): boolean => resolvedRequirement(text, 'N.m').ok;

  // Two values one apart stand for intervals that only touch.
  test.each([
    ['1', '2', 'N.m', false],
    ['7', '8', 'N.m', false],
    ['20', '21', 'lbf.in', false],
    ['20', '20.4', 'lbf.in', true],
    ['20', '20.6', 'lbf.in', false],
    ['1.0', '1.1', 'N.m', false],
    ['1.0', '1.05', 'N.m', true],
  ] as const)('%s and %s %s: %s', (a, other, unit, agree) => {
    expect(agreeWithinRounding(written(a, unit), written(other, unit))).toBe(agree);
  });

  // 5.4 to 6.6 N·m is 47.8 to 58.4 lbf·in; 7 N·m is 61.95 lbf·in.
  test.each([
    ['max 7 Nm (62 in-lb)', true],
    ['max 7 Nm (70 in-lb)', false],
    ['62 in-lb (7 Nm max)', false],
    ['5-7 Nm (44-62 in-lb)', true],
    ['5-7 Nm (44-72 in-lb)', false],
    ['5-7 Nm (34-62 in-lb)', false],
    ['6 Nm ±10 % (53 in-lb ±10 %)', true],
    ['6 Nm ±10 % (53 in-lb ±8 %)', false],
    ['6 Nm ±10 % (5.4-6.6 Nm)', true],
    ['6.0 Nm ±10 % (5.2-6.6 Nm)', false],
    ['6 ±0.5 Nm (53 ±4 in-lb)', true],
    ['6 ±0.5 Nm (53 ±9 in-lb)', false],
    ['6 Nm +1/-0.5 (53 in-lb +9/-4)', true],
    ['6 Nm +1/-0.5 (53 in-lb +9/-9)', false],
    ['22 Nm + 90° (16 ft-lb + 90°)', true],
    ['22 Nm + 90° (16 ft-lb + 60°)', false],
  ])('%s: %s', (text, agree) => {
    expect(resolves(text)).toBe(agree);
  });

  test('between two sources neither may leave out what the other says', () => {
    const of = (text: string) => valueOrThrow(readRequirement(text, 'N.m')).requirement;
    expect(sourcesDiffer(of('max 7 Nm'), of('7 Nm'))).toBe(true);
    expect(sourcesDiffer(of('7 Nm'), of('max 7 Nm'))).toBe(true);
    expect(sourcesDiffer(of('snug + 60°'), of('snug + 90°'))).toBe(true);
    expect(sourcesDiffer(of('max 7 Nm'), of('max 62 in-lb'))).toBe(false);
  });
});
