import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { drawingView } from '#ui/jobs/drawing/drawing-view.ts';
import { niceStep } from '#ui/shared/nice-step.ts';

const grid = (columns: number, rows: number, pitch: number) =>
  Array.from({ length: columns * rows }, (_, index) => ({
    position: String(index),
    xMm: (index % columns) * pitch,
    yMm: Math.floor(index / columns) * pitch * 2,
  }));

describe('what part of a drawing shows', () => {
  test('a cabinet of 24 fits whole', () => {
    const view = drawingView(grid(8, 3, 13), { width: 690, height: 560 }, undefined);
    expect(view.isFollowing).toBe(false);
    expect(view.x).toBeLessThan(0);
    expect(view.x + view.width).toBeGreaterThan(7 * 13);
  });

  test('a cabinet of 400 follows the next one, at a size that can be told apart', () => {
    const places = grid(40, 10, 6);
    const next = places[217];
    const view = drawingView(places, { width: 690, height: 560 }, next);
    expect(view.isFollowing).toBe(true);
    expect((view.radius * 690) / view.width).toBeCloseTo(13, 6);
    expect(next && next.xMm >= view.x && next.xMm <= view.x + view.width).toBe(true);
    expect(next && next.yMm >= view.y && next.yMm <= view.y + view.height).toBe(true);
  });

  test('one fastener alone is not drawn larger than a thumb', () => {
    const view = drawingView(grid(1, 1, 1), { width: 690, height: 560 }, undefined);
    expect((view.radius * 690) / view.width).toBeCloseTo(34, 6);
  });

  test('property: the next one is always in view', () => {
    const size = fc.integer({ min: 120, max: 1200 });
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 1, max: 12 }),
        size,
        size,
        fc.nat(),
        (columns, rows, width, height, pick) => {
          const places = grid(columns, rows, 7);
          const next = places[pick % places.length] as (typeof places)[number];
          const view = drawingView(places, { width, height }, next);
          expect(next.xMm).toBeGreaterThanOrEqual(view.x);
          expect(next.xMm).toBeLessThanOrEqual(view.x + view.width);
          expect(next.yMm).toBeGreaterThanOrEqual(view.y);
          expect(next.yMm).toBeLessThanOrEqual(view.y + view.height);
        },
      ),
    );
  });
});

describe('steps of a ruler', () => {
  test.each([
    { least: 0.7, expected: 1 },
    { least: 1, expected: 1 },
    { least: 1.1, expected: 2 },
    { least: 2.1, expected: 5 },
    { least: 6, expected: 10 },
    { least: 0.021, expected: 0.05 },
    { least: 130, expected: 200 },
  ])('at least $least is $expected', ({ least, expected }) => {
    expect(niceStep(least)).toBe(expected);
  });
});
