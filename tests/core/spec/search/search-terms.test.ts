import { describe, expect, test } from 'vitest';
import { queryTerms, searchTerms } from '#core/spec/search/search-terms.ts';

/** Whether an entry's text is found by a query, as a full-text index would. */
const finds = (query: string, entry: string): boolean => {
  const terms = searchTerms(entry);
  return queryTerms(query).every(({ anyOf }) =>
    anyOf.some(({ term, isOpen }) =>
      isOpen ? terms.some((each) => each.startsWith(term)) : terms.includes(term),
    ),
  );
};

describe('one size, however it is spelled', () => {
  test.each([
    ['M8', ['M8', 'm 8', '8 mm', '8mm', 'M8x1.25']],
    ['M8 × 1', ['M8x1', 'm 8', 'm8 x 1']],
    ['#10', ['#10', '10 AWG', 'AWG 10', 'no. 10', '10awg']],
    ['10 AWG', ['#10', '10 AWG']],
    ['-6', ['-6', 'dash 6', '3/8', '3/8 in', '6/16']],
    ['3/8 tube', ['-6', 'dash 6', '3/8"', 'tube 3/8']],
    ['1 1/4 in', ['1 1/4', 'dash 20', '1-1/4']],
    ['10-32 nut', ['10-32', '#10-32', '#10 nut']],
    ['1/4-28', ['1/4-28']],
    ['2.5 mm²', ['2.5 mm²', '2,5 mm2', '2.5 sq mm']],
    ['4/0 AWG', ['4/0', '#4/0', '4/0 awg']],
    ['250 kcmil', ['250 kcmil', '250 MCM']],
    ['Flügelmutter', ['flugel', 'Flügelmutter']],
  ])('%s is found by %j', (entry, queries) => {
    expect(queries.filter((query) => !finds(query, entry))).toEqual([]);
  });

  test.each([
    ['M8', 'M10'],
    ['#10', '#12'],
    ['-6', '-8'],
    ['3/8', '5/8'],
    ['10-32', '10-24'],
    ['2.5 mm²', '25 mm²'],
    ['8 mm²', 'M8'],
    ['1/4-28', '1/4 tube'],
  ])('%s does not find %s', (query, entry) => {
    expect(finds(query, entry)).toBe(false);
  });
});

test('words are found while they are being typed, in any order', () => {
  const entry = 'Coolant flare nut, 3/8 tube, cooler manual page 12';
  expect(
    ['cool', 'flar nut', 'nut cool', '3/8 flare', 'man 12', 'm'].every((query) => finds(query, entry)),
  ).toBe(true);
  expect(finds('flare bolt', entry)).toBe(false);
});

test('a size is found from its first digits on', () => {
  expect(['m1', 'M12', 'm'].every((query) => finds(query, 'clamp M12'))).toBe(true);
});

test('terms hold nothing that a full-text index would cut', () => {
  expect(searchTerms('M8×1, 3/8", #10, 2,5 mm², 1/4-28 «é»').join('')).toMatch(/^[a-z0-9_]+$/);
  expect(searchTerms('M8').every((term) => term.length >= 3)).toBe(true);
});

test('a query of any length asks for at most eight terms', () => {
  expect(queryTerms('a b c d e f g h i j k '.repeat(50))).toHaveLength(8);
});
