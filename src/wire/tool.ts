import { z } from 'zod';
import { ADAPTER_KINDS, type Adapter, type MountedAdapter } from '#core/adapter/adapter.ts';
import type { ErrorPoint } from '#core/calibration/error-at.ts';
import { SCALE_FORMS, type Scale } from '#core/setting/scale.ts';
import { TOOL_CLASSES } from '#core/tool/class-limit.ts';
import { DIRECTIONS, TOOL_DRIVES, TOOL_KINDS, type Tool, type ToolCalibration } from '#core/tool/tool.ts';
import { TOOL_BLOCKS, type ToolFacts, type ToolLoan } from '#core/tool/tool-standing.ts';
import type { DeepReadonly } from './operation.ts';
import { daySchema, instantSchema, torqueUnitSchema, typedText } from './quantity.ts';

/** Largest value of a scale, in its own unit. */
export const SCALE_VALUE_MAX = 1e6;
const TORQUE_MAX_NEWTON_METRES = 1e5;

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

export const errorPointSchema = z.strictObject({
  torqueNewtonMetres: z.number().positive().max(TORQUE_MAX_NEWTON_METRES),
  errorPercent: z.number().min(-100).max(1000),
  deviationPercent: z.number().nonnegative().max(1000),
  expandedPercent: z.number().nonnegative().max(1000),
}) satisfies z.ZodType<ErrorPoint>;

const usableSchema = z.strictObject({
  lowNewtonMetres: z.number().positive().max(TORQUE_MAX_NEWTON_METRES),
  highNewtonMetres: z.number().positive().max(TORQUE_MAX_NEWTON_METRES),
});

const toolCalibrationSchema = z.strictObject({
  sessionId: z.uuid(),
  points: z.array(errorPointSchema).min(1).max(20),
  usable: usableSchema.nullable(),
}) satisfies z.ZodType<ToolCalibration>;

export const toolSchema = z
  .strictObject({
    id: z.uuid(),
    code: typedText(20),
    kind: z.enum(TOOL_KINDS),
    toolClass: z.enum(TOOL_CLASSES),
    serial: typedText(40),
    scale: scaleSchema,
    otherUnits: z.array(torqueUnitSchema).max(8),
    limitPercent: z.number().positive().max(50),
    limitOf: z.enum(['reading', 'full-scale']),
    drive: z.enum(TOOL_DRIVES),
    directions: z.array(z.enum(DIRECTIONS)).min(1).max(2),
    leverMillimetres: z.number().positive().max(2000).nullable(),
    openingMillimetres: z.number().positive().max(200).nullable(),
    restSetting: z.number().nonnegative().max(SCALE_VALUE_MAX),
    takenIntoUseOn: daySchema,
    calibratedOn: daySchema,
    calibrationDueOn: daySchema,
    dueAfterPulls: z.int().positive().max(1_000_000),
    calibration: toolCalibrationSchema.nullable(),
  })
  .meta({ id: 'Tool' }) satisfies z.ZodType<Tool>;

/** A tool as a person describes it; the site gives its id, its sessions what they found. `limitPercent` null takes the class's. */
export const newToolSchema = z.strictObject({
  ...toolSchema.omit({ id: true, limitPercent: true, calibration: true }).shape,
  limitPercent: z.number().positive().max(50).nullable().default(null),
});
export type NewTool = DeepReadonly<z.input<typeof newToolSchema>>;

export const adapterSchema = z
  .strictObject({
    id: z.uuid(),
    code: typedText(20),
    kind: z.enum(ADAPTER_KINDS),
    driveIn: z.enum(TOOL_DRIVES),
    driveOut: typedText(40),
    offsetMillimetres: z.number().nonnegative().max(1000),
  })
  .meta({ id: 'Adapter' }) satisfies z.ZodType<Adapter>;
export const newAdapterSchema = adapterSchema.omit({ id: true });

export const mountedAdapterSchema = z.strictObject({
  adapter: adapterSchema,
  angleDegrees: z.number().min(-180).max(180),
}) satisfies z.ZodType<MountedAdapter>;

export const toolBlockSchema = z.enum(TOOL_BLOCKS);

export const loanSchema = z.strictObject({
  to: typedText(80),
  since: daySchema,
  dueOn: daySchema,
  condition: typedText(200),
  proofOfPosting: z.string().trim().max(80),
}) satisfies z.ZodType<ToolLoan>;

export const toolFactsSchema = z.strictObject({
  pulls: z.int().nonnegative(),
  lastUsedAt: instantSchema.nullable(),
  quarantine: z.strictObject({ why: z.string(), at: instantSchema, by: z.string() }).nullable(),
  loan: loanSchema.nullable(),
  isRetired: z.boolean(),
}) satisfies z.ZodType<ToolFacts>;

/** A tool of the crib with what the crib knows of it, and what stands against using it today. */
export const cribToolSchema = z.strictObject({
  tool: toolSchema,
  facts: toolFactsSchema,
  blocks: z.array(toolBlockSchema),
});
export type CribTool = DeepReadonly<z.infer<typeof cribToolSchema>>;

export const TOOL_HAPPENINGS = [
  'dropped',
  'overloaded',
  'repaired',
  'lent',
  'returned',
  'retired',
  'note',
] as const;
/** Something that happened to a tool outside a job. */
export const toolHappeningSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.enum(['dropped', 'overloaded', 'repaired', 'note', 'retired']),
    why: typedText(300),
  }),
  z.strictObject({ kind: z.literal('lent'), loan: loanSchema }),
  z.strictObject({ kind: z.literal('returned'), condition: typedText(200), why: z.string().trim().max(300) }),
]);
export type ToolHappening = DeepReadonly<z.infer<typeof toolHappeningSchema>>;
