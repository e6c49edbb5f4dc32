import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { readPrinted } from '#core/spec/book/book-requirement.ts';
import { specKey } from '#core/spec/book/spec-key.ts';
import { readRequirement } from '#core/spec/requirement/read-requirement.ts';
import { plainSpecification } from '#core/spec/requirement/specification.ts';
import { conflictsAmong, contradiction } from '#core/target/conflicts.ts';
import { DEFAULT_SCHOOLS } from '#core/target/schools.ts';
import { requirementEffect } from '#core/view/requirement-effect.ts';
import { SampleJob } from '../job/sample-job.ts';

const says = (id: string, text: string) => ({
  id,
  specification: plainSpecification(valueOrThrow(readRequirement(text, 'N.m')).requirement),
});

describe('two things are one when their words and sizes are', () => {
  test.each([
    ['coolant flare nut', '3/8', 'Coolant  Flare Nut', '-6'],
    ['clamp', 'M8', 'clamp m 8', ''],
    ['terminal', '#10', 'terminal', '10 AWG'],
  ])('%s %s and %s %s', (part, size, otherPart, otherSize) => {
    expect(specKey(part, size)).toBe(specKey(otherPart, otherSize));
  });

  test.each([
    ['coolant flare nut', '3/8', 'coolant flare nut', '-8'],
    ['clamp', 'M8', 'cover', 'M8'],
    ['clamp', 'M8', 'clamp', 'M8x1'],
  ])('%s %s and %s %s are not', (part, size, otherPart, otherSize) => {
    expect(specKey(part, size)).not.toBe(specKey(otherPart, otherSize));
  });
});

describe('where sources disagree', () => {
  test('35, 40 and 80 for one part in three places are three disagreements', () => {
    const found = conflictsAmong(
      [says('a', '35 lbf·in'), says('b', '40 lbf·in'), says('c', '80 lbf·in')],
      DEFAULT_SCHOOLS,
    );
    expect(
      found.map(({ first, other, differencePercent }) => [first, other, Math.round(differencePercent ?? 0)]),
    ).toEqual([
      // 40/35 = 1.1429, 80/35 = 2.2857, 80/40 = 2.
      ['a', 'b', 14],
      ['a', 'c', 129],
      ['b', 'c', 100],
    ]);
    expect(found.every(({ likely }) => likely.length === 0)).toBe(true);
  });

  test('9 lbf·ft beside 9 lbf·in names the mix-up of inch and foot', () => {
    const [found] = conflictsAmong([says('a', '9 lb-ft'), says('b', '9 lb-in')], DEFAULT_SCHOOLS);
    expect(found?.likely[0]).toMatchObject({ mixUp: 'inch-for-foot', direction: 'too-low' });
  });

  test('one value in two units is no disagreement: 20 lbf·in is 2.26 N·m (NIST SP 811)', () => {
    expect(conflictsAmong([says('a', '20 lbf·in'), says('b', '2.26 N·m')], DEFAULT_SCHOOLS)).toEqual([]);
  });

  test('an angle without a torque disagrees with a torque, and has no percentage', () => {
    const [found] = conflictsAmong([says('a', 'snug + 60°'), says('b', '10 Nm')], DEFAULT_SCHOOLS);
    expect(found).toMatchObject({ firstTarget: null, differencePercent: null, likely: [] });
  });
});

describe('what another requirement would do to a job', () => {
  const job = new SampleJob().ready().pull('1').pull('2', 'by-feel');

  test('a pull at 22 lbf·in, in by 20 to 24, would be high by 16 to 19', () => {
    const { specification } = says('x', '16 to 19 lbf·in');
    expect(requirementEffect(job.state, ({ planned }) => planned.position !== '3', specification)).toEqual({
      fasteners: 2,
      pulled: 2,
      changed: [{ position: '1', was: 'in', would: 'high' }],
    });
  });

  test('by feel stays by feel, whatever the limits', () => {
    const { specification } = says('x', '1 to 2 Nm');
    expect(
      requirementEffect(job.state, ({ planned }) => planned.position === '2', specification)?.changed,
    ).toEqual([]);
  });

  test('an angle without a torque can’t be judged', () => {
    expect(requirementEffect(job.state, () => true, says('x', 'snug + 60°').specification)).toBeNull();
  });
});

describe('a source that contradicts itself', () => {
  const settled = (printed: string, readAs: string | null) =>
    valueOrThrow(readPrinted(printed, readAs, 'N.m'));

  test.each([
    // 14 lbf·in is 1.582 N·m (NIST SP 811, appendix B.9).
    { printed: '14 in-lb / 2.6 Nm', readAs: '14 in-lb', other: '2.6 Nm' },
    { printed: '14 in-lb / 2.6 Nm', readAs: '2.6 Nm', other: '14 in-lb' },
    { printed: '15-20 in-lb (1.7-3.2 Nm)', readAs: '15-20 in-lb', other: '1.7-3.2 Nm' },
  ])('$printed, settled as $readAs, also says $other', ({ printed, readAs, other }) => {
    expect(contradiction(settled(printed, readAs), 'N.m')?.printed).toContain(other);
  });

  test.each([
    { printed: '14 in-lb / 1.6 Nm', readAs: null },
    { printed: '14 in-lb', readAs: null },
    { printed: '18 pounds', readAs: '18 in-lb' },
  ])('$printed says one thing', ({ printed, readAs }) => {
    expect(contradiction(settled(printed, readAs), 'N.m')).toBeNull();
  });
});
