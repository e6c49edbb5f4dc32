import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { TORQUE_UNIT_CODES, type TorqueUnit, unitSymbol } from '#core/quantity/unit.ts';
import { REQUIREMENT_MAX_LENGTH, readRequirement } from '#core/spec/requirement/read-requirement.ts';
import { printedTorques, printedUnit } from '#core/spec/requirement/requirement.ts';

const read = (text: string, siteUnit: TorqueUnit = 'N.m') => readRequirement(text, siteUnit);
const requirementOf = (text: string) => {
  const result = read(text);
  return result.ok ? result.value.requirement : result.refusal;
};
const torque = (text: string, unit: TorqueUnit) => ({ text, unit, value: Number(text) });
const refusalOf = (text: string) => {
  const result = read(text);
  return result.ok ? null : result.refusal;
};

// The spellings are common practice in print, with no published source.
describe('one unit, many spellings', () => {
  test.each([
    '36 in-lb',
    '36 lb-in',
    '36 lb.in',
    '36 in·lbs',
    '36 inch pounds',
    '36 pound-inches',
    '36 #in',
    '36 in lb',
    '36 lbf·in',
    '36 IN-LBS',
    '36in-lb',
    '36 in.-lb.',
    '36 inch-pounds',
    '36 lbf-in',
    '36 pound-force inch',
    '36 in lbf',
    'torque: 36 in-lb',
    'Tighten to 36 in-lb',
  ])('%s is 36 lbf·in', (text) => {
    expect(requirementOf(text)).toEqual({ kind: 'nominal', nominal: torque('36', 'lbf.in') });
  });

  test.each([
    '5.5Nm',
    '5,5 N·m',
    '5.5 newton metres',
    '5.5 newton-meters',
    '5.5 N.m',
    '5.5 N m',
    '5.5 N-m',
    '5.5 NM',
    '5.5 Newtonmeter',
  ])('%s is 5.5 N·m', (text) => {
    expect(requirementOf(text)).toEqual({ kind: 'nominal', nominal: torque('5.5', 'N.m') });
  });

  test.each([
    { text: '22 ft-lb', unit: 'lbf.ft' },
    { text: '22 foot pounds', unit: 'lbf.ft' },
    { text: '22 pound-feet', unit: 'lbf.ft' },
    { text: '22 lb-ft', unit: 'lbf.ft' },
    { text: '22 cNm', unit: 'cN.m' },
    { text: '22 mNm', unit: 'mN.m' },
    { text: '22 kgf-cm', unit: 'kgf.cm' },
    { text: '22 cm-kg', unit: 'kgf.cm' },
    { text: '22 m-kg', unit: 'kgf.m' },
    { text: '22 kgf·m', unit: 'kgf.m' },
    { text: '22 oz-in', unit: 'ozf.in' },
    { text: '22 inch-ounces', unit: 'ozf.in' },
    { text: '22 gf·cm', unit: 'gf.cm' },
    { text: '22 gram-force centimetres', unit: 'gf.cm' },
  ] as const)('$text is in $unit', ({ text, unit }) => {
    expect(requirementOf(text)).toEqual({ kind: 'nominal', nominal: torque('22', unit) });
  });
});

