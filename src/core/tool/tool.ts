import { z } from 'zod';
import { daySchema, typedText } from '../bounds.ts';
import type { TorqueUnit } from '../quantity/unit.ts';
import { torqueUnitSchema } from '../quantity/unit.ts';
import type { ToolClass } from './class-limit.ts';
import { TOOL_CLASSES } from './class-limit.ts';
import type { ErrorPoint } from './known-error.ts';
import { errorPointSchema, TORQUE_MAX_NEWTON_METRES } from './known-error.ts';
import type { Scale } from './scale.ts';
import { SCALE_VALUE_MAX, scaleSchema } from './scale.ts';

/** Every kind of torque tool. */
export const TOOL_KINDS = [
  'adjustable-screwdriver',
  'preset-screwdriver',
  'adjustable-click-wrench',
  'preset-click-wrench',
  'break-over-wrench',
  'bending-beam',
  'dial',
  'electronic',
  'torque-limiting-key',
  'single-use-shear',
  'measuring-fixture',
] as const;
export type ToolKind = (typeof TOOL_KINDS)[number];

/** What a tool drives: the end that a bit or socket goes on, or a jaw that goes on the fastener itself. */
export const TOOL_DRIVES = [
  'hex-1/4',
  'hex-4mm',
  'square-1/4',
  'square-3/8',
  'square-1/2',
  'square-14x18',
  'open-jaw',
  'own-blade',
  'holds-the-part',
] as const;
export type ToolDrive = (typeof TOOL_DRIVES)[number];

export const DIRECTIONS = ['right', 'left'] as const;
/** The thread a tool can tighten. */
export type Direction = (typeof DIRECTIONS)[number];

export const SIGHTS = ['raised', 'mirror', 'plain'] as const;

/** What the last calibration session found, as far as a pull needs it. */
export type ToolCalibration = {
  readonly sessionId: string;
  readonly points: readonly ErrorPoint[];
  /** The band in which it may be used, in newton metres; null where the whole scale may. */
  readonly usable: { readonly lowNewtonMetres: number; readonly highNewtonMetres: number } | null;
};

/** A torque tool as a record states it: everything a verdict and a certificate need, frozen when it was chosen. */
export type Tool = {
  readonly id: string;
  /** What is written on the tool, such as `TS-07`. */
  readonly code: string;
  readonly kind: ToolKind;
  readonly toolClass: ToolClass;
  readonly serial: string;
  readonly scale: Scale;
  /** Units it can also show. */
  readonly otherUnits: readonly TorqueUnit[];
  /** Maximum permissible deviation, in percent of the reading or of full scale. */
  readonly limitPercent: number;
  readonly limitOf: 'reading' | 'full-scale';
  readonly drive: ToolDrive;
  readonly directions: readonly Direction[];
  /** Drive centre to the marked grip point, in millimetres; null for a tool that is turned about its own axis. */
  readonly leverMillimetres: number | null;
  /** Opening of an open jaw, in millimetres; null for other drives. */
  readonly openingMillimetres: number | null;
  /** Where it is wound down to after use, in its unit. */
  readonly restSetting: number;
  /** ISO dates, such as `2026-03-02`. */
  readonly takenIntoUseOn: string;
  readonly calibratedOn: string;
  readonly calibrationDueOn: string;
  /** Pulls after which it is due, whichever is first. */
  readonly dueAfterPulls: number;
  readonly calibration: ToolCalibration | null;
  /** How a needle is read: standing above its scale, before a mirror, or in plain view; taken as raised where nobody said. */
  readonly sight?: (typeof SIGHTS)[number] | undefined;
};

/** Tools that show a torque instead of being set to one. */
const INDICATING: ReadonlySet<ToolKind> = new Set([
  'bending-beam',
  'dial',
  'electronic',
  'measuring-fixture',
]);

/** Whether a tool shows the torque it applies (Type I) rather than giving way at a setting (Type II).
 *  Source: ISO 6789-1:2017, clause 4 (from memory). */
export const isIndicating = ({ kind }: Pick<Tool, 'kind'>): boolean => INDICATING.has(kind);

/** Whether a tool may keep in a memory what it read: a needle keeps nothing. */
export const mayKeepReadings = ({ kind }: Pick<Tool, 'kind'>): boolean =>
  kind === 'electronic' || kind === 'measuring-fixture';

/** Whether a device is a tool: by the serial number that is marked on it, or by the code that the workshop gave it. */
export const isDeviceOf = ({ serial, code }: Pick<Tool, 'serial' | 'code'>, device: string): boolean =>
  device === serial || device === code;

const FIXED: ReadonlySet<ToolKind> = new Set([
  'preset-screwdriver',
  'preset-click-wrench',
  'torque-limiting-key',
  'single-use-shear',
]);

/** Whether a tool has one setting that is not changed on the bench. */
export const isPreset = ({ kind }: Pick<Tool, 'kind'>): boolean => FIXED.has(kind);

/** Whether a tool's calibration has run out on a day; the due day itself still counts. Both ISO dates. */
export const isOverdue = (tool: Pick<Tool, 'calibrationDueOn'>, onDate: string): boolean =>
  onDate > tool.calibrationDueOn;

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
    sight: z.enum(SIGHTS).optional(),
  })
  .meta({ id: 'Tool' }) satisfies z.ZodType<Tool>;
