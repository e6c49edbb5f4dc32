import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import { agreeWithinRounding, disagreements } from '#core/spec/requirement/agreement.ts';
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
