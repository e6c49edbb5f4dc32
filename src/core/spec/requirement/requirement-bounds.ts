import { toNewtonMetres } from '../../quantity/unit.ts';
import { ANGLE_MAX_DEGREES, printedTorques, type Requirement, turnedDegrees } from './requirement.ts';
import type { RequirementRefusal } from './requirement-refusal.ts';

/** Highest torque accepted, in newton metres: far above what hands apply, low enough to catch a lost decimal point. */
export const TORQUE_MAX_NEWTON_METRES = 10_000;

/** What is impossible about a requirement, whose words are `text`; null where nothing is. */
export const boundsRefusal = (requirement: Requirement, text: string): RequirementRefusal | null => {
  const torques = printedTorques(requirement).map((torque) => toNewtonMetres(torque.value, torque.unit));
  if (torques.some((torque) => torque <= 0 || torque > TORQUE_MAX_NEWTON_METRES))
    return { code: 'out-of-bounds', text, highestNewtonMetres: TORQUE_MAX_NEWTON_METRES };
  if (requirement.kind === 'range' && requirement.low.value >= requirement.high.value)
    return { code: 'range-reversed', text };
  if (requirement.kind === 'nominal-maximum' && requirement.nominal.value >= requirement.maximum.value)
    return { code: 'range-reversed', text };
  const isTooWide =
    (requirement.kind === 'nominal-percent' &&
      Math.max(requirement.tolerancePercent, requirement.minusPercent ?? 0) >= 100) ||
    (requirement.kind === 'nominal-absolute' &&
      Math.max(requirement.minus.value, requirement.plus.value) >= requirement.nominal.value);
  if (isTooWide) return { code: 'tolerance-too-wide', text };
  const isNoAngle = turnedDegrees(requirement).some((angle) => angle > ANGLE_MAX_DEGREES || angle <= 0);
  return isNoAngle ? { code: 'unreadable-shape', text } : null;
};
