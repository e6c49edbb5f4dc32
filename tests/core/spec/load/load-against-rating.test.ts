import { expect, test } from 'vitest';
import { loadAgainstRating } from '#core/spec/load/load-against-rating.ts';

// Arithmetic: at the rating, just under, just over, and twice it.
test.each([
  [40, 40, { kind: 'within', sharePercent: 100 }],
  [39.9, 40, { kind: 'within' }],
  [40.1, 40, { kind: 'above', jointsNeeded: 2 }],
  [80, 40, { kind: 'above', sharePercent: 200, jointsNeeded: 2 }],
  [80.1, 40, { kind: 'above', jointsNeeded: 3 }],
])('%d A on a joint rated for %d A', (load, rating, standing) => {
  expect(loadAgainstRating(load, rating)).toMatchObject(standing);
});
