import { newtonMetres } from '../../quantity/unit.ts';
import type { Applied } from '../../tool/choose-tool.ts';
import { appliedTorque, figureAt } from '../../tool/known-error.ts';
import { pullStandardUncertainty } from '../../tool/pull-uncertainty.ts';
import { readRequirement } from '../1/print/read-requirement.ts';
import { handUncertainty, RULES_1 } from '../1/rules.ts';
import type { Rules } from '../rules.ts';

const KNOWN_ERROR_DECIMALS = 6;

/** What a calibrated tool applied when it showed a torque: the reading less the error interpolated from its session. An error of 3 % is then
 *  judged as one, and never hidden inside a distribution.
 *  Source: JCGM 100:2008, 3.2.4 (a recognised systematic effect is corrected); ISO 6789-1:2017, relative deviation (from memory). */
const corrected: Rules['applied'] = (shown, { calibration }): Applied => {
  if (!calibration || calibration.points.length === 0) return { torque: shown, knownErrorPercent: null };
  const knownErrorPercent = Number(
    figureAt(calibration.points, 'errorPercent', shown).toFixed(KNOWN_ERROR_DECIMALS),
  );
  return { torque: newtonMetres(appliedTorque(shown, knownErrorPercent)), knownErrorPercent };
};

/** Rules 2: a pull is judged by its reading less the tool's known error, while the setting stays the number on the paper.
 *  Frozen: records were signed under it. */
export const RULES_2: Rules = {
  ...RULES_1,
  number: 2,
  readRequirement,
  mayRereadClearPrint: false,
  applied: corrected,
  standardUncertainty: (shown, tool, adapters, adapterFactor) =>
    newtonMetres(
      Math.hypot(
        pullStandardUncertainty(shown, tool, 'corrected') * adapterFactor,
        shown * handUncertainty(tool.leverMillimetres, adapters, adapterFactor),
      ),
    ),
};
