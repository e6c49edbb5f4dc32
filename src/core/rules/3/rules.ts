import { readRequirement } from '../../spec/requirement/read-requirement.ts';
import { specifiedTarget } from '../../target/joined-parts.ts';
import { RULES_2 } from '../2/rules.ts';
import type { Rules } from '../rules.ts';

/** Rules 3: every number, unit and bounding word of a print is read or asked about, and of two parts in one joint the tighter maximum holds.
 *  Open: what the issues after this one sharpen is added here until it is frozen. */
export const RULES_3: Rules = {
  ...RULES_2,
  number: 3,
  readRequirement,
  target: specifiedTarget,
};
