import { z } from 'zod';
import type { Shape } from '../shape.ts';
import { LIST_MAX_ROWS } from '../spec/list/list-bounds.ts';

const MM_MOST = 10_000;
const count = (least: number) => z.int().min(least).max(LIST_MAX_ROWS);
const millimetres = z.number().positive().max(MM_MOST);

export const generatorSchema = z.discriminatedUnion('shape', [
  z.strictObject({
    shape: z.literal('bolt-circle'),
    count: count(2),
    diameterMm: millimetres,
    /** Where the first one sits, clockwise from the top. */
    firstDegrees: z.number().min(-360).max(360),
  }),
  z.strictObject({ shape: z.literal('row'), count: count(1), pitchMm: millimetres }),
  z.strictObject({
    shape: z.literal('rectangle'),
    /** How many along the top and bottom, and down each side, corners counted in both. */
    across: count(2),
    down: count(2),
    widthMm: millimetres,
    heightMm: millimetres,
  }),
  z.strictObject({
    shape: z.literal('grid'),
    columns: count(1),
    rows: count(1),
    pitchXMm: millimetres,
    pitchYMm: millimetres,
  }),
  z.strictObject({
    shape: z.literal('rings'),
    rings: count(1).max(12),
    /** How many on the innermost; each next one has as many more. */
    first: count(1),
    more: z.int().min(0).max(200),
    diameterMm: millimetres,
    /** How much wider each next ring is. */
    widerMm: millimetres,
  }),
  z.strictObject({
    shape: z.literal('terminal-block'),
    terminals: count(1),
    levels: count(1).max(8),
    pitchMm: millimetres,
    levelMm: millimetres,
  }),
]);
/** A regular layout, by its numbers. */
export type Generator = Shape<typeof generatorSchema>;

/** A place in millimetres, x to the right and y downwards. */
export type Place = { readonly xMm: number; readonly yMm: number };

const MICROMETRE = 1e3;
const rounded = (mm: number): number => Math.round(mm * MICROMETRE) / MICROMETRE;

/** Places round a circle, clockwise from an angle that is measured from the top. */
const circle = (many: number, diameterMm: number, firstDegrees: number): readonly Place[] =>
  Array.from({ length: many }, (_, index) => {
    const angle = (firstDegrees / 360 + index / many) * 2 * Math.PI;
    return {
      xMm: rounded((diameterMm / 2) * Math.sin(angle)),
      yMm: rounded((-diameterMm / 2) * Math.cos(angle)),
    };
  });

const lattice = (columns: number, rows: number, pitchX: number, pitchY: number): readonly Place[] =>
  Array.from({ length: columns * rows }, (_, index) => ({
    xMm: rounded((index % columns) * pitchX),
    yMm: rounded(Math.floor(index / columns) * pitchY),
  }));

/** The places round the edge of a rectangle, clockwise from the top left. */
const edge = (across: number, down: number, width: number, height: number): readonly Place[] => {
  const x = (index: number): number => rounded((width * index) / (across - 1));
  const y = (index: number): number => rounded((height * index) / (down - 1));
  return [
    ...Array.from({ length: across - 1 }, (_, index) => ({ xMm: x(index), yMm: 0 })),
    ...Array.from({ length: down - 1 }, (_, index) => ({ xMm: width, yMm: y(index) })),
    ...Array.from({ length: across - 1 }, (_, index) => ({ xMm: x(across - 1 - index), yMm: height })),
    ...Array.from({ length: down - 1 }, (_, index) => ({ xMm: 0, yMm: y(down - 1 - index) })),
  ];
};

/** How many places a layout has. */
export const generatedCount = (generator: Generator): number => {
  switch (generator.shape) {
    case 'bolt-circle':
    case 'row':
      return generator.count;
    case 'rectangle':
      return 2 * (generator.across + generator.down) - 4;
    case 'grid':
      return generator.columns * generator.rows;
    case 'rings':
      return (
        generator.rings * generator.first + (generator.more * generator.rings * (generator.rings - 1)) / 2
      );
    case 'terminal-block':
      return generator.terminals * generator.levels;
  }
};

/** The places of a layout in the order a person would number them: a circle clockwise from its first one, rows as one reads, rings from the inside.
 *  Valid for: no more places than one job holds (generatedCount). */
export const generated = (generator: Generator): readonly Place[] => {
  switch (generator.shape) {
    case 'bolt-circle':
      return circle(generator.count, generator.diameterMm, generator.firstDegrees);
    case 'row':
      return lattice(generator.count, 1, generator.pitchMm, 0);
    case 'rectangle':
      return edge(generator.across, generator.down, generator.widthMm, generator.heightMm);
    case 'grid':
      return lattice(generator.columns, generator.rows, generator.pitchXMm, generator.pitchYMm);
    case 'rings':
      return Array.from({ length: generator.rings }, (_, ring) =>
        circle(generator.first + ring * generator.more, generator.diameterMm + ring * generator.widerMm, 0),
      ).flat();
    case 'terminal-block':
      return lattice(generator.terminals, generator.levels, generator.pitchMm, generator.levelMm);
  }
};
