import { fromNewtonMetres, type NewtonMetres } from '../quantity/unit.ts';
import { accepted, type Result, refused } from '../result.ts';
import type { Schools } from '../target/schools.ts';
import type { Target } from '../target/target-and-acceptance.ts';
import {
  graduationCount,
  type Scale,
  type ScaleMarks,
  scaleMarks,
  settingAtGraduation,
  settingInNewtonMetres,
  settingText,
  turnsBetween,
} from './scale.ts';

/** What to set a tool to for a target, and how its scale must look. */
export type ToolSetting = {
  /** In the tool's unit, on a graduation. */
  readonly setting: number;
  readonly text: string;
  readonly torque: NewtonMetres;
  readonly marks: ScaleMarks;
  /** Turns from where the tool stands; above zero raises the setting. */
  readonly turns: number;
  /** What rounding to a graduation costs: setting minus target. */
  readonly offTarget: NewtonMetres;
};

export type ToolSettingRefusal =
  | {
      readonly code: 'outside-tool-range';
      readonly target: number;
      readonly minimum: number;
      readonly maximum: number;
      readonly unit: Scale['unit'];
    }
  | {
      readonly code: 'no-graduation-inside';
      readonly below: number;
      readonly above: number;
      readonly unit: Scale['unit'];
    };

// Converting a printed limit to newton metres and back may miss it by a few units in the last place.
const isInside = (torque: NewtonMetres, { low, high }: Pick<Target, 'low' | 'high'>): boolean =>
  torque >= low * (1 - 1e-12) && torque <= high * (1 + 1e-12);

/** A tool of one setting: it fits when that lies inside acceptance, wherever the target is. */
const presetSetting = (
  wanted: Pick<Target, 'target' | 'low' | 'high'>,
  scale: Scale,
): Result<ToolSetting, ToolSettingRefusal> => {
  const { minimum: setting, unit } = scale;
  const torque = settingInNewtonMetres(scale, setting);
  if (!isInside(torque, wanted))
    return refused({ code: 'no-graduation-inside', below: setting, above: setting, unit });
  return accepted({
    setting,
    text: settingText(scale, setting),
    torque,
    marks: { main: setting, sub: 0 },
    turns: 0,
    offTarget: (torque - wanted.target) as NewtonMetres,
  });
};

/** The setting on a graduation for a target, by the school: the nearest one inside acceptance (the lower on a tie), or the one at
 *  or below the target. `standsAt` is where the tool stands now, in its unit.
 *  Refuses: outside-tool-range (target outside the scale, limits inclusive), no-graduation-inside. */
export const toolSetting = (
  wanted: Pick<Target, 'target' | 'low' | 'high'>,
  scale: Scale,
  school: Schools['betweenGraduations'],
  standsAt: number,
): Result<ToolSetting, ToolSettingRefusal> => {
  const target = fromNewtonMetres(wanted.target, scale.unit);
  const { minimum, maximum, unit, graduation } = scale;
  if (scale.form === 'preset') return presetSetting(wanted, scale);
  if (target < minimum - 1e-9 || target > maximum + 1e-9)
    return refused({ code: 'outside-tool-range', target, minimum, maximum, unit });
  const marks = (target - minimum) / graduation;
  const below = Math.max(0, Math.floor(marks + 1e-6));
  const above = Math.min(graduationCount(scale), Math.ceil(marks - 1e-6));
  const counts =
    school === 'the-one-below' || marks - below <= above - marks ? [below, above] : [above, below];
  const allowed = school === 'the-one-below' ? [below] : counts;
  const chosen = allowed
    .map((count) => settingAtGraduation(scale, count))
    .find((setting) => isInside(settingInNewtonMetres(scale, setting), wanted));
  if (chosen === undefined)
    return refused({
      code: 'no-graduation-inside',
      below: settingAtGraduation(scale, below),
      above: settingAtGraduation(scale, above),
      unit,
    });
  const torque = settingInNewtonMetres(scale, chosen);
  return accepted({
    setting: chosen,
    text: settingText(scale, chosen),
    torque,
    marks: scaleMarks(scale, chosen),
    turns: turnsBetween(scale, standsAt, chosen),
    offTarget: (torque - wanted.target) as NewtonMetres,
  });
};

/** What an electronic tool must be told before a pull, in its own unit. */
export type DialIn = {
  readonly unit: Scale['unit'];
  readonly target: number;
  readonly low: number;
  readonly high: number;
  /** How finely its display says it. */
  readonly graduation: number;
};

/** The list to dial in for a tool with a display, for limits as they are at the tool. */
export const dialIn = (
  { low, high }: Pick<Target, 'low' | 'high'>,
  wanted: Pick<ToolSetting, 'setting'>,
  { unit, graduation }: Scale,
): DialIn => ({
  unit,
  target: wanted.setting,
  low: fromNewtonMetres(low, unit),
  high: fromNewtonMetres(high, unit),
  graduation,
});
