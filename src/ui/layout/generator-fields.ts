import { type Generator, generatedCount, generatorSchema } from '#core/layout/generator.ts';
import { readNumber } from '#core/quantity/read-number.ts';
import { LIST_MAX_ROWS } from '#core/spec/list/list-bounds.ts';

export type Shape = Generator['shape'];

/** The shapes by their names, in the order they are offered. */
export const SHAPE_WORDS: Readonly<Record<Shape, string>> = {
  'bolt-circle': 'Bolt circle',
  row: 'Row',
  rectangle: 'Rectangle',
  grid: 'Grid',
  rings: 'Rings',
  'terminal-block': 'Terminal block',
};

type NumberField = { readonly name: string; readonly label: string; readonly first: string };

/** The numbers that each shape asks for, with their units, and what they begin with. */
export const SHAPE_FIELDS: Readonly<Record<Shape, readonly NumberField[]>> = {
  'bolt-circle': [
    { name: 'count', label: 'How many', first: '12' },
    { name: 'diameterMm', label: 'Diameter, mm', first: '80' },
    { name: 'firstDegrees', label: 'First from the top, °', first: '0' },
  ],
  row: [
    { name: 'count', label: 'How many', first: '6' },
    { name: 'pitchMm', label: 'Pitch, mm', first: '20' },
  ],
  rectangle: [
    { name: 'across', label: 'Along the top', first: '4' },
    { name: 'down', label: 'Down a side', first: '3' },
    { name: 'widthMm', label: 'Width, mm', first: '120' },
    { name: 'heightMm', label: 'Height, mm', first: '80' },
  ],
  grid: [
    { name: 'columns', label: 'Across', first: '4' },
    { name: 'rows', label: 'Down', first: '3' },
    { name: 'pitchXMm', label: 'Pitch across, mm', first: '25' },
    { name: 'pitchYMm', label: 'Pitch down, mm', first: '25' },
  ],
  rings: [
    { name: 'rings', label: 'Rings', first: '2' },
    { name: 'first', label: 'On the inner one', first: '6' },
    { name: 'more', label: 'More on each next', first: '6' },
    { name: 'diameterMm', label: 'Inner diameter, mm', first: '50' },
    { name: 'widerMm', label: 'Wider by, mm', first: '50' },
  ],
  'terminal-block': [
    { name: 'terminals', label: 'Terminals', first: '10' },
    { name: 'levels', label: 'Levels', first: '2' },
    { name: 'pitchMm', label: 'Pitch, mm', first: '5.2' },
    { name: 'levelMm', label: 'Between levels, mm', first: '20' },
  ],
};

const numberOf = (text: string): number | string => {
  const isNegative = /^\s*[-−]/.test(text);
  const read = readNumber(text.replace(/^\s*[-−]/, ''));
  if (!read.ok) return text;
  return isNegative ? -read.value.value : read.value.value;
};

/** A layout as it was typed, or what is wrong with it in words. */
export const typedGenerator = (
  shape: Shape,
  texts: Readonly<Record<string, string>>,
): { readonly generator: Generator } | { readonly wrong: string } => {
  const fields = SHAPE_FIELDS[shape];
  const typed = Object.fromEntries(fields.map(({ name, first }) => [name, numberOf(texts[name] ?? first)]));
  const parsed = generatorSchema.safeParse({ shape, ...typed });
  if (!parsed.success) {
    const [at] = parsed.error.issues[0]?.path ?? [];
    const field = fields.find(({ name }) => name === at);
    return { wrong: `${field?.label ?? 'A number'}: a number within reason is wanted there.` };
  }
  const count = generatedCount(parsed.data);
  return count > LIST_MAX_ROWS
    ? { wrong: `That is ${count} fasteners; one job holds ${LIST_MAX_ROWS}.` }
    : { generator: parsed.data };
};
