import type { JointKind } from '#core/joint/joint-kind.ts';
import { smallestPitch } from '#core/order/reading-order.ts';
import type { Spot } from '#core/order/spot.ts';

/** What part of the drawing shows, in millimetres, and how large a head is. */
export type DrawingView = {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** Radius of a head, in millimetres. */
  readonly radius: number;
  /** Whether only the surroundings of the next fastener show. */
  readonly isFollowing: boolean;
};

/** On rails the heads of a row stand side by side, and rows are further apart; elsewhere they may stand one above the other. */
const HEAD_SHARE_OF_PITCH = { rails: 0.33, ring: 0.24, none: 0.24 } as const;
const MARGIN_HEADS = 3.2;
const SMALLEST_HEAD_PX = 13;
const LARGEST_HEAD_PX = 34;
const LONE_HEAD_MM = 4;
/** Height kept free above the fasteners for the ruler. */
export const RULER_PX = 24;
/** While a drawing follows the work it moves in steps of this share of its width, and not with every fastener: what is looked at stands still. */
const STEP_SHARE = 0.5;
/** How far a head with its label reaches from its middle, in its radius. */
export const CELL = { side: 1.45, above: 1.55, below: 2.75 } as const;

const clamped = (start: number, span: number, low: number, high: number): number =>
  high - low <= span ? (low + high - span) / 2 : Math.min(Math.max(start, low), high - span);

/** The view of a drawing in a frame of so many pixels: all of it when its heads are large enough to be told apart, else the surroundings
 *  of one place at a readable size; of the first one where there is none. */
export const drawingView = (
  places: readonly Spot[],
  frame: { readonly width: number; readonly height: number },
  around: Spot | undefined,
  outline: JointKind['outline'] = 'rails',
  pitch = smallestPitch(places),
): DrawingView => {
  const radius = Number.isFinite(pitch) ? pitch * HEAD_SHARE_OF_PITCH[outline] : LONE_HEAD_MM;
  const margin = radius * MARGIN_HEADS;
  const xs = places.map(({ xMm }) => xMm);
  const ys = places.map(({ yMm }) => yMm);
  const [left, right] = [Math.min(...xs) - margin, Math.max(...xs) + margin];
  const [top, bottom] = [Math.min(...ys) - margin, Math.max(...ys) + margin];
  const fit = Math.min(frame.width / (right - left), (frame.height - RULER_PX) / (bottom - top));
  const pixelsPerMm = Math.min(Math.max(fit, SMALLEST_HEAD_PX / radius), LARGEST_HEAD_PX / radius);
  const width = frame.width / pixelsPerMm;
  const height = frame.height / pixelsPerMm;
  // The middle of a cabinet often lies between two rows, where there is nothing to see.
  const centre = around ?? places[0] ?? { xMm: 0, yMm: 0 };
  const isFollowing = pixelsPerMm > fit * 1.001;
  const step = width * STEP_SHARE;
  const middle = isFollowing ? left + Math.round((centre.xMm - left) / step) * step : centre.xMm;
  return {
    x: clamped(middle - width / 2, width, left, right),
    y: clamped(centre.yMm - height / 2, height, top - RULER_PX / pixelsPerMm, bottom),
    width,
    height,
    radius,
    isFollowing,
  };
};
