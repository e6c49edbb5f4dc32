import { z } from 'zod';
import { type NewtonMetres, type TorqueUnit, toNewtonMetres, torqueUnitSchema } from '../quantity/unit.ts';
import { accepted, type Result, refused } from '../result.ts';

/** How a scale looks: a barrel over a shaft, a window with a counter, a dial or a beam with a pointer, a display, or a plain label. */
export const SCALE_FORMS = ['barrel', 'window', 'dial', 'beam', 'display', 'preset'] as const;
export type ScaleForm = (typeof SCALE_FORMS)[number];

/** The scale of a tool, in its own unit. On a barrel the main graduations stand on the shaft, one turn of the handle apart, and the others
 *  on the barrel that turns; on the other forms `perTurn` is the distance of the numbered graduations. A tool of one setting has its minimum,
 *  maximum and setting in one. */
export type Scale = {
  readonly form: ScaleForm;
  readonly unit: TorqueUnit;
  readonly minimum: number;
  readonly maximum: number;
  /** Torque of one full turn: the distance of main graduations. */
  readonly perTurn: number;
  /** Torque from one mark on the barrel to the next. */
  readonly graduation: number;
  /** Where the main graduations count from; some scales do not start them at the minimum. */
  readonly mainStart: number;
  /** The way the handle is turned to raise the setting, looking from the handle's end. */
  readonly raisedBy: 'clockwise' | 'anticlockwise';
};

export type ScaleRefusal =
  | { readonly code: 'scale-limits-reversed' }
  | { readonly code: 'scale-turn-not-whole-marks' }
  | { readonly code: 'scale-too-fine'; readonly mostMarks: number };

/** A setting as it looks on the tool, in the tool's unit. */
export type ScaleMarks = {
  /** The main graduation that shows, at or below the setting. */
  readonly main: number;
  /** What the barrel adds to it. */
  readonly sub: number;
};

/** Most marks a scale may have between its minimum and maximum. */
export const SCALE_MARKS_MAX = 5_000;
const DECIMALS = 9;

/** Undoes binary noise in decimal graduations (0.1 + 0.2), far below any graduation made. */
const decimal = (value: number): number => Number(value.toFixed(DECIMALS));

const isWholeCount = (value: number): boolean => Math.abs(value - Math.round(value)) < 1e-6;

/** Whether a scale can exist. Refuses: scale-limits-reversed, scale-turn-not-whole-marks, scale-too-fine. */
export const checkedScale = (scale: Scale): Result<Scale, ScaleRefusal> => {
  const { minimum, maximum, perTurn, graduation, form } = scale;
  if (form === 'preset')
    return minimum > 0 && maximum === minimum ? accepted(scale) : refused({ code: 'scale-limits-reversed' });
  if (!(minimum >= 0 && maximum > minimum)) return refused({ code: 'scale-limits-reversed' });
  if (!(graduation > 0 && perTurn >= graduation && isWholeCount(perTurn / graduation)))
    return refused({ code: 'scale-turn-not-whole-marks' });
  if ((maximum - minimum) / graduation > SCALE_MARKS_MAX)
    return refused({ code: 'scale-too-fine', mostMarks: SCALE_MARKS_MAX });
  return accepted(scale);
};

/** How a setting reads on the scale: main = start + ⌊(s − start)/turn⌋·turn, sub = s − main, less than a turn. In the
 *  tool's unit. */
export const scaleMarks = (scale: Scale, setting: number): ScaleMarks => {
  // Below the first main graduation the turns count from the minimum.
  const start = setting < scale.mainStart - 1e-9 ? scale.minimum : scale.mainStart;
  // A setting on a graduation may sit a hair below it in binary; a millionth of a turn is no graduation.
  const turns = Math.floor((setting - start) / scale.perTurn + 1e-6);
  const main = decimal(start + turns * scale.perTurn);
  return { main, sub: decimal(setting - main) };
};

/** The setting a scale shows, in the tool's unit: the inverse of scaleMarks. */
export const shownSetting = (marks: ScaleMarks): number => decimal(marks.main + marks.sub);

/** Turns of the handle from one setting to another; above zero raises the setting. */
export const turnsBetween = (scale: Scale, from: number, to: number): number =>
  decimal((to - from) / scale.perTurn);

/** Number of graduations from the minimum up to the maximum. */
export const graduationCount = (scale: Scale): number =>
  Math.floor((scale.maximum - scale.minimum) / scale.graduation + 1e-6);

/** The setting at a whole count of graduations above the minimum, in the tool's unit. */
export const settingAtGraduation = (scale: Scale, count: number): number =>
  decimal(scale.minimum + count * scale.graduation);

const decimalsOf = (value: number): number => String(decimal(value)).split('.')[1]?.length ?? 0;

/** Digits of a setting to the resolution of the scale, such as `22.0` on a scale of halves; as many as say its value exactly. */
export const settingText = (scale: Scale, setting: number): string =>
  scale.form === 'preset'
    ? String(decimal(setting))
    : setting.toFixed(Math.max(decimalsOf(scale.graduation), decimalsOf(scale.minimum)));

/** Newton metres of a setting. */
export const settingInNewtonMetres = (scale: Scale, setting: number): NewtonMetres =>
  toNewtonMetres(setting, scale.unit);

/** Largest value of a scale, in its own unit. */
export const SCALE_VALUE_MAX = 1e6;

export const scaleSchema = z
  .strictObject({
    form: z.enum(SCALE_FORMS),
    unit: torqueUnitSchema,
    minimum: z.number().nonnegative().max(SCALE_VALUE_MAX),
    maximum: z.number().positive().max(SCALE_VALUE_MAX),
    perTurn: z.number().positive().max(SCALE_VALUE_MAX),
    graduation: z.number().positive().max(SCALE_VALUE_MAX),
    mainStart: z.number().min(0).max(SCALE_VALUE_MAX),
    raisedBy: z.enum(['clockwise', 'anticlockwise']),
  })
  .meta({ id: 'Scale' }) satisfies z.ZodType<Scale>;
