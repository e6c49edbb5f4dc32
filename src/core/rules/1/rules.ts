import { newtonMetres } from '../../quantity/unit.ts';
import { specifiedTargetBy } from '../../target/specified-target.ts';
import { adapterSensitivity } from '../../tool/adapter.ts';
import { pullStandardUncertainty } from '../../tool/pull-uncertainty.ts';
import { toolSetting } from '../../tool/tool-setting.ts';
import { passVerdict } from '../../verdict/pass-verdict.ts';
import { tighteningVerdict } from '../../verdict/tightening-verdict.ts';
import type { Rules } from '../rules.ts';
import { JOINED_PARTS_1 } from './joined-parts.ts';
import { likelyMixUps1 } from './mix-up.ts';
import { readTorqueRequirement } from './print/read-requirement.ts';

/** Where the hand is on a lever, 10 mm either way as a rectangular distribution, at the fastener, in newton metres per newton metre shown.
 *  Nothing where no adapter offsets the fastener. Source: JCGM 100:2008, 4.3.7; the 10 mm are common practice. */
export const handUncertainty = (
  leverMillimetres: number | null,
  adapters: Parameters<typeof adapterSensitivity>[1],
  adapterFactor: number,
): number => {
  const sensitivity = adapterSensitivity(leverMillimetres, adapters);
  const percent = sensitivity.ok && adapterFactor !== 1 ? sensitivity.value.tenMillimetresPercent : 0;
  return (adapterFactor * percent) / 100 / Math.sqrt(3);
};

/** Rules 1: as of the first record. A known error is counted in the uncertainty, never corrected. Frozen. */
export const RULES_1: Rules = {
  number: 1,
  readRequirement: readTorqueRequirement,
  mayRereadClearPrint: true,
  target: specifiedTargetBy(JOINED_PARTS_1),
  setting: toolSetting,
  byFeelStaysOpen: false,
  leadLeavesSteps: false,
  makeSafeIsMeasured: false,
  waitsAreBegun: false,
  anglesAreTurned: false,
  remediesAreLed: false,
  shownFor: (torque) => torque,
  applied: (shown) => ({ torque: shown, knownErrorPercent: null }),
  standardUncertainty: (shown, tool, adapters, adapterFactor) =>
    newtonMetres(
      Math.hypot(
        pullStandardUncertainty(shown, tool, 'counted') * adapterFactor,
        shown * handUncertainty(tool.leverMillimetres, adapters, adapterFactor),
      ),
    ),
  verdict: tighteningVerdict,
  passVerdict,
  likelyMixUps: likelyMixUps1,
  runOnMaxOfTarget: 2,
  readingMaxOfScale: 20,
};
