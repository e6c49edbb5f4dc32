import { type NewtonMetres, newtonMetres, toNewtonMetres } from '../quantity/unit.ts';
import { figureAt } from './known-error.ts';
import { settingInNewtonMetres } from './scale.ts';
import type { Tool } from './tool.ts';

/** The share of a graduation that the eye can split on an analogue scale. Source: common practice, no published source. */
export const EYE_SPLITS_GRADUATION = 1 / 5;

/** Whether the error that a session found is corrected in the judgement, or left and counted in the uncertainty. */
export type KnownError = 'counted' | 'corrected';

/** What a pull's uncertainty follows from. */
export type UncertainTool = Pick<Tool, 'limitPercent' | 'limitOf' | 'scale' | 'calibration'>;

/** Half width of the tool's permissible deviation at a torque, in newton metres: of the reading, or of full scale. */
export const permissibleDeviation = (
  torque: NewtonMetres,
  { limitPercent, limitOf, scale }: UncertainTool,
): NewtonMetres =>
  newtonMetres(
    (limitPercent / 100) * (limitOf === 'full-scale' ? settingInNewtonMetres(scale, scale.maximum) : torque),
  );

/** Standard uncertainty of what the tool says, in newton metres: from its calibration where there is one, W/2 and the scatter of one pull,
 *  a known error that is counted as a rectangular distribution; else its permissible deviation as a rectangular distribution. */
const ofTool = (torque: NewtonMetres, tool: UncertainTool, knownError: KnownError): number => {
  const points = tool.calibration?.points ?? [];
  if (points.length === 0) return permissibleDeviation(torque, tool) / Math.sqrt(3);
  const at = (figure: 'errorPercent' | 'deviationPercent' | 'expandedPercent'): number =>
    (figureAt(points, figure, torque) / 100) * torque;
  return knownError === 'corrected'
    ? Math.hypot(at('expandedPercent') / 2, at('deviationPercent'))
    : Math.hypot(at('expandedPercent') / 2, at('deviationPercent'), at('errorPercent') / Math.sqrt(3));
};

/** Standard uncertainty of one pull in newton metres at the tool: the tool's own, and the resolution of its scale, in quadrature.
 *    u = √( u_tool² + (d/√12)² ),  d = graduation / 5 on an analogue scale, the last digit on a display, nothing on a tool of one setting
 *  Source: JCGM 100:2008, 4.3.7 and F.2.2.1, combined by 5.1.2 eq. (10). Departures: a known error that is not corrected is counted here.
 *  Valid for: torques above zero. */
export const pullStandardUncertainty = (
  torque: NewtonMetres,
  tool: UncertainTool,
  knownError: KnownError,
): NewtonMetres => {
  const { unit, graduation, form } = tool.scale;
  const share = { display: 1, preset: 0 }[form as 'display'] ?? EYE_SPLITS_GRADUATION;
  const d = toNewtonMetres(graduation, unit) * share;
  return newtonMetres(Math.hypot(ofTool(torque, tool, knownError), d / Math.sqrt(12)));
};
