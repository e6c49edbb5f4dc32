import type { Place } from './generator.ts';

/** A picture behind a board: its size in pixels, how long a pixel is, and where its top left corner lies. */
export type Behind = {
  readonly width: number;
  readonly height: number;
  readonly mmPerPixel: number;
  readonly xMm: number;
  readonly yMm: number;
};

/** Before a picture is scaled it is taken for so wide. */
const FIRST_WIDTH_MM = 200;

/** A picture that nobody has scaled yet. */
export const unscaled = (width: number, height: number): Behind => ({
  width,
  height,
  mmPerPixel: FIRST_WIDTH_MM / Math.max(1, width),
  xMm: 0,
  yMm: 0,
});

/** Two corners of a picture, in millimetres. */
export const cornersOf = ({ width, height, mmPerPixel, xMm, yMm }: Behind): readonly Place[] => [
  { xMm, yMm },
  { xMm: xMm + width * mmPerPixel, yMm: yMm + height * mmPerPixel },
];

/** A picture scaled so that two points on it, as they lie on the board now, are a known distance apart; the first one stays where it is. Null where
 *  both are one point. */
export const scaledBy = (behind: Behind, a: Place, b: Place, distanceMm: number): Behind | null => {
  const now = Math.hypot(b.xMm - a.xMm, b.yMm - a.yMm);
  if (now <= 0 || distanceMm <= 0) return null;
  const factor = distanceMm / now;
  return {
    ...behind,
    mmPerPixel: behind.mmPerPixel * factor,
    xMm: a.xMm - (a.xMm - behind.xMm) * factor,
    yMm: a.yMm - (a.yMm - behind.yMm) * factor,
  };
};
