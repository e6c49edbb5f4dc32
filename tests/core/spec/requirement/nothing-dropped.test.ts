import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import { readRequirement } from '#core/spec/requirement/read-requirement.ts';
import { printedTorques, type Requirement, turnedDegrees } from '#core/spec/requirement/requirement.ts';

const SPELLED: Readonly<Partial<Record<TorqueUnit, readonly string[]>>> = {
  'N.m': ['Nm', 'N·m', 'N m'],
  'lbf.in': ['in-lb', 'lbf·in', 'inch pounds'],
  'lbf.ft': ['ft-lbs', 'lbf·ft'],
  'cN.m': ['cNm'],
  'kgf.cm': ['kgf·cm', 'kpcm'],
};
const unit = fc.constantFrom(
  ...Object.entries(SPELLED).flatMap(([code, spellings]) =>
    (spellings ?? []).map((spelling) => ({ code: code as TorqueUnit, spelling })),
  ),
);
/** Digits of a torque, and how they are printed. */
const digits = fc.oneof(
  fc.integer({ min: 1, max: 900 }).map((n) => ({ text: String(n), printed: String(n) })),
  fc
    .tuple(fc.integer({ min: 1, max: 90 }), fc.integer({ min: 0, max: 99 }), fc.constantFrom('.', ','))
    .map(([whole, part, mark]) => {
      const fraction = String(part).padStart(2, '0');
      return { text: `${whole}.${fraction}`, printed: `${whole}${mark}${fraction}` };
    }),
  fc
    .tuple(fc.integer({ min: 1, max: 90 }), fc.constantFrom(['½', '.5'], ['¼', '.25'], [' 3/4', '.75']))
    .map(([whole, [sign, share]]) => ({ text: `${whole}${share}`, printed: `${whole}${sign}` })),
);
const before = fc.constantFrom('', 'torque ', 'Tighten to ', 'T = ', 'tightening torque: ', 'Anzugsmoment ');
const dash = fc.constantFrom('-', ' - ', '–', ' to ', '…', '÷', ' bis ');

type Said = {
  readonly numbers: readonly string[];
  readonly unit: TorqueUnit | null;
  readonly angles: readonly number[];
};

const numbersOf = (requirement: Requirement): readonly string[] => {
  const torques = printedTorques(requirement).map(({ text }) => text);
  if (requirement.kind === 'nominal-absolute')
    return [...torques, requirement.plus.text, requirement.minus.text];
  if (requirement.kind === 'nominal-percent')
    return [...torques, String(requirement.tolerancePercent), String(requirement.minusPercent ?? '')].filter(
      Boolean,
    );
  return torques;
};

const saidBy = (requirement: Requirement): Said => ({
  numbers: numbersOf(requirement),
  unit: printedTorques(requirement)[0]?.unit ?? null,
  angles: turnedDegrees(requirement),
});

