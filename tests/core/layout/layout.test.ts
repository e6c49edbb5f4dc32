import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { markSets, takenPlaces } from '#core/drawing/taken-marks.ts';
import { cornersOf, scaledBy, unscaled } from '#core/layout/behind.ts';
import {
  type ALIGNMENTS,
  aligned,
  type Board,
  grouped,
  moved,
  numbered,
  ordered,
  reordered,
  repeatedNames,
  required,
  without,
  withPlaces,
} from '#core/layout/board.ts';
import { layerShift, panned, placeAt, viewOfAll, within, zoomed } from '#core/layout/board-view.ts';
import { type Generator, generated, generatedCount, generatorSchema } from '#core/layout/generator.ts';
import { LIST_MAX_ROWS } from '#core/spec/list/list-bounds.ts';

const counter = () => {
  let next = 0;
  return () => `id${next++}`;
};
const boardOf = (places: readonly { readonly xMm: number; readonly yMm: number }[], group = 'A'): Board =>
  withPlaces([], places, group, counter());
const positions = (board: Board) => board.map(({ position }) => position);

const anyGenerator: fc.Arbitrary<Generator> = fc.oneof(
  fc.record({
    shape: fc.constant('bolt-circle' as const),
    count: fc.integer({ min: 2, max: 60 }),
    diameterMm: fc.integer({ min: 5, max: 500 }),
    firstDegrees: fc.integer({ min: -360, max: 360 }),
  }),
  fc.record({
    shape: fc.constant('rectangle' as const),
    across: fc.integer({ min: 2, max: 20 }),
    down: fc.integer({ min: 2, max: 20 }),
    widthMm: fc.integer({ min: 10, max: 500 }),
    heightMm: fc.integer({ min: 10, max: 500 }),
  }),
  fc.record({
    shape: fc.constant('rings' as const),
    rings: fc.integer({ min: 1, max: 6 }),
    first: fc.integer({ min: 1, max: 12 }),
    more: fc.integer({ min: 0, max: 12 }),
    diameterMm: fc.integer({ min: 10, max: 100 }),
    widerMm: fc.integer({ min: 10, max: 100 }),
  }),
  fc.record({
    shape: fc.constant('grid' as const),
    columns: fc.integer({ min: 1, max: 20 }),
    rows: fc.integer({ min: 1, max: 20 }),
    pitchXMm: fc.integer({ min: 1, max: 50 }),
    pitchYMm: fc.integer({ min: 1, max: 50 }),
  }),
  fc.record({
    shape: fc.constant('terminal-block' as const),
    terminals: fc.integer({ min: 1, max: 40 }),
    levels: fc.integer({ min: 1, max: 4 }),
    pitchMm: fc.constant(5.2),
    levelMm: fc.constant(20),
  }),
  fc.record({
    shape: fc.constant('row' as const),
    count: fc.integer({ min: 1, max: 60 }),
    pitchMm: fc.integer({ min: 1, max: 50 }),
  }),
);

describe('a layout by its numbers', () => {
  test('has as many places as it says, no two of them the same', () => {
    fc.assert(
      fc.property(anyGenerator, (generator) => {
        const places = generated(generator);
        expect(places).toHaveLength(generatedCount(generator));
        expect(new Set(places.map(({ xMm, yMm }) => `${xMm} ${yMm}`)).size).toBe(places.length);
        expect(generatorSchema.safeParse(generator).success).toBe(true);
      }),
    );
  });
  test('a bolt circle begins at the top, goes clockwise, and has its diameter', () => {
    const [first, second, third] = generated({
      shape: 'bolt-circle',
      count: 4,
      diameterMm: 80,
      firstDegrees: 0,
    });
    // y grows downwards.
    expect([first, second, third]).toEqual([
      { xMm: 0, yMm: -40 },
      { xMm: 40, yMm: -0 },
      { xMm: 0, yMm: 40 },
    ]);
  });
  test('the edge of a rectangle has each corner once', () => {
    const places = generated({ shape: 'rectangle', across: 3, down: 2, widthMm: 40, heightMm: 10 });
    expect(places).toEqual([
      { xMm: 0, yMm: 0 },
      { xMm: 20, yMm: 0 },
      { xMm: 40, yMm: 0 },
      { xMm: 40, yMm: 10 },
      { xMm: 20, yMm: 10 },
      { xMm: 0, yMm: 10 },
    ]);
  });
});

