import { describe, expect, test } from 'vitest';
import { problemDetailsSchema } from '#wire/problems/details-shape.ts';
import { problemWords } from '#wire/problems/en.ts';
import { mayRetry, type Problem, problemStatus } from '#wire/problems/problem.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';

// One of each kind of data that words are made from; the compiler proves that no code is without words.
const SAMPLES: readonly Problem[] = [
  { code: 'ambiguous-unit', text: '18 pounds', candidates: [] },
  { code: 'ambiguous-number', text: '1,250', candidates: ['1.250', '1250'] },
  { code: 'out-of-bounds', text: '0 Nm', highestNewtonMetres: 10_000 },
  { code: 'statements-disagree', candidates: [], differencePercent: 64.37 },
  { code: 'statements-disagree', candidates: [], differencePercent: null },
  { code: 'list-column-missing', line: 1, column: 'requirement', found: ['position', 'label'] },
  { code: 'list-cells-too-many', line: 7, column: 'requirement', found: 8, wanted: 6 },
  { code: 'position-repeated', position: 'X1', firstLine: 2 },
  { code: 'position-repeated', position: 'X1' },
  { code: 'outside-tool-range', target: 60, minimum: 5, maximum: 40, unit: 'lbf.in' },
  { code: 'no-graduation-inside', below: 12, above: 12.5, unit: 'lbf.in' },
  {
    code: 'mix-up-question',
    reading: '264',
    target: '22',
    unit: 'lbf.in',
    likely: [{ mixUp: 'inch-for-foot', factor: 12, direction: 'too-high' }],
  },
  { code: 'open-items-remain', count: 1 },
  { code: 'open-items-remain', count: 3 },
  { code: 'wrong-pin', triesLeft: 1 },
  { code: 'pin-locked', untilSeconds: 60 },
  { code: 'body-invalid', issues: [{ path: 'pin', message: 'a PIN is 4 to 8 digits' }] },
  { code: 'rows-unsettled', lines: [4, 9] },
  { code: 'fault', reference: 'abc' },
  { code: 'role-may-not', needed: 'inspector' },
];

describe('words for what a technician runs into', () => {
  test.each(SAMPLES.map((problem) => ({ name: problem.code, problem })))(
    '$name says what happened, why, and what to do',
    ({ problem }) => {
      const { title, cause, fix } = problemWords(problem);
      for (const text of [title, cause, fix]) {
        expect(text.length).toBeGreaterThan(3);
        expect(text).not.toMatch(/undefined|NaN|\[object|!/);
      }
      expect(cause).toMatch(/[.”"]$|: /);
    },
  );

  test('a line and a column are named', () => {
    expect(problemWords({ code: 'list-cells-missing', line: 12, column: 'y_mm' }).cause).toContain('Line 12');
    expect(problemWords({ code: 'list-cells-missing', line: 12, column: 'y_mm' }).cause).toContain('y_mm');
  });

  test('the mix-up is named with both values', () => {
    const { cause } = problemWords(SAMPLES.find(({ code }) => code === 'mix-up-question') as Problem);
    expect(cause).toContain('264 lbf·in against 22');
    expect(cause).toContain('lbf·ft');
  });
});

describe('RFC 9457: problem details', () => {
  test.each(SAMPLES)('%j', (problem) => {
    const details = problemDetails(problem);
    expect(problemDetailsSchema.safeParse(details).success).toBe(true);
    expect(details.type).toBe(`urn:jentik:problem:${problem.code}`);
    expect(details.status).toBe(problemStatus(problem.code));
    expect(details.problem).toEqual(problem);
  });

  test.each([
    { code: 'not-signed-in', status: 401, retry: true },
    { code: 'wrong-pin', status: 403, retry: false },
    { code: 'not-found', status: 404, retry: false },
    { code: 'mix-up-question', status: 422, retry: false },
    { code: 'pin-locked', status: 429, retry: true },
    { code: 'fault', status: 500, retry: true },
    { code: 'no-connection', status: 503, retry: true },
  ] as const)('$code is $status', ({ code, status, retry }) => {
    expect([problemStatus(code), mayRetry(code)]).toEqual([status, retry]);
  });
});