describe('nothing printed is dropped', () => {
  test('a composition of number, unit, bound and angle keeps all four, or is refused', () => {
    fc.assert(
      fc.property(
        before,
        digits,
        digits,
        unit,
        dash,
        fc.constantFrom('nominal', 'range', 'maximum', 'minimum', 'angle', 'angles'),
        fc.integer({ min: 1, max: 180 }),
        (words, a, b, { code, spelling }, to, shape, angle) => {
          const print = {
            nominal: `${a.printed} ${spelling}`,
            range: `${a.printed}${to}${b.printed} ${spelling}`,
            maximum: `max ${a.printed} ${spelling}`,
            minimum: `${a.printed} ${spelling} or more`,
            angle: `${a.printed} ${spelling} + ${angle}°`,
            angles: `${a.printed} ${spelling}, then ${angle}°, then 45°`,
          }[shape];
          const read = readRequirement(`${words}${print}`, 'N.m');
          if (!read.ok) return;
          const angles = { angle: [angle], angles: [angle, 45] }[shape as 'angle'] ?? [];
          const kind = { angle: 'torque-then-angle', angles: 'torque-then-angle' }[shape as 'angle'] ?? shape;
          expect(read.value.requirement.kind).toBe(kind);
          expect(read.value.alsoPrinted).toEqual([]);
          expect(saidBy(read.value.requirement)).toEqual({
            numbers: shape === 'range' ? [a.text, b.text] : [a.text],
            unit: code,
            angles,
          });
        },
      ),
      { numRuns: 2_000, seed: 9 },
    );
  });

  // Numbers that can't be mistaken for one another, so that each can be found again in what was read.
  const PIECES = [
    '7',
    '11',
    '13.5',
    '17',
    'Nm',
    'in-lb',
    'N',
    'lbs',
    'max',
    'min',
    '±',
    '10%',
    '+',
    '90°',
    '1/6 turn',
    'to',
    '-',
    '(',
    ')',
    ',',
    '/',
    'snug',
    'hand tight',
    'between',
    'and',
    'or',
    'approx.',
    'torque',
    'do not exceed',
    'or less',
    '*',
    ':',
    '=',
  ] as const;

  test('of words, numbers and units in any order, what is accepted has each number, unit, bound and angle', () => {
    let accepted = 0;
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...PIECES), { minLength: 1, maxLength: 7 }), (pieces) => {
        const read = readRequirement(pieces.join(' '), 'N.m');
        // Two statements that disagree are asked about, as what can't be read is.
        if (!read.ok || read.value.disagreements.length > 0) return;
        accepted += 1;
        const all = [read.value.requirement, ...read.value.alsoPrinted];
        const count = (test: (piece: string) => boolean): number => pieces.filter(test).length;
        const found = all.flatMap(numbersOf);
        for (const number of ['7', '11', '13.5', '17'])
          expect(found.filter((each) => each === number).length).toBeGreaterThanOrEqual(
            count((piece) => piece === number) > 0 ? 1 : 0,
          );
        expect(all.flatMap(turnedDegrees).length).toBe(count((piece) => /°|turn/.test(piece)));
        expect(all.some((each) => each.kind === 'nominal-percent')).toBe(
          count((piece) => piece === '10%') > 0,
        );
        const units = new Set(all.flatMap((each) => printedTorques(each).map((torque) => torque.unit)));
        const wanted = [
          ...(pieces.includes('Nm') ? ['N.m'] : []),
          ...(pieces.includes('in-lb') ? ['lbf.in'] : []),
        ];
        expect([...units].sort()).toEqual(wanted.sort());
        const bounds = count((piece) => ['max', 'min', 'do not exceed', 'or less'].includes(piece));
        const bounded = all.map((each) =>
          each.kind === 'maximum' || each.kind === 'minimum' || each.kind === 'nominal-maximum'
            ? 1
            : each.kind === 'range'
              ? 2
              : 0,
        );
        expect(bounded.reduce((sum: number, each) => sum + each, 0)).toBeGreaterThanOrEqual(bounds);
        expect(all.some((each) => 'isApproximate' in each)).toBe(pieces.includes('approx.'));
        if (pieces.includes('snug') || pieces.includes('hand tight'))
          expect(all.every((each) => each.kind === 'snug-then-angle' || each.kind === 'finger-tight')).toBe(
            true,
          );
      }),
      { numRuns: 60_000, seed: 3 },
    );
    expect(accepted).toBeGreaterThan(500);
  });

  test('every candidate of a question keeps all the numbers of the print', () => {
    const doubtful = ['18-20 pounds (2.1 Nm)', '5/7 Nm', '15-20 (1.7-2.3 Nm)', '1.250-1.500 Nm', '3 MNm'];
    const bare = (text: string): readonly string[] =>
      [...text.matchAll(/\d+(?:[.,]\d+)?/g)].map(([each]) => each.replace(/[.,]/, '')).sort();
    for (const print of doubtful) {
      const read = readRequirement(print, 'N.m');
      if (read.ok || !('candidates' in read.refusal)) throw new Error(`${print} should be asked about`);
      expect(read.refusal.candidates.length).toBeGreaterThan(0);
      for (const candidate of read.refusal.candidates)
        expect(bare(typeof candidate === 'string' ? candidate : candidate.text)).toEqual(bare(print));
    }
  });
});