describe('a board', () => {
  const line = generated({ shape: 'row', count: 5, pitchMm: 10 });
  test('names what is added, and never twice', () => {
    const first = boardOf(line);
    const both = withPlaces(without(first, new Set(['id1'])), line, 'B', counter());
    expect(positions(first)).toEqual(['1', '2', '3', '4', '5']);
    expect(repeatedNames(both)).toEqual([]);
  });
  test('takes no more than one job holds', () => {
    const many = Array.from({ length: LIST_MAX_ROWS + 5 }, (_, xMm) => ({ xMm, yMm: 0 }));
    expect(boardOf(many)).toHaveLength(LIST_MAX_ROWS);
  });
  test('some moved and moved back are where they were, the others never moved', () => {
    fc.assert(
      fc.property(fc.integer({ min: -500, max: 500 }), fc.integer({ min: -500, max: 500 }), (x, y) => {
        const board = boardOf(line);
        const ids = new Set(['id1', 'id3']);
        const there = moved(board, ids, x, y);
        expect(there[0]).toEqual(board[0]);
        expect(moved(there, ids, -x, -y)).toEqual(board);
      }),
    );
  });
  test('brought into line, or spread evenly between the outermost', () => {
    const board = boardOf([
      { xMm: 0, yMm: 5 },
      { xMm: 3, yMm: 9 },
      { xMm: 20, yMm: 7 },
    ]);
    const all = new Set(board.map(({ id }) => id));
    const xs = (alignment: (typeof ALIGNMENTS)[number]) =>
      aligned(board, all, alignment).map(({ xMm }) => xMm);
    expect(xs('left')).toEqual([0, 0, 0]);
    expect(xs('right')).toEqual([20, 20, 20]);
    expect(xs('spread-across')).toEqual([0, 10, 20]);
    expect(aligned(board, all, 'bottom').map(({ yMm }) => yMm)).toEqual([9, 9, 9]);
    expect(aligned(board, all, 'top').map(({ yMm }) => yMm)).toEqual([5, 5, 5]);
    expect(aligned(board, all, 'spread-down').map(({ yMm }) => yMm)).toEqual([5, 9, 7]);
    expect(aligned(board, new Set(['id0']), 'right')).toBe(board);
  });
  test('numbered anew in the order of the work or as one reads; never like one that is not among them', () => {
    const board = reordered(boardOf(line), 'id4', 'id0');
    const all = new Set(board.map(({ id }) => id));
    const names = (by: 'order' | 'reading') =>
      numbered(board, all, { prefix: 'P', first: 7, by })?.map(({ position, xMm }) => [position, xMm]);
    expect(names('order')?.[0]).toEqual(['P7', 40]);
    expect(names('reading')?.find(([name]) => name === 'P7')).toEqual(['P7', 0]);
    expect(numbered(board, new Set(['id1']), { prefix: '', first: 3, by: 'order' })).toBeNull();
  });
  test('one put before another of its group, or last; the rest keeps its order', () => {
    const board = boardOf(line);
    expect(positions(reordered(board, 'id0', 'id2'))).toEqual(['2', '1', '3', '4', '5']);
    expect(positions(reordered(board, 'id0', null))).toEqual(['2', '3', '4', '5', '1']);
    expect(reordered(board, 'id9', null)).toBe(board);
  });
  test('an order moves the fasteners of its group, and leaves the others in their places', () => {
    const mixed = withPlaces(boardOf(line), line, 'B', () => `b${Math.random()}`);
    const after = ordered(mixed, 'A', 'centre-out');
    expect(positions(after).slice(0, 5)).toEqual(['3', '2', '4', '1', '5']);
    expect(positions(after).slice(5)).toEqual(positions(mixed).slice(5));
  });
  test('in another group, with a value of its own', () => {
    const ids = new Set(['id2']);
    const board = required(grouped(boardOf(line), ids, 'B'), ids, '2 Nm');
    expect(board[2]).toMatchObject({ group: 'B', requirement: '2 Nm' });
    expect(board[1]).toMatchObject({ group: 'A', requirement: '' });
  });
});

