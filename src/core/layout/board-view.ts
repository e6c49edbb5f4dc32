import type { Place } from './generator.ts';

/** What part of a board is looked at: the middle, in millimetres, and how many pixels a millimetre takes. */
export type BoardView = { readonly xMm: number; readonly yMm: number; readonly pixelsPerMm: number };

/** A size in pixels. */
export type Frame = { readonly width: number; readonly height: number };

const CLOSEST = 60;
const FARTHEST = 0.005;
const MARGIN = 1.45;
/** A picture has room of its own round what is on it. */
const PICTURE_MARGIN = 1.06;
/** Around a lone place so many millimetres are shown. */
const LONE_MM = 40;

const clamped = (pixelsPerMm: number): number => Math.min(CLOSEST, Math.max(FARTHEST, pixelsPerMm));

/** A view of all places in a frame, with room round them; where a picture lies behind, of all of that too, given its corners. */
export const viewOfAll = (
  places: readonly Place[],
  { width, height }: Frame,
  corners: readonly Place[] = [],
): BoardView => {
  const all = [...places, ...corners];
  const xs = all.map(({ xMm }) => xMm);
  const ys = all.map(({ yMm }) => yMm);
  const [left, right] = all.length > 0 ? [Math.min(...xs), Math.max(...xs)] : [0, 0];
  const [top, bottom] = all.length > 0 ? [Math.min(...ys), Math.max(...ys)] : [0, 0];
  const margin = corners.length > 0 ? PICTURE_MARGIN : MARGIN;
  return {
    xMm: (left + right) / 2,
    yMm: (top + bottom) / 2,
    pixelsPerMm: clamped(
      Math.min(
        width / (Math.max(LONE_MM, right - left) * margin),
        height / (Math.max(LONE_MM, bottom - top) * margin),
      ),
    ),
  };
};

/** A view pushed by so many pixels. */
export const panned = (view: BoardView, byX: number, byY: number): BoardView => ({
  ...view,
  xMm: view.xMm - byX / view.pixelsPerMm,
  yMm: view.yMm - byY / view.pixelsPerMm,
});

/** A view zoomed by a factor, so that what lies at a point stays there; the point in pixels from the middle of the frame. */
export const zoomed = (view: BoardView, factor: number, atX: number, atY: number): BoardView => {
  const pixelsPerMm = clamped(view.pixelsPerMm * factor);
  const [x, y] = [view.xMm + atX / view.pixelsPerMm, view.yMm + atY / view.pixelsPerMm];
  return { xMm: x - atX / pixelsPerMm, yMm: y - atY / pixelsPerMm, pixelsPerMm };
};

/** How a layer that was drawn for one view is laid so that it shows another: a shift in pixels, and a factor about the middle of the frame. */
export const layerShift = (
  drawn: BoardView,
  shown: BoardView,
): { readonly x: number; readonly y: number; readonly factor: number } => ({
  x: (drawn.xMm - shown.xMm) * shown.pixelsPerMm,
  y: (drawn.yMm - shown.yMm) * shown.pixelsPerMm,
  factor: shown.pixelsPerMm / drawn.pixelsPerMm,
});

/** The place under a point, in millimetres; the point in pixels from the middle of the frame. */
export const placeAt = (view: BoardView, x: number, y: number): Place => ({
  xMm: view.xMm + x / view.pixelsPerMm,
  yMm: view.yMm + y / view.pixelsPerMm,
});

/** The places within a rectangle of two corners, in millimetres. */
export const within = <P extends Place>(places: readonly P[], a: Place, b: Place): readonly P[] => {
  const [left, right] = [Math.min(a.xMm, b.xMm), Math.max(a.xMm, b.xMm)];
  const [top, bottom] = [Math.min(a.yMm, b.yMm), Math.max(a.yMm, b.yMm)];
  return places.filter(({ xMm, yMm }) => xMm >= left && xMm <= right && yMm >= top && yMm <= bottom);
};
