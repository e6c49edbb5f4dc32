import type { NewtonMetres } from '../quantity/unit.ts';
import { settingInNewtonMetres } from './scale.ts';
import type { Tool } from './tool.ts';

const ROUNDING = 1e-9;

/** Whether a torque lies in the part of its range for which a tool was kept at its last session; one without a band is kept for all of it. */
export const isInUsableBand = ({ calibration }: Pick<Tool, 'calibration'>, torque: NewtonMetres): boolean => {
  const usable = calibration?.usable;
  return (
    !usable ||
    (torque >= usable.lowNewtonMetres * (1 - ROUNDING) && torque <= usable.highNewtonMetres * (1 + ROUNDING))
  );
};

/** Whether a torque lies on a tool's scale and in its usable band. */
export const canShow = (tool: Pick<Tool, 'calibration' | 'scale'>, torque: NewtonMetres): boolean =>
  torque >= settingInNewtonMetres(tool.scale, tool.scale.minimum) &&
  torque <= settingInNewtonMetres(tool.scale, tool.scale.maximum) &&
  isInUsableBand(tool, torque);