describe('every shape a requirement is printed in', () => {
  const five = torque('5', 'N.m');
  const six = torque('6', 'N.m');
  const seven = torque('7', 'N.m');
  test.each([
    ...[
      '5-7 Nm',
      '5 to 7 N.m',
      '5…7 Nm',
      '5–7 Nm',
      '5...7 Nm',
      '5 Nm - 7 Nm',
      'min 5 max 7 Nm',
      '5 through 7 Nm',
      '5 ~ 7 Nm',
    ].map((given) => ({
      given,
      expected: { kind: 'range', low: five, high: seven },
    })),
    ...['6 ±0.5 Nm', '6 Nm ± 0.5', '6 Nm ±0.5 Nm', '6 +/- 0.5 Nm', '6 plus or minus 0.5 Nm'].map((given) => ({
      given,
      expected: {
        kind: 'nominal-absolute',
        nominal: six,
        plus: torque('0.5', 'N.m'),
        minus: torque('0.5', 'N.m'),
      },
    })),
    {
      given: '6 Nm +1/-0.5',
      expected: {
        kind: 'nominal-absolute',
        nominal: six,
        plus: torque('1', 'N.m'),
        minus: torque('0.5', 'N.m'),
      },
    },
    ...['6 Nm ±10%', '6 Nm ± 10 %', '6 ±10% Nm', '6 Nm +/- 10 percent'].map((given) => ({
      given,
      expected: { kind: 'nominal-percent', nominal: six, tolerancePercent: 10 },
    })),
    ...[
      'max 7 Nm',
      '7 Nm max.',
      'maximum 7 N·m',
      '≤ 7 Nm',
      'not more than 7 Nm',
      'up to 7 Nm',
      '7 Nm MAX',
    ].map((given) => ({
      given,
      expected: { kind: 'maximum', maximum: seven },
    })),
    ...['min 7 Nm', '7 Nm min.', 'at least 7 Nm', '>= 7 Nm'].map((given) => ({
      given,
      expected: { kind: 'minimum', minimum: seven },
    })),
    { given: 'min 110 in-lb', expected: { kind: 'minimum', minimum: torque('110', 'lbf.in') } },
    ...['22 lb-ft + 90°', '22 lb-ft then 90 degrees', '22 lb-ft plus 90 deg'].map((given) => ({
      given,
      expected: { kind: 'torque-then-angle', torque: torque('22', 'lbf.ft'), angleDegrees: 90 },
    })),
  ])('$given', ({ given, expected }) => {
    expect(requirementOf(given)).toEqual(expected);
  });

  test('the text as printed and its digits are kept', () => {
    const result = read('  1,20 Nm ');
    expect(result).toMatchObject({
      ok: true,
      value: { printed: '1,20 Nm', requirement: { nominal: { text: '1.20' } } },
    });
  });
});

describe('what is not a torque is not guessed', () => {
  test.each([
    { given: '5 newtons', code: 'ambiguous-unit', candidates: ['5 N·m', '5 cN·m'] },
    { given: '70 newtons per meter', code: 'ambiguous-unit', candidates: ['70 N·m', '70 cN·m'] },
    { given: '18 pounds', code: 'ambiguous-unit', candidates: ['18 lbf·in', '18 lbf·ft'] },
    { given: '20#', code: 'ambiguous-unit', candidates: ['20 lbf·in', '20 lbf·ft'] },
    { given: '15-20 lbs', code: 'ambiguous-unit', candidates: ['15-20 lbf·in', '15-20 lbf·ft'] },
    { given: '4 kg', code: 'ambiguous-unit', candidates: ['4 kgf·cm', '4 kgf·m'] },
    { given: '10 lb/ft', code: 'ambiguous-unit', candidates: ['10 lbf·ft', '10 lbf·in'] },
    {
      given: '36',
      code: 'no-unit',
      candidates: ['36 N·m', '36 lbf·in', '36 lbf·ft', '36 cN·m', '36 kgf·cm'],
    },
    {
      given: '1,250 lbf·in',
      code: 'ambiguous-torque',
      candidates: ['1.250 lbf·in, decimal point', '1250 lbf·in'],
    },
  ])('$given offers its candidates', ({ given, code, candidates }) => {
    const refusal = refusalOf(given);
    expect(refusal?.code).toBe(code);
    expect(
      refusal &&
        'candidates' in refusal &&
        refusal.candidates.map((each) => (typeof each === 'string' ? each : each.text)),
    ).toEqual(candidates);
  });

  test('each candidate says what it would mean in the site’s unit', () => {
    const result = readRequirement('18 pounds', 'N.m');
    if (result.ok || result.refusal.code !== 'ambiguous-unit') throw new Error('expected candidates');
    const [inch, foot] = result.refusal.candidates;
    // Derived: 18 × 0.112984829 and 18 × 1.355817948.
    expect(inch?.inSiteUnit?.value).toBeCloseTo(2.0337269, 6);
    expect(foot?.inSiteUnit?.value).toBeCloseTo(24.4047231, 6);
  });

  test.each([
    { given: '', code: 'empty-text' },
    { given: '   ', code: 'empty-text' },
    { given: 'x'.repeat(REQUIREMENT_MAX_LENGTH + 1), code: 'text-too-long' },
    { given: '36 furlongs', code: 'unreadable-text' },
    { given: 'snug', code: 'unreadable-shape' },
    { given: '1.2.3 Nm', code: 'not-a-number' },
    { given: 'Nm', code: 'unreadable-shape' },
    { given: '5 6 7 Nm', code: 'unreadable-shape' },
    { given: '-5 Nm', code: 'unreadable-shape' },
    { given: '5 Nm + 900°', code: 'unreadable-shape' },
    { given: '5 Nm - 7 in-lb', code: 'units-differ' },
    { given: '7-5 Nm', code: 'range-reversed' },
    { given: '5-5 Nm', code: 'range-reversed' },
    { given: '6 ±6 Nm', code: 'tolerance-too-wide' },
    { given: '6 Nm ±100%', code: 'tolerance-too-wide' },
    { given: '0 Nm', code: 'out-of-bounds' },
    { given: '10001 Nm', code: 'out-of-bounds' },
  ])('$given is refused: $code', ({ given, code }) => {
    expect(refusalOf(given)?.code).toBe(code);
  });

  test('limits: 10 000 N·m reads, and so does a tolerance just inside', () => {
    expect(read('10000 Nm').ok).toBe(true);
    expect(read('6 Nm ±99%').ok).toBe(true);
    expect(read('6 ±5.9 Nm').ok).toBe(true);
    expect(read(`6 Nm${' '.repeat(REQUIREMENT_MAX_LENGTH - 4)}`).ok).toBe(true);
  });

  test('an unreadable word is named, with where it starts', () => {
    expect(refusalOf('36 furlongs')).toEqual({ code: 'unreadable-text', text: 'furlongs', start: 3 });
  });
});

