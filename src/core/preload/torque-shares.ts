import type { ThreadGeometry } from './thread-geometry.ts';

/** Friction in the thread and under the head, as coefficients. */
export type Friction = { readonly thread: number; readonly head: number };

/** What a torque goes into, each in newton metres for one newton of tension. */
export type TorqueParts = {
  /** Stretches the screw. */
  readonly tension: number;
  readonly thread: number;
  readonly head: number;
};

const MM_PER_M = 1000;
const FLANK_COSINE = Math.cos(Math.PI / 6);

type Thread = Pick<ThreadGeometry, 'pitchMm' | 'pitchDiameterMm'>;

/** Where the torque of a screw goes, for one newton of tension.
 *    T = F·[ P/(2π) + μ_t·d₂/(2 cos 30°) + μ_b·D_m/2 ]
 *  Source: long form of the torque and tension relation, VDI 2230-1:2015, 5.4.2 (from memory). Lengths in millimetres. */
export const torqueParts = (
  { pitchMm, pitchDiameterMm }: Thread,
  { thread, head }: Friction,
  bearingMm: number,
): TorqueParts => ({
  tension: pitchMm / (2 * Math.PI) / MM_PER_M,
  thread: (thread * pitchDiameterMm) / (2 * FLANK_COSINE) / MM_PER_M,
  head: (head * bearingMm) / 2 / MM_PER_M,
});

/** All of them together: newton metres for a newton. */
export const torquePerNewton = ({ tension, thread, head }: TorqueParts): number => tension + thread + head;

/** The one coefficient of friction, in thread and under head alike, that a nut factor stands for: K·d is the long form's bracket.
 *  Valid for: a K above what the pitch alone asks; less comes out as none. */
export const frictionOfNutFactor = (
  nutFactor: number,
  thread: Thread & Pick<ThreadGeometry, 'majorMm'>,
  bearingMm: number,
): Friction => {
  const one = torqueParts(thread, { thread: 1, head: 1 }, bearingMm);
  const friction = Math.max(
    0,
    ((nutFactor * thread.majorMm) / MM_PER_M - one.tension) / (one.thread + one.head),
  );
  return { thread: friction, head: friction };
};
