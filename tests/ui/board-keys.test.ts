import { describe, expect, test } from 'vitest';
import { boardKey } from '#ui/layout/board-keys.ts';
import { SHAPE_FIELDS, SHAPE_WORDS, type Shape, typedGenerator } from '#ui/layout/generator-fields.ts';

const pressed = (
  key: string,
  held: Partial<{ shiftKey: boolean; ctrlKey: boolean; metaKey: boolean }> = {},
) => boardKey({ key, shiftKey: false, ctrlKey: false, metaKey: false, ...held });

describe('keys on a board', () => {
  test.each([
    ['ArrowLeft', {}, { kind: 'move', xMm: -1, yMm: 0 }],
    ['ArrowDown', { shiftKey: true }, { kind: 'move', xMm: 0, yMm: 10 }],
    ['n', {}, { kind: 'choose-next', by: 1 }],
    ['p', {}, { kind: 'choose-next', by: -1 }],
    ['Delete', {}, { kind: 'remove' }],
    ['Escape', {}, { kind: 'choose-none' }],
    ['a', { ctrlKey: true }, { kind: 'choose-all' }],
    ['z', { ctrlKey: true }, { kind: 'undo' }],
    ['Z', { ctrlKey: true, shiftKey: true }, { kind: 'redo' }],
    ['y', { metaKey: true }, { kind: 'redo' }],
    ['x', {}, null],
    ['x', { ctrlKey: true }, null],
  ] as const)('%s %o', (key, held, act) => expect(pressed(key, held)).toEqual(act));
});

describe('a layout as it is typed', () => {
  test.each(Object.keys(SHAPE_WORDS) as readonly Shape[])(
    '%s begins with numbers that can be laid out',
    (shape) => {
      expect(typedGenerator(shape, {})).toHaveProperty('generator.shape', shape);
      for (const { name } of SHAPE_FIELDS[shape])
        expect(typedGenerator(shape, { [name]: 'many' })).toHaveProperty('wrong');
    },
  );
  test('says which number is wrong, and when it is more than one job holds', () => {
    expect(typedGenerator('grid', { columns: '0' })).toEqual({
      wrong: 'Across: a number within reason is wanted there.',
    });
    expect(typedGenerator('grid', { columns: '100', rows: '30' })).toEqual({
      wrong: 'That is 3000 fasteners; one job holds 2000.',
    });
    expect(typedGenerator('bolt-circle', { firstDegrees: '-15' })).toHaveProperty(
      'generator.firstDegrees',
      -15,
    );
  });
});
