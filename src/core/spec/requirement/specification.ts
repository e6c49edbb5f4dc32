import type { WrittenTorque } from '../../quantity/torque.ts';
import type { Requirement } from './requirement.ts';

/** A requirement with what changes its torque: the other part of the joint, a run-on torque, a softer part than it was made for. */
export type Specification = {
  readonly requirement: Requirement;
  /** What the other part of the joint demands; null where there is none. */
  readonly otherPart: Requirement | null;
  /** Measured run-on torque, to be added; null where there is none. */
  readonly runOn: WrittenTorque | null;
  /** Whether the value was made for a harder material than the part in hand. */
  readonly isForHarderMaterial: boolean;
  /** Whether only the lower half of the range is taken; left out where the whole is. */
  readonly isLowerHalf?: boolean;
};

/** A requirement alone. */
export const plainSpecification = (requirement: Requirement): Specification => ({
  requirement,
  otherPart: null,
  runOn: null,
  isForHarderMaterial: false,
});
