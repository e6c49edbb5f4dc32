import { z } from 'zod';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import type { ToolClass } from '#core/tool/class-limit.ts';
import { CALIBRATION_PULLS } from '#core/tool/due.ts';
import { checkedScale, type Scale, type ScaleForm } from '#core/tool/scale.ts';
import { isIndicating, type SIGHTS, type ToolDrive, type ToolKind } from '#core/tool/tool.ts';
import { problemWords } from '#wire/problems/en.ts';
import { type NewTool, newToolSchema } from '#wire/tool.ts';
import { fieldWords } from '../kit/form/field-words.ts';

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

/** What is usual for a kind, and what it has that must be asked. */
type Usual = {
  readonly toolClass: ToolClass;
  readonly drive: ToolDrive;
  /** The forms its scale may have; the first is usual, and where there is one it is not asked. */
  readonly forms: readonly [ScaleForm, ...ScaleForm[]];
  /** Whether a hand pulls at a lever, whose length then counts. */
  readonly hasLever: boolean;
};
/** Source of the classes: ISO 6789-1:2017, clause 4 (from memory). Forms and levers: common practice. */
export const USUAL: Record<ToolKind, Usual> = {
  'adjustable-screwdriver': {
    toolClass: 'II-D',
    forms: ['barrel', 'window'],
    drive: 'hex-1/4',
    hasLever: false,
  },
  'preset-screwdriver': { toolClass: 'II-E', forms: ['preset'], drive: 'hex-1/4', hasLever: false },
  'adjustable-click-wrench': {
    toolClass: 'II-A',
    forms: ['barrel', 'window'],
    drive: 'square-3/8',
    hasLever: true,
  },
  'preset-click-wrench': { toolClass: 'II-B', forms: ['preset'], drive: 'square-3/8', hasLever: true },
  'break-over-wrench': {
    toolClass: 'II-A',
    forms: ['barrel', 'window', 'preset'],
    drive: 'square-3/8',
    hasLever: true,
  },
  'bending-beam': { toolClass: 'I-A', forms: ['beam'], drive: 'square-3/8', hasLever: true },
  dial: { toolClass: 'I-B', forms: ['dial'], drive: 'square-1/4', hasLever: true },
  electronic: { toolClass: 'I-C', forms: ['display'], drive: 'square-3/8', hasLever: true },
  'torque-limiting-key': { toolClass: 'II-E', forms: ['preset'], drive: 'hex-4mm', hasLever: false },
  'single-use-shear': { toolClass: 'II-E', forms: ['preset'], drive: 'hex-4mm', hasLever: false },
  'measuring-fixture': {
    toolClass: 'I-B',
    forms: ['dial', 'display'],
    drive: 'holds-the-part',
    hasLever: false,
  },
};

/** What the scale of a form is called where one is chosen. */
export const FORM_WORDS: Record<ScaleForm, string> = {
  barrel: 'a barrel over a shaft',
  window: 'a window',
  dial: 'a dial',
  beam: 'a beam with a pointer',
  display: 'a display',
  preset: 'a label, one setting',
};

/** Which fields a draft's tool has. What it has not is neither asked nor sent. */
export const askedOf = (draft: Pick<ToolDraft, 'kind' | 'form' | 'drive'>) => {
  const kind = draft.kind as ToolKind;
  const isPreset = draft.form === 'preset';
  const isSet = !isPreset && !isIndicating({ kind });
  return {
    form: USUAL[kind].forms.length > 1,
    range: !isPreset,
    barrel: draft.form === 'barrel',
    sight: hasNeedle(draft.form),
    rest: isSet,
    lever: USUAL[kind].hasLever,
    opening: draft.drive === 'open-jaw',
  };
};

// Nothing typed is no number, and not naught.
const number = (text: string): number => (text.trim() === '' ? Number.NaN : Number(text.replace(',', '.')));
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
  const asked = askedOf(draft);
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
    leverMillimetres: asked.lever ? orNull(draft.lever) : null,
    openingMillimetres: asked.opening ? orNull(draft.opening) : null,
    ...(hasNeedle(scale.form) ? { sight: draft.sight as (typeof SIGHTS)[number] } : {}),
    restSetting: (asked.rest ? orNull(draft.rest) : null) ?? scale.minimum,
    takenIntoUseOn: draft.takenIntoUseOn || draft.calibratedOn,
    calibratedOn: draft.calibratedOn,
    calibrationDueOn: draft.calibrationDueOn,
    dueAfterPulls: number(draft.dueAfterPulls),
  };
};

/** Where a tool's part was typed. */
const TYPED_IN: Readonly<Record<string, keyof ToolDraft>> = {
  leverMillimetres: 'lever',
  openingMillimetres: 'opening',
  restSetting: 'rest',
  toolClass: 'kind',
};

const typedIn = (path: readonly PropertyKey[], isPreset: boolean): keyof ToolDraft => {
  const name = String(path[0] === 'scale' ? (path[1] ?? 'graduation') : path[0]);
  // A preset tool has one setting, which is both ends of its scale.
  if (isPreset && name === 'maximum') return 'minimum';
  return TYPED_IN[name] ?? (name in EMPTY_TOOL ? (name as keyof ToolDraft) : 'code');
};

/** A draft as the form holds it, turned into the tool that is sent; what can't be taken is said at the field it was typed in. */
export const toolDraftSchema: z.ZodType<z.output<typeof newToolSchema>, ToolDraft> = z
  .custom<ToolDraft>()
  .transform((draft, context) => {
    const tool = newToolSchema.safeParse(toolOfDraft(draft), { error: fieldWords });
    const scale = checkedScale(scaleOfDraft(draft));
    for (const { path, message } of tool.error?.issues ?? [])
      context.addIssue({ code: 'custom', path: [typedIn(path, draft.form === 'preset')], message });
    if (tool.success && !scale.ok)
      context.addIssue({
        code: 'custom',
        path: [draft.form === 'preset' ? 'minimum' : 'graduation'],
        message: `${problemWords(scale.refusal).cause} ${problemWords(scale.refusal).fix}`,
      });
    return tool.success && scale.ok ? tool.data : z.NEVER;
  });
