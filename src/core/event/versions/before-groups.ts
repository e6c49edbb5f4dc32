import { z } from 'zod';
import { positionSchema, whySchema } from '../../bounds.ts';
import { plannedRequirementSchema } from '../../job/plan.ts';
import { writtenTorqueSchema } from '../../quantity/torque.ts';
import { mountedAdapterSchema } from '../../tool/adapter.ts';
import { toolSchema } from '../../tool/tool.ts';
import { toolBlockSchema } from '../../tool/tool-blocks.ts';
import { CAUTION_IDS } from './plan-2.ts';

/** A tool as it was chosen for a whole job: all that is at hand, instead of the one before. */
export const toolChosenSchema2 = z.strictObject({
  tool: toolSchema,
  adapters: z.array(mountedAdapterSchema).max(6),
  blocks: z.array(toolBlockSchema).max(6),
  override: whySchema.nullable(),
});

const atPosition = z.strictObject({ position: positionSchema });

/** What versions 1 and 2, whose plans had no groups, say in the same form. */
export const BEFORE_GROUPS = [
  ['tool-chosen', toolChosenSchema2],
  ['cautions-confirmed', z.strictObject({ cautions: z.array(z.enum(CAUTION_IDS)).max(CAUTION_IDS.length) })],
  ['tool-set', z.strictObject({ toolId: z.uuid(), setting: writtenTorqueSchema })],
  ['pull-voided', z.strictObject({ pullId: z.uuid(), why: whySchema })],
  ['fastener-loosened', atPosition],
  ['witness-marked', atPosition],
  ['left-open', z.strictObject({ position: positionSchema, why: whySchema })],
  [
    'requirement-moved',
    z.strictObject({ position: positionSchema, requirement: plannedRequirementSchema, why: whySchema }),
  ],
  ['run-on-measured', z.strictObject({ position: positionSchema, torque: writtenTorqueSchema })],
  ['job-reopened', z.strictObject({ why: whySchema })],
] as const satisfies readonly (readonly [string, z.ZodType])[];
