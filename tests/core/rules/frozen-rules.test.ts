import { describe, expect, test } from 'vitest';
import { rulesOf } from '#core/rules/rules-by-number.ts';
import { unpacked } from '../../golden/golden.ts';
import { decidedToday, type Kept } from './decided.ts';

// What each number answered to the same ten thousand questions, by the code that was the last to change it.
describe.each([
  { number: 1, commit: '24c9d90' },
  { number: 2, commit: '5993fae' },
  { number: 3, commit: '81c3853' },
])('rules $number are frozen by what they answered at commit $commit', ({ number }) => {
  const kept = JSON.parse(unpacked(number, 'rules.json.gz')) as Kept;
  const { decisions } = kept;

  test('there are ten thousand decisions, of every outcome and of their refusals', () => {
    expect(decisions).toHaveLength(10_000);
    const outcomes = new Set(decisions.map(({ judged, refused }) => judged?.[2] ?? refused));
    expect([...outcomes].sort()).toEqual([
      'by-feel',
      'high',
      'in',
      'low',
      'mix-up-question',
      'no-click',
      'no-graduation-inside',
      'outside-tool-range',
      'outside-usable-band',
      'too-close',
    ]);
  });

  test('every one of them is answered with the same numbers', () => {
    const differing = decisions.filter(
      (each) => JSON.stringify(decidedToday(each, kept, number)) !== JSON.stringify({ ...each }),
    );
    expect(differing.slice(0, 3).map((each) => [each, decidedToday(each, kept, number)])).toEqual([]);
  });
});

test('a number nobody has is answered with null, and never with the newest', () => {
  expect([1, 2, 3, 4].map((number) => rulesOf(number)?.number)).toEqual([1, 2, 3, 4]);
  expect([0, 5, 1.5, Number.NaN].map(rulesOf)).toEqual([null, null, null, null]);
});