describe('looking at a board', () => {
  const frame = { width: 640, height: 400 };
  const anyView = fc.record({
    xMm: fc.integer({ min: -500, max: 500 }),
    yMm: fc.integer({ min: -500, max: 500 }),
    pixelsPerMm: fc.double({ min: 0.1, max: 20, noNaN: true }),
  });
  test('all of it is in the frame, with room', () => {
    fc.assert(
      fc.property(anyGenerator, (generator) => {
        const places = generated(generator);
        const view = viewOfAll(places, frame);
        for (const { xMm, yMm } of places) {
          expect(Math.abs(xMm - view.xMm) * view.pixelsPerMm).toBeLessThan(frame.width / 2);
          expect(Math.abs(yMm - view.yMm) * view.pixelsPerMm).toBeLessThan(frame.height / 2);
        }
      }),
    );
  });
  test('what lies under the finger stays under it while it is zoomed, and comes along when it is pushed', () => {
    const pixel = fc.integer({ min: -300, max: 300 });
    fc.assert(
      fc.property(
        anyView,
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        pixel,
        pixel,
        (view, factor, x, y) => {
          const before = placeAt(view, x, y);
          const after = placeAt(zoomed(view, factor, x, y), x, y);
          expect(after.xMm).toBeCloseTo(before.xMm, 6);
          expect(after.yMm).toBeCloseTo(before.yMm, 6);
          const pushed = placeAt(panned(view, x, y), x, y);
          expect(pushed.xMm).toBeCloseTo(view.xMm, 6);
          expect(pushed.yMm).toBeCloseTo(view.yMm, 6);
        },
      ),
    );
  });
  test('a layer drawn for one view and shifted shows every place where the other view has it', () => {
    fc.assert(
      fc.property(anyView, anyView, fc.integer({ min: -90, max: 90 }), (drawn, shown, mm) => {
        const { x, factor } = layerShift(drawn, shown);
        const inLayer = (mm - drawn.xMm) * drawn.pixelsPerMm;
        expect(inLayer * factor + x).toBeCloseTo((mm - shown.xMm) * shown.pixelsPerMm, 4);
      }),
    );
  });
  test('a frame takes what is in it, whichever corner it begins at', () => {
    const places = generated({ shape: 'row', count: 5, pitchMm: 10 });
    const [a, b] = [
      { xMm: 25, yMm: 5 },
      { xMm: 5, yMm: -5 },
    ];
    expect(within(places, a, b).map(({ xMm }) => xMm)).toEqual([10, 20]);
    expect(within(places, b, a)).toEqual(within(places, a, b));
  });
});

test('a picture is scaled by two points: the first stays, the second is as far as was said', () => {
  const behind = unscaled(400, 300);
  const [a, b] = [
    { xMm: 20, yMm: 30 },
    { xMm: 120, yMm: 30 },
  ];
  const scaled = scaledBy(behind, a, b, 50);
  expect(scaled?.mmPerPixel).toBeCloseTo(behind.mmPerPixel / 2, 12);
  // The pixel under a point, before and after: that of the first lies where it lay, that of the second 50 mm away.
  const pixelOf = (mm: number) => (mm - behind.xMm) / behind.mmPerPixel;
  const placeOfPixel = (pixel: number) => (scaled?.xMm ?? 0) + pixel * (scaled?.mmPerPixel ?? 0);
  expect(placeOfPixel(pixelOf(a.xMm))).toBeCloseTo(20, 9);
  expect(placeOfPixel(pixelOf(b.xMm))).toBeCloseTo(70, 9);
  expect(scaledBy(behind, a, a, 50)).toBeNull();
});

test('where a picture lies behind, the whole of it is seen and fills the frame, with what lies beside it', () => {
  const frame = { width: 640, height: 420 };
  const beside = { xMm: 400, yMm: 20 };
  const corners = cornersOf({ width: 4000, height: 3000, mmPerPixel: 0.05, xMm: -20, yMm: 10 });
  expect(corners.map(({ xMm, yMm }) => [xMm, yMm])).toEqual([
    [-20, 10],
    [180, 160],
  ]);
  const view = viewOfAll([{ xMm: 0, yMm: 20 }], frame, corners);
  const [topLeft, bottomRight] = [-1, 1].map((side) =>
    placeAt(view, (side * frame.width) / 2, (side * frame.height) / 2),
  ) as [typeof beside, typeof beside];
  expect(within(corners, topLeft, bottomRight)).toHaveLength(2);
  expect(150 * view.pixelsPerMm).toBeGreaterThan(frame.height * 0.9);
  const wider = viewOfAll([beside], frame, corners);
  expect((beside.xMm - wider.xMm) * wider.pixelsPerMm).toBeLessThan(frame.width / 2);
});

test('marks are told by layer, kind and size; what is taken begins at the top left', () => {
  const circle = (x: number, y: number, diameter: number, layer = 'H') =>
    ({ kind: 'circle', layer, name: '', x, y, diameter }) as const;
  const drawing = {
    marks: [circle(1, 5, 0.2), circle(3, 4, 0.2), circle(2, 2, 1), circle(9, 9, 0.2, 'OTHER')],
    unitMm: 25.4,
    unitName: 'inch',
    isUnitAssumed: false,
  };
  const sets = markSets(drawing, 25.4);
  expect(sets.map(({ layer, count, diameterMm }) => [layer, count, Number(diameterMm?.toFixed(2))])).toEqual([
    ['H', 2, 5.08],
    ['H', 1, 25.4],
    ['OTHER', 1, 5.08],
  ]);
  const places = takenPlaces(drawing, 25.4, new Set([sets[0]?.id ?? '']));
  expect(places).toEqual([
    { xMm: 50.8, yMm: 0, label: '' },
    { xMm: 0, yMm: 25.4, label: '' },
  ]);
});
