import { z } from 'zod';
import { writtenTorqueSchema } from '#core/quantity/torque.ts';
import { torqueUnitSchema } from '#core/quantity/unit.ts';
import { disagreementSchema } from '#core/spec/requirement/agreement.ts';
import { printedRequirementSchema } from '#core/spec/requirement/read-requirement.ts';
import { requirementSchema } from '#core/spec/requirement/requirement.ts';
import { DEFAULT_SCHOOLS, schoolsSchema } from '#core/target/schools.ts';
import { TOOL_CLASSES } from '#core/tool/class-limit.ts';
import { SCALE_VALUE_MAX, scaleSchema } from '#core/tool/scale.ts';
import { OUTCOMES } from '#core/verdict/tightening-verdict.ts';
import { quantitySchema } from './quantity.ts';

const siteUnit = torqueUnitSchema.default('N.m');
const schools = schoolsSchema.default(DEFAULT_SCHOOLS);
const resultUnit = torqueUnitSchema.default('N.m');

const intervalSchema = z.strictObject({
  target: quantitySchema,
  low: quantitySchema,
  high: quantitySchema,
});

export const parseTorqueRequest = z.strictObject({ text: printedRequirementSchema, siteUnit });
export const parseTorqueResponse = z.strictObject({
  printed: z.string(),
  requirement: requirementSchema,
  alsoPrinted: z.array(requirementSchema),
  disagreements: z.array(disagreementSchema),
});

export const convertRequest = z.strictObject({
  torque: quantitySchema,
  to: torqueUnitSchema,
  /** Significant digits of the torque as it was written; the answer's text is worth one more at most. */
  sourceDigits: z.int().min(1).max(15).default(4),
});
export const convertResponse = z.strictObject({ torque: quantitySchema, text: z.string() });

export const resolveRequirementRequest = z.strictObject({
  requirement: printedRequirementSchema,
  schools,
  siteUnit,
  toolLimitPercent: z.number().positive().max(20).nullable().default(null),
  unit: resultUnit,
});
export const resolveRequirementResponse = intervalSchema.extend({
  /** What is turned after the torque, in degrees, one step after the other; none where the source asks for no angle. */
  anglesDegrees: z.array(z.number()),
  steps: z.array(
    z.strictObject({
      gives: z.enum(['target', 'low', 'high']),
      rule: z.string(),
      school: z.string().nullable(),
      assumed: z.boolean(),
      ratio: z.number().nullable(),
      result: quantitySchema,
    }),
  ),
});

export const toolSettingRequest = intervalSchema.extend({
  scale: scaleSchema,
  standsAt: z.number().nonnegative().max(SCALE_VALUE_MAX).nullable().default(null),
  school: schoolsSchema.shape.betweenGraduations.default('nearest-inside'),
});
export const toolSettingResponse = z.strictObject({
  setting: writtenTorqueSchema,
  main: z.number(),
  sub: z.number(),
  turns: z.number(),
  offTargetNewtonMetres: z.number(),
});

export const verdictRequest = z.strictObject({
  reading: quantitySchema,
  low: quantitySchema,
  high: quantitySchema,
  /** Give the standard uncertainty, or the tool it follows from. */
  standardUncertainty: quantitySchema.nullable().default(null),
  tool: z
    .strictObject({
      toolClass: z.enum(TOOL_CLASSES),
      maximum: quantitySchema,
      graduation: quantitySchema,
    })
    .nullable()
    .default(null),
  decisionRule: schoolsSchema.shape.decisionRule.default('simple'),
  guardFactor: schoolsSchema.shape.guardFactor.default(1),
});
export const verdictResponse = z.strictObject({
  outcome: z.enum(OUTCOMES),
  probability: z.number().nullable(),
  standardUncertainty: quantitySchema,
});

export const conductorRequest = z.strictObject({ text: z.string().trim().min(1).max(60) });
export const conductorResponse = z.strictObject({
  printed: z.string(),
  system: z.enum(['AWG', 'kcmil', 'mm²']),
  areaSquareMillimetres: z.number(),
  areaKcmil: z.number(),
  diameterMillimetres: z.number(),
});
