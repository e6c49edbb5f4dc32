import { z } from 'zod';
import type { Scale } from '#core/setting/scale.ts';
import { TOOL_CLASSES } from '#core/tool/class-limit.ts';
import { TOOL_KINDS, type Tool } from '#core/tool/tool.ts';
import { daySchema, torqueUnitSchema, typedText } from './quantity.ts';

const SCALE_VALUE_MAX = 1e6;

export const scaleSchema = z
  .strictObject({
    unit: torqueUnitSchema,
    minimum: z.number().nonnegative().max(SCALE_VALUE_MAX),
    maximum: z.number().positive().max(SCALE_VALUE_MAX),
    perTurn: z.number().positive().max(SCALE_VALUE_MAX),
    graduation: z.number().positive().max(SCALE_VALUE_MAX),
    mainStart: z.number().min(0).max(SCALE_VALUE_MAX),
    raisedBy: z.enum(['clockwise', 'anticlockwise']),
  })
  .meta({ id: 'Scale' }) satisfies z.ZodType<Scale>;

export const toolSchema = z
  .strictObject({
    id: z.uuid(),
    code: typedText(20),
    kind: z.enum(TOOL_KINDS),
    toolClass: z.enum(TOOL_CLASSES),
    serial: typedText(40),
    scale: scaleSchema,
    limitPercent: z.number().positive().max(20),
    calibratedOn: daySchema,
    calibrationDueOn: daySchema,
  })
  .meta({ id: 'Tool' }) satisfies z.ZodType<Tool>;

/** A tool as a person describes it; its class gives the limit, the site its id. */
export const newToolSchema = toolSchema.omit({ id: true, limitPercent: true });
export type NewTool = z.infer<typeof newToolSchema>;
