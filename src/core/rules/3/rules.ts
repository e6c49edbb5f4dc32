import { likelyMixUps } from '../../quantity/mix-up.ts';
import { newtonMetres } from '../../quantity/unit.ts';
import { readRequirement } from '../../spec/requirement/read-requirement.ts';
import { specifiedTarget } from '../../target/joined-parts.ts';
import { shownForApplied } from '../../tool/known-error.ts';
import { pullBudget } from '../../tool/pull-budget.ts';
import { sureVerdict } from '../../verdict/tightening-verdict.ts';
import { RULES_2 } from '../2/rules.ts';
import type { Rules } from '../rules.ts';

const KNOWN_ERROR = 'judgement-corrected';

/** Rules 3: every number, unit and bounding word of a print is read or asked about; of two parts in one joint the tighter maximum holds; a known
 *  error is treated as the site chose; few readings, an angle held by eye and a needle read from aside widen the uncertainty; a pull less
 *  sure than the site asks is too close to call, and one by feel stays open until it is checked.
 *  Frozen: records were signed under it. */
export const RULES_3: Rules = {
  ...RULES_2,
  number: 3,
  readRequirement,
  likelyMixUps,
  target: specifiedTarget,
  applied: (shown, tool, schools) =>
    (schools.knownError ?? KNOWN_ERROR) === 'added-to-uncertainty'
      ? { torque: shown, knownErrorPercent: null }
      : RULES_2.applied(shown, tool, schools),
  shownFor: (torque, { calibration }, { knownError }) =>
    knownError === 'setting-corrected'
      ? newtonMetres(shownForApplied(torque, calibration?.points ?? []))
      : torque,
  standardUncertainty: (shown, tool, adapters, factor, { knownError = KNOWN_ERROR }) =>
    pullBudget(shown, tool, adapters, factor, knownError).standardUncertainty,
  verdict: sureVerdict,
  byFeelStaysOpen: true,
};
