import { z } from 'zod';
import { typedText } from '#core/bounds.ts';
import { adapterSchema } from '#core/tool/adapter.ts';
import { toolSchema } from '#core/tool/tool.ts';
import { loanSchema, toolBlockSchema, toolFactsSchema } from '#core/tool/tool-blocks.ts';
import type { DeepReadonly } from './operation.ts';

/** A tool as a person describes it; the site gives its id, its sessions what they found. `limitPercent` null takes the class's. */
export const newToolSchema = z.strictObject({
  ...toolSchema.omit({ id: true, limitPercent: true, calibration: true }).shape,
  limitPercent: z.number().positive().max(50).nullable().default(null),
});
export type NewTool = DeepReadonly<z.input<typeof newToolSchema>>;

export const newAdapterSchema = adapterSchema.omit({ id: true });

/** A tool of the crib with what the crib knows of it, and what stands against using it today. */
export const cribToolSchema = z.strictObject({
  tool: toolSchema,
  facts: toolFactsSchema,
  blocks: z.array(toolBlockSchema),
});
export type CribTool = DeepReadonly<z.infer<typeof cribToolSchema>>;
/** Something that happened to a tool outside a job. */
export const toolReportSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.enum(['dropped', 'overloaded', 'repaired', 'note', 'retired']),
    why: typedText(300),
  }),
  z.strictObject({ kind: z.literal('lent'), loan: loanSchema }),
  z.strictObject({ kind: z.literal('returned'), condition: typedText(200), why: z.string().trim().max(300) }),
]);
export type ToolReport = DeepReadonly<z.infer<typeof toolReportSchema>>;
