import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { conditionCells, readConditions } from '#core/spec/book/condition-text.ts';
import { type Conditions, NO_CONDITIONS, type SecondCondition } from '#core/spec/requirement/conditions.ts';

const second: fc.Arbitrary<SecondCondition> = fc.oneof(
  fc.integer({ min: 1, max: 500 }).map((n) => ({ kind: 'runout' as const, limitMillimetres: n / 1000 })),
  fc.integer({ min: -40, max: 200 }).map((limitCelsius) => ({ kind: 'temperature' as const, limitCelsius })),
  fc.constant({ kind: 'no-leak' as const }),
);

const conditions: fc.Arbitrary<Conditions> = fc.record({
  runOn: fc.oneof(
    fc.constant({ kind: 'none' as const }),
    fc.constant({ kind: 'to-be-measured' as const }),
    fc.integer({ min: 1, max: 90 }).map((value) => ({
      kind: 'measured' as const,
      torque: { text: `${value}`, value, unit: 'lbf.in' as const },
    })),
  ),
  lubrication: fc.constantFrom('not-stated' as const, 'dry' as const, 'oiled' as const),
  compound: fc.constant(''),
  thread: fc.constantFrom('right' as const, 'left' as const),
  isSingleUse: fc.boolean(),
  second: fc.array(second, { maxLength: 3 }),
  tools: fc.oneof(
    fc.constant({ kind: 'any' as const }),
    fc.record({
      kind: fc.constantFrom('only' as const, 'never' as const),
      tools: fc.uniqueArray(fc.constantFrom('dial', 'electronic', 'preset-screwdriver'), { minLength: 1 }),
    }),
  ),
  madeForMaterial: fc.constantFrom('', '8.8 steel', 'soft aluminium'),
});

describe('conditions as cells of a list', () => {
  test('what is written is read back', () => {
    fc.assert(
      fc.property(conditions, (written) => {
        expect(valueOrThrow(readConditions(conditionCells(written)))).toEqual(written);
      }),
    );
  });

  test('empty cells say nothing beside the torque', () => {
    expect(valueOrThrow(readConditions({}))).toEqual(NO_CONDITIONS);
  });

  test('a lubrication that is none of the words is the name of a compound', () => {
    const read = valueOrThrow(readConditions({ lubrication: 'Nickel paste' }));
    expect(read).toMatchObject({ lubrication: 'compound', compound: 'Nickel paste' });
    expect(conditionCells(read).lubrication).toBe('Nickel paste');
  });

  test.each([
    { cells: { thread: 'both' }, column: 'thread', known: ['right', 'left'] },
    { cells: { single_use: 'maybe' }, column: 'single_use', known: ['yes', 'no'] },
    { cells: { run_on: 'some' }, column: 'run_on', known: ['measure', '8 lbf·in'] },
    { cells: { run_on: '3 to 8 lbf·in' }, column: 'run_on', known: ['measure', '8 lbf·in'] },
    {
      cells: { second: 'runout small' },
      column: 'second',
      known: ['runout 0.01 mm', 'temperature 60 °C', 'no leak'],
    },
    {
      cells: { tools: 'electronic' },
      column: 'tools',
      known: ['only preset-screwdriver', 'never adjustable-click-wrench'],
    },
  ])('$cells is refused with what would be read', ({ cells, column, known }) => {
    expect(readConditions(cells)).toMatchObject({
      ok: false,
      refusal: { column, refusal: { code: 'unknown-choice', known } },
    });
  });
});
