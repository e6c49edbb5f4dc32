import { z } from 'zod';
import { typedText } from '../bounds.ts';
import type { Shape } from '../shape.ts';
import { type JobPlan, jobPlanSchema } from './plan.ts';

/** What of a job's plan is the same whenever the assembly is worked again. */
export const assemblySchema = jobPlanSchema.pick({ source: true, groups: true, fasteners: true });
/** An assembly as it was planned once: where its values are printed, its groups and its fasteners. */
export type Assembly = Shape<typeof assemblySchema>;

export const TEMPLATE_TITLE_MAX = 120;

export const templateSchema = z.strictObject({
  id: z.uuid(),
  title: typedText(TEMPLATE_TITLE_MAX),
  /** The job whose plan it is. */
  fromJob: z.uuid(),
  assembly: assemblySchema,
});
/** An assembly to open jobs from. Changing it makes another revision; jobs keep the plan they were opened with. */
export type Template = Shape<typeof templateSchema>;

/** The assembly in a job's plan. */
export const assemblyOf = ({ source, groups, fasteners }: JobPlan): Assembly => ({
  source,
  groups,
  fasteners,
});

/** An assembly without the parts it was made with: whoever works it the next time has others in hand. */
export const withoutParts = (assembly: Assembly): Assembly => ({
  ...assembly,
  groups: assembly.groups.map((group) => ({ ...group, parts: [] })),
  fasteners: assembly.fasteners.map((fastener) => ({ ...fastener, part: '' })),
});

/** The codes of the parts that an assembly names, each once. */
export const partsIn = ({ groups }: Pick<Assembly, 'groups'>): readonly string[] => [
  ...new Set(groups.flatMap(({ parts }) => parts.map(({ code }) => code))),
];
