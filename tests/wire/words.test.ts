import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import type { PullBody } from '#core/job/pull.ts';
import { readRequirement } from '#core/spec/requirement/read-requirement.ts';
import { DEFAULT_SCHOOLS } from '#core/target/schools.ts';
import { targetAndAcceptance } from '#core/target/target-and-acceptance.ts';
import type { Scale } from '#core/tool/scale.ts';
import { derivationWords, schoolWords } from '#wire/words/derivation.ts';
import { SCHOOL_QUESTIONS } from '#wire/words/schools.ts';
import { scaleRangeWords, scaleWords, turnWords } from '#wire/words/setting.ts';
import { probabilityWords, verdictWords } from '#wire/words/verdict.ts';

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

describe('the way to a setting', () => {
  test.each([
    { turns: 1, expected: 'up 1 turn, clockwise' },
    { turns: 3.4, expected: 'up 3 turns and 4 marks, clockwise' },
    { turns: -0.1, expected: 'down 1 mark, anticlockwise' },
    { turns: -1.5, expected: 'down 1 turn and 5 marks, anticlockwise' },
    { turns: 0, expected: 'it stands there already' },
  ])('$turns turns: $expected', ({ turns, expected }) => {
    expect(turnWords(SCALE, turns)).toBe(expected);
  });

  test('a tool that is raised the other way', () => {
    expect(turnWords({ ...SCALE, raisedBy: 'anticlockwise' }, 1)).toBe('up 1 turn, anticlockwise');
  });

  test('how the scale reads and what it spans', () => {
    expect(scaleWords({ marks: { main: 20, sub: 2.5 } })).toBe('20 on the shaft, 2.5 on the barrel');
    expect(scaleRangeWords(SCALE)).toBe('5 to 40 lbf·in, 5 a turn, 0.5 a mark');
  });
});

describe('verdicts state fact and consequence', () => {
  const pull = (change: Partial<PullBody>): PullBody => ({
    position: '1',
    pass: 1,
    method: 'reading',
    toolId: null,
    setting: null,
    reading: { text: '5.9', value: 5.9, unit: 'N.m' },
    readingStands: false,
    seenPulls: null,
    moved: null,
    rules: 2,
    knownErrorPercent: null,
    shown: null,
    objections: null,
    targetNewtonMetres: 5,
    lowNewtonMetres: 4.5,
    highNewtonMetres: 5.5,
    torqueNewtonMetres: null,
    standardUncertaintyNewtonMetres: 0.1,
    outcome: 'high',
    probability: 0.0001,
    ...change,
  });
  const said = (change: Partial<PullBody>) =>
    verdictWords(pull(change), 'N.m', { sourceDigits: 2, graduation: null });

  test('above', () => {
    // 5.9 − 5.5 = 0.4 at the fastener; without the torque there, nothing is said of by how much.
    expect(said({ torqueNewtonMetres: 5.9 })).toEqual({
      fact: '5.9 N·m, 0.4 N·m above 5.5 N·m.',
      consequence:
        'Next: loosen it, look at the thread, replace the screw if its maker says so, then pull it again.',
    });
    expect(said({}).fact).toBe('5.9 N·m, above 5.5 N·m.');
  });

  test('past the click has no reading to show', () => {
    expect(said({ method: 'over-shot', reading: null, probability: null }).fact).toBe(
      'went past the click; nobody knows by how much.',
    );
  });

  test('low, in, too close, by feel', () => {
    expect(said({ outcome: 'low', torqueNewtonMetres: 4.38 }).fact).toContain('0.12 N·m below 4.5 N·m');
    expect(said({ outcome: 'low' }).consequence).toContain('pull it again from where it stands');
    expect(said({ outcome: 'in', probability: 0.9913 })).toEqual({
      fact: '5.9 N·m, 99.1 % by the tool’s uncertainty.',
      consequence: '',
    });
    expect(said({ outcome: 'too-close', probability: 0.8 }).consequence).toContain('better tool');
    expect(said({ outcome: 'by-feel', probability: null }).consequence).toContain('stays open');
  });

  test('a probability is never rounded up to certainty', () => {
    const said = [0.99999, 1, 0.9995, 0.9994, 0.5, 0.0001].map(probabilityWords);
    expect(said).toEqual(['over 99.9 %', 'over 99.9 %', 'over 99.9 %', '99.9 %', '50.0 %', 'under 0.1 %']);
  });
});

describe('why: the lines of a derivation', () => {
  const lines = (text: string) => {
    const { requirement } = valueOrThrow(readRequirement(text, 'N.m'));
    return valueOrThrow(targetAndAcceptance(requirement, DEFAULT_SCHOOLS, null)).steps.map((step) =>
      derivationWords(step, 'lbf.in', 2),
    );
  };

  test('a maximum alone, in the printed unit, with what is assumed', () => {
    expect(lines('max 32 in-lb')).toEqual([
      { gives: 'High limit', line: '32 lbf·in: as printed', note: '' },
      {
        gives: 'Target',
        line: '25.6 lbf·in: a share of the printed maximum, 80 % from 32 lbf·in',
        note: 'School: 80 % of a maximum.',
      },
      {
        gives: 'Low limit',
        line: '22.4 lbf·in: a share of the printed maximum, 70 % from 32 lbf·in',
        note: 'Assumed, the source does not say.',
      },
    ]);
  });

  test('a range names both ends and the school', () => {
    expect(lines('20 to 24 in-lb')[2]).toEqual({
      gives: 'Target',
      line: '22 lbf·in: middle of the printed range from 20 lbf·in and 24 lbf·in',
      note: 'School: middle of the range.',
    });
  });
});

test('every answer to every question of the schools has words of its own', () => {
  for (const { id, choices } of SCHOOL_QUESTIONS)
    for (const choice of choices)
      expect(schoolWords({ question: id, choice } as Parameters<typeof schoolWords>[0])).not.toContain(id);
});
