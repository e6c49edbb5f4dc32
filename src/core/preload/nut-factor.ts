/** Surfaces of a thread and of the face under the head. */
export const SURFACES = ['dry-steel', 'zinc', 'oiled', 'molybdenum-paste', 'threadlocker'] as const;
export type Surface = (typeof SURFACES)[number];

/** Nut factors K by surface, lowest and highest. Common practice, no published source: they differ from lot to lot, and stand in until somebody
 *  has measured. */
export const NUT_FACTORS: Readonly<Record<Surface, readonly [low: number, high: number]>> = {
  'dry-steel': [0.18, 0.22],
  zinc: [0.2, 0.25],
  oiled: [0.14, 0.17],
  'molybdenum-paste': [0.1, 0.13],
  threadlocker: [0.15, 0.2],
};
