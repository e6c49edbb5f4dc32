import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { recordedProbability, recordedTorque } from '#core/command/judgement.ts';
import { differingField } from '#core/job/differing-field.ts';

describe('what a device worked out beside what the server works out', () => {
  const pull = {
    position: 'X1',
    torqueNewtonMetres: 1.412345,
    reading: { text: '12.5', value: 12.5 },
    probability: 0.97,
  };

  test('the same, in any order of fields', () => {
    expect(differingField(pull, { ...pull })).toBeNull();
    expect(differingField(pull, Object.fromEntries(Object.entries(pull).reverse()))).toBeNull();
  });

  test.each([
    { change: { torqueNewtonMetres: 1.4124 }, field: 'torqueNewtonMetres' },
    { change: { torqueNewtonMetres: 1.412346 }, field: null },
    { change: { probability: 0.9701 }, field: null },
    { change: { probability: 0.971 }, field: 'probability' },
    { change: { reading: { text: '12.50', value: 12.5 } }, field: 'reading' },
    { change: { reading: null }, field: 'reading' },
    { change: { more: 1 }, field: 'more' },
    { change: { position: 'X2' }, field: 'position' },
  ])('$change differs in $field', ({ change, field }) => {
    expect(differingField(pull, { ...pull, ...change })).toBe(field);
    expect(differingField({ ...pull, ...change }, pull)).toBe(field);
  });

  test('figures rounded for the record by two engines never differ', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 1000, noNaN: true }), (torque) => {
        const slip = torque * (1 + Number.EPSILON);
        expect(differingField({ t: recordedTorque(torque) }, { t: recordedTorque(slip) })).toBeNull();
        expect(Math.abs(recordedTorque(torque) - torque)).toBeLessThanOrEqual(0.5e-6 * (1 + 1e-6));
      }),
    );
    expect(recordedProbability(null)).toBeNull();
    expect(recordedProbability(0.74751)).toBe(0.7475);
  });
});
