import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  fromNewtonMetres,
  TORQUE_UNIT_CODES,
  TORQUE_UNITS,
  toNewtonMetres,
  unitSymbol,
} from '#core/quantity/unit.ts';

describe('units are built from exact definitions', () => {
  test.each([
    // Published: NIST SP 811 (2008), appendix B.8, printed as 1.129 848 E-01.
    { source: 'NIST SP 811 B.8: pound-force inch', unit: 'lbf.in', expected: 0.1129848, half: 5e-8 },
    // Published: NIST SP 811 (2008), appendix B.8, printed as 1.355 818 E+00.
    { source: 'NIST SP 811 B.8: pound-force foot', unit: 'lbf.ft', expected: 1.355818, half: 5e-7 },
    // Published: NIST SP 811 (2008), appendix B.8, printed as 7.061 552 E-03 (ounce-force inch).
    { source: 'NIST SP 811 B.8: ounce-force inch', unit: 'ozf.in', expected: 0.007061552, half: 5e-10 },
    // Published: NIST SP 811 (2008), appendix B.8, kilogram-force metre 9.806 65 E+00 exact.
    { source: 'NIST SP 811 B.8: kilogram-force metre', unit: 'kgf.m', expected: 9.80665, half: 1e-15 },
    // Derived: a hundredth of it.
    { source: 'kilogram-force centimetre', unit: 'kgf.cm', expected: 0.0980665, half: 1e-15 },
    // Derived: a thousandth of that.
    { source: 'gram-force centimetre', unit: 'gf.cm', expected: 0.0000980665, half: 1e-18 },
  ] as const)('$source', ({ unit, expected, half }) => {
    expect(Math.abs(TORQUE_UNITS[unit].newtonMetres - expected)).toBeLessThanOrEqual(half);
  });

  test('ISO 80000-4: an inch-pound is lbf × 0.0254 m, in exact decimals', () => {
    // Derived: 4.4482216152605 × 0.0254 = 0.1129848290276167, exactly.
    expect(TORQUE_UNITS['lbf.in'].newtonMetres).toBeCloseTo(0.1129848290276167, 15);
  });
});

describe('conversions', () => {
  test.each([
    // Derived: 250 / 12 = 20.8333…; 250 × 0.11298482902… = 28.2462…
    {
      source: '250 lbf·in in lbf·ft',
      value: 250,
      from: 'lbf.in',
      to: 'lbf.ft',
      expected: 20.8333,
      half: 5e-5,
    },
    { source: '250 lbf·in in N·m', value: 250, from: 'lbf.in', to: 'N.m', expected: 28.246, half: 5e-4 },
    // Derived: 40 × 0.0980665.
    { source: '40 kgf·cm in N·m', value: 40, from: 'kgf.cm', to: 'N.m', expected: 3.92266, half: 5e-6 },
    { source: '79 lbf·ft in N·m', value: 79, from: 'lbf.ft', to: 'N.m', expected: 107.11, half: 5e-3 },
    { source: '50 cN·m in N·m', value: 50, from: 'cN.m', to: 'N.m', expected: 0.5, half: 1e-12 },
    { source: '250 mN·m in cN·m', value: 250, from: 'mN.m', to: 'cN.m', expected: 25, half: 1e-12 },
    { source: '16 ozf·in in lbf·in', value: 16, from: 'ozf.in', to: 'lbf.in', expected: 1, half: 1e-12 },
  ] as const)('$source', ({ value, from, to, expected, half }) => {
    expect(Math.abs(fromNewtonMetres(toNewtonMetres(value, from), to) - expected)).toBeLessThanOrEqual(half);
  });

  test('property: every unit comes back from every other within two units in the last place', () => {
    const unit = fc.constantFrom(...TORQUE_UNIT_CODES);
    fc.assert(
      fc.property(fc.double({ min: 1e-6, max: 1e6, noNaN: true }), unit, unit, (value, a, b) => {
        const there = fromNewtonMetres(toNewtonMetres(value, a), b);
        const back = fromNewtonMetres(toNewtonMetres(there, b), a);
        expect(Math.abs(back - value)).toBeLessThanOrEqual(Math.abs(value) * 1e-15 * 4);
      }),
    );
  });

  test('every unit has a symbol with a middle dot', () => {
    for (const unit of TORQUE_UNIT_CODES) expect(unitSymbol(unit)).toMatch(/^\w+·\w+$/);
  });

  test('types: a bare number is no torque', () => {
    // @ts-expect-error a number must be marked as newton metres where its unit is known
    expect(fromNewtonMetres(3, 'N.m')).toBe(3);
  });
});