describe('two statements of one requirement', () => {
  test.each([
    '15-20 in-lb (1.7-2.3 Nm)',
    '22 lbf·in / 2.5 N·m',
    '22 in-lb = 2.5 Nm',
    '22 in-lb [2.49 Nm]',
    '36 in-lb or 4.1 Nm',
  ])('%s agrees within rounding', (text) => {
    expect(read(text)).toMatchObject({ ok: true, value: { disagreements: [], alsoPrinted: [{}] } });
  });

  test('a value that is not the other one rounded is a conflict, with the difference', () => {
    const result = read('14 in-lb / 2.6 Nm');
    if (!result.ok) throw new Error('expected a reading');
    // Derived: 14 lbf·in = 1.58179 N·m; 2.6 / 1.58179 = 1.6437.
    expect(result.value.disagreements[0]?.differencePercent).toBeCloseTo(64.37, 1);
  });

  test('a range beside a single value is a conflict without a percentage', () => {
    const result = read('15-20 in-lb (2 Nm)');
    expect(result).toMatchObject({ ok: true, value: { disagreements: [{ differencePercent: null }] } });
  });

  test('the first statement is the requirement, in its own unit', () => {
    const result = read('15-20 in-lb (1.7-2.3 Nm)');
    expect(result.ok && printedUnit(result.value.requirement, 'N.m')).toBe('lbf.in');
  });
});

describe('properties', () => {
  const digits = fc.integer({ min: 1, max: 9_000 }).map((n) => String(n / 10));
  const unit = fc.constantFrom(...TORQUE_UNIT_CODES);

  test('a value with any unit’s symbol reads as that value in that unit', () => {
    fc.assert(
      fc.property(digits, unit, (text, code) => {
        const result = read(`${text} ${unitSymbol(code)}`);
        const fits = result.ok || result.refusal.code === 'out-of-bounds';
        expect(fits).toBe(true);
        if (result.ok) expect(printedTorques(result.value.requirement)).toEqual([torque(text, code)]);
      }),
    );
  });

  test('a candidate always reads', () => {
    fc.assert(
      fc.property(digits, fc.constantFrom('lbs', 'newtons', '#', 'kg', ''), (text, slip) => {
        const refusal = refusalOf(`${text} ${slip}`);
        if (!refusal || !('candidates' in refusal)) throw new Error('expected candidates');
        for (const candidate of refusal.candidates)
          expect(read(typeof candidate === 'string' ? candidate : candidate.text).ok).toBe(true);
      }),
    );
  });

  test('no text makes it throw', () => {
    fc.assert(fc.property(fc.string({ maxLength: 60 }), (text) => typeof read(text).ok === 'boolean'));
  });
});
