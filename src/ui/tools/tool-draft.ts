import type { TorqueUnit } from '#core/quantity/unit.ts';
import type { ToolClass } from '#core/tool/class-limit.ts';
import { CALIBRATION_PULLS } from '#core/tool/due.ts';
import type { Scale, ScaleForm } from '#core/tool/scale.ts';
import type { SIGHTS, ToolDrive, ToolKind } from '#core/tool/tool.ts';
import type { NewTool } from '#wire/tool.ts';

/** A tool as it is being described, every field as typed. */
export type ToolDraft = Record<
  | 'code'
  | 'serial'
  | 'kind'
  | 'form'
  | 'unit'
  | 'minimum'
  | 'maximum'
  | 'perTurn'
  | 'graduation'
  | 'mainStart'
  | 'raisedBy'
  | 'drive'
  | 'directions'
  | 'lever'
  | 'opening'
  | 'sight'
  | 'rest'
  | 'limitPercent'
  | 'limitOf'
  | 'takenIntoUseOn'
  | 'calibratedOn'
  | 'calibrationDueOn'
  | 'dueAfterPulls',
  string
>;

export const EMPTY_TOOL: ToolDraft = {
  code: '',
  serial: '',
  kind: 'adjustable-screwdriver',
  form: 'barrel',
  unit: 'lbf.in',
  minimum: '',
  maximum: '',
  perTurn: '',
  graduation: '',
  mainStart: '',
  raisedBy: 'clockwise',
  drive: 'hex-1/4',
  directions: 'both',
  lever: '',
  opening: '',
  sight: 'raised',
  rest: '',
  limitPercent: '',
  limitOf: 'reading',
  takenIntoUseOn: '',
  calibratedOn: '',
  calibrationDueOn: '',
  dueAfterPulls: String(CALIBRATION_PULLS),
};

type Usual = { readonly toolClass: ToolClass; readonly form: ScaleForm; readonly drive: ToolDrive };
/** What is usual for a kind: its class, the form of its scale, its drive. Source of the classes: ISO 6789-1:2017, clause 4 (from memory). */
export const USUAL: Record<ToolKind, Usual> = {
  'adjustable-screwdriver': { toolClass: 'II-D', form: 'barrel', drive: 'hex-1/4' },
  'preset-screwdriver': { toolClass: 'II-E', form: 'preset', drive: 'hex-1/4' },
  'adjustable-click-wrench': { toolClass: 'II-A', form: 'barrel', drive: 'square-3/8' },
  'preset-click-wrench': { toolClass: 'II-B', form: 'preset', drive: 'square-3/8' },
  'break-over-wrench': { toolClass: 'II-A', form: 'barrel', drive: 'square-3/8' },
  'bending-beam': { toolClass: 'I-A', form: 'beam', drive: 'square-3/8' },
  dial: { toolClass: 'I-B', form: 'dial', drive: 'square-1/4' },
  electronic: { toolClass: 'I-C', form: 'display', drive: 'square-3/8' },
  'torque-limiting-key': { toolClass: 'II-E', form: 'preset', drive: 'hex-4mm' },
  'single-use-shear': { toolClass: 'II-E', form: 'preset', drive: 'hex-4mm' },
  'measuring-fixture': { toolClass: 'I-B', form: 'dial', drive: 'holds-the-part' },
};

const number = (text: string): number => Number(text.replace(',', '.'));
const orNull = (text: string): number | null => (text.trim() === '' ? null : number(text));

/** The scale of a draft. */
export const scaleOfDraft = (draft: ToolDraft): Scale => {
  const form = draft.form as ScaleForm;
  const minimum = number(draft.minimum);
  return {
    form,
    unit: draft.unit as TorqueUnit,
    minimum,
    maximum: form === 'preset' ? minimum : number(draft.maximum),
    perTurn: form === 'preset' ? 1 : number(draft.perTurn),
    graduation: form === 'preset' ? 1 : number(draft.graduation),
    mainStart: orNull(draft.mainStart) ?? minimum,
    raisedBy: draft.raisedBy === 'anticlockwise' ? 'anticlockwise' : 'clockwise',
  };
};

/** Whether a scale is read by a needle, which may seem to stand aside. */
export const hasNeedle = (form: string): boolean => form === 'dial' || form === 'beam';

/** The tool of a draft. */
export const toolOfDraft = (draft: ToolDraft): NewTool => {
  const kind = draft.kind as ToolKind;
  const scale = scaleOfDraft(draft);
  return {
    code: draft.code,
    kind,
    toolClass: USUAL[kind].toolClass,
    serial: draft.serial,
    scale,
    otherUnits: [],
    limitPercent: orNull(draft.limitPercent),
    limitOf: draft.limitOf === 'full-scale' ? 'full-scale' : 'reading',
    drive: draft.drive as ToolDrive,
    directions:
      draft.directions === 'both' ? ['right', 'left'] : [draft.directions === 'left' ? 'left' : 'right'],
    leverMillimetres: orNull(draft.lever),
    openingMillimetres: orNull(draft.opening),
    ...(hasNeedle(scale.form) ? { sight: draft.sight as (typeof SIGHTS)[number] } : {}),
    restSetting: orNull(draft.rest) ?? scale.minimum,
    takenIntoUseOn: draft.takenIntoUseOn || draft.calibratedOn,
    calibratedOn: draft.calibratedOn,
    calibrationDueOn: draft.calibrationDueOn,
    dueAfterPulls: number(draft.dueAfterPulls),
  };
};
