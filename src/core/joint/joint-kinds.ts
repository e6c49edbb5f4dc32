import { canonicalText } from '../canonical.ts';
import type { JointKind } from './joint-kind.ts';
import { COLLET_NUT } from './kinds/collet-nut.ts';
import { CONTROL_CABINET } from './kinds/control-cabinet.ts';
import { SOFT_PART_CLAMP } from './kinds/soft-part-clamp.ts';
import { SOFT_SEAT_RING } from './kinds/soft-seat-ring.ts';

/** Every kind of joint that a job can be planned with. A new one is its own file of data with its words, and a line here. */
export const JOINT_KINDS: readonly JointKind[] = [
  CONTROL_CABINET,
  COLLET_NUT,
  SOFT_SEAT_RING,
  SOFT_PART_CLAMP,
];

/** Whether a kind of joint is one of these, word for word. */
export const isShippedKind = (kind: JointKind): boolean => {
  const shipped = jointKindOf(kind.code);
  return shipped !== undefined && canonicalText(shipped) === canonicalText(kind);
};

/** A kind of joint by its code; undefined where this code has none of it. */
export const jointKindOf = (code: string): JointKind | undefined =>
  JOINT_KINDS.find((kind) => kind.code === code);
