import { describe, expect, test } from 'vitest';
import { z } from 'zod';
import { shortNames } from '#ui/jobs/drawing/short-names.ts';
import { flatErrors } from '#ui/kit/form/ErrorSummary.tsx';
import { fieldWords } from '#ui/kit/form/field-words.ts';
import { writtenNumber, writtenNumberOrNull } from '#ui/kit/form/written.ts';
import { rowAfter } from '#ui/kit/table/use-row-keys.ts';
import { EMPTY_TOOL, type ToolDraft, toolDraftSchema } from '#ui/tools/tool-draft.ts';

describe('what a field says', () => {
  const said = (schema: z.ZodType, value: unknown): string | undefined =>
    schema.safeParse(value, { error: fieldWords }).error?.issues[0]?.message;
  test.each([
    [z.string().min(1), '', 'This is needed.'],
    [z.string().max(3), 'long', 'At most 3 characters.'],
    [z.number().max(20), 21, 'At most 20.'],
    [z.number().positive(), 0, 'At least 0, and more.'],
    [z.iso.date(), 'soon', 'A day is needed here.'],
    [z.enum(['a']), 'b', 'Choose one of these.'],
    [z.string().regex(/^\d+$/, 'digits only'), 'x', 'digits only'],
  ] as const)('%#: %j is answered', (schema, value, expected) => {
    expect(said(schema, value)).toBe(expected);
  });

  test.each([
    ['12,5', 12.5],
    ['12.5', 12.5],
    [' 7 ', 7],
  ])('%j is the number %d', (text, expected) => {
    expect(writtenNumber(z.number()).parse(text)).toBe(expected);
  });

  test('nothing written is refused, or is nothing where that may be', () => {
    expect(writtenNumber(z.number()).safeParse('').error?.issues[0]?.message).toBe('This is needed.');
    expect(writtenNumberOrNull(z.number()).parse('  ')).toBeNull();
    expect(writtenNumberOrNull(z.number().max(5)).safeParse('6').success).toBe(false);
    expect(writtenNumber(z.number()).safeParse('six').success).toBe(false);
  });

  test('errors of nested fields are told with the whole name of the field', () => {
    const errors = { name: { type: 'x', message: 'a' }, cells: { size: { type: 'x', message: 'b' } } };
    expect(flatErrors(errors)).toEqual([
      { name: 'name', message: 'a' },
      { name: 'cells.size', message: 'b' },
    ]);
  });
});

test.each([
  ['ArrowDown', 3, 4],
  ['ArrowDown', 9, 9],
  ['ArrowUp', 0, 0],
  ['PageDown', 0, 9],
  ['PageUp', 9, 0],
  ['Home', 5, 0],
  ['End', 5, 9],
  ['x', 5, null],
] as const)('%s from row %d of ten leads to %s', (key, from, to) => {
  expect(rowAfter(key, from, 10)).toBe(to);
});

describe('names on a drawing', () => {
  test('one strip: the last part; two strips with the same numbers: each under its strip', () => {
    expect([...shortNames(['X3-01', 'X3-02']).values()]).toEqual([
      { strip: '', own: '01' },
      { strip: '', own: '02' },
    ]);
    expect(shortNames(['XT01-011', 'XT02-011']).get('XT02-011')).toEqual({ strip: 'XT02', own: '011' });
    expect(shortNames(['7']).get('7')).toEqual({ strip: '', own: '7' });
  });
});

describe('a tool as it is described', () => {
  const KEY: ToolDraft = {
    ...EMPTY_TOOL,
    code: 'TK-9',
    serial: 'S9',
    kind: 'torque-limiting-key',
    form: 'preset',
    unit: 'N.m',
    minimum: '5',
    calibratedOn: '2026-05-01',
    calibrationDueOn: '2027-05-01',
    // Typed while it was another kind: a key has none of them.
    lever: '180',
    rest: '3',
    opening: '17',
  };

  test('what its kind has not is not sent', () => {
    expect(toolDraftSchema.parse(KEY)).toMatchObject({
      leverMillimetres: null,
      openingMillimetres: null,
      restSetting: 5,
      scale: { minimum: 5, maximum: 5 },
    });
  });

  test.each([
    [{ code: '' }, 'code'],
    [{ minimum: '' }, 'minimum'],
    [{ calibratedOn: '' }, 'calibratedOn'],
    [
      { kind: 'adjustable-click-wrench', form: 'barrel', maximum: '20', perTurn: '2', graduation: '0.3' },
      'graduation',
    ],
  ] as const)('%j is told at the field %s', (change, field) => {
    const issues = toolDraftSchema.safeParse({ ...KEY, ...change }).error?.issues ?? [];
    expect(issues.map(({ path }) => path[0])).toContain(field);
  });
});
