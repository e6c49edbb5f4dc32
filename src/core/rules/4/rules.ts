import { RULES_3 } from '../3/rules.ts';
import type { Rules } from '../rules.ts';

/** Rules 4: what is measured to make safe is measured; a step that something waits for is left by a lead alone; a wait counts from when it was begun; an angle is turned after its torque; what went wrong with a fastener is led
 *  through until it is put right, and a pull before that is objected to.
 *  Open: what the pull still sharpens is added here until it is frozen. */
export const RULES_4: Rules = {
  ...RULES_3,
  number: 4,
  leadLeavesSteps: true,
  makeSafeIsMeasured: true,
  waitsAreBegun: true,
  anglesAreTurned: true,
  remediesAreLed: true,
};
