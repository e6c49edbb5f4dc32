import { z } from 'zod';
import { whySchema } from '../../bounds.ts';
import type { Known } from '../../command/known.ts';
import { GROUPS_MAX, groupIdSchema } from '../../job/plan.ts';
import type { JobRefusal } from '../../job/refusal.ts';
import { saysNothing } from '../../job/says-nothing.ts';
import { accepted, type Result, refused } from '../../result.ts';
import { requirementTarget } from '../../rules/requirement-target.ts';
import type { Rules } from '../../rules/rules.ts';
import { asksNoTorque } from '../../target/target-and-acceptance.ts';
import {
  adapterFactor,
  fittingChain,
  type MountedAdapter,
  mountedAdapterSchema,
} from '../../tool/adapter.ts';
import { type Tool, toolSchema } from '../../tool/tool.ts';
import { type ToolBlock, toolBlockSchema } from '../../tool/tool-blocks.ts';
import type { TakenTool } from '../../view/bench.ts';
import type { JobView } from '../../view/job-view.ts';
import { eventKind } from '../event-kind.ts';

export type ToolChosen = {
  readonly tool: Tool;
  /** What is put between the tool and the fasteners, from the tool outwards. */
  readonly adapters: readonly MountedAdapter[];
  /** What stands against the tool on the day. */
  readonly blocks: readonly ToolBlock[];
  /** Why a lead lets it be used all the same; null where nobody did. */
  readonly override: string | null;
  /** The groups it is taken for; null for all there are. */
  readonly groups: readonly string[] | null;
  /** Whether what was at hand for them stays beside it. */
  readonly isBeside: boolean;
};

export type ToolChoice = {
  readonly toolId: string;
  readonly toolCode: string;
  readonly adapters: readonly { readonly id: string; readonly code: string; readonly angleDegrees: number }[];
  readonly override: string | null;
  readonly groups: readonly string[] | null;
  readonly isBeside: boolean;
};

const mountedFrom = (said: ToolChoice, known: Known): Result<readonly MountedAdapter[], JobRefusal> => {
  const mounted: MountedAdapter[] = [];
  for (const { id, code, angleDegrees } of said.adapters) {
    const adapter = known.crib.adapters.find((each) => each.id === id);
    if (!adapter) return refused({ code: 'tool-changed', toolCode: code });
    mounted.push({ adapter, angleDegrees });
  }
  return accepted(mounted);
};

/** Whether every fastener it is taken for has a target with the tool's class. */
const targetProblem = (
  job: JobView,
  tool: Tool,
  groups: readonly string[] | null,
  rules: Rules,
): JobRefusal | null => {
  const { schools } = job.plan;
  const seen = new Set<unknown>();
  for (const { planned, runOn } of job.fasteners) {
    if (groups !== null && !groups.includes(planned.group)) continue;
    const key = runOn === null ? planned.requirement.printed : planned;
    if (seen.has(key) && planned.requirement.book === null && planned.requirement.readAs === null) continue;
    seen.add(key);
    const target = requirementTarget(planned.requirement, runOn, schools, tool.limitPercent, rules);
    if (!target.ok && !asksNoTorque(target.refusal)) return target.refusal;
  }
  return null;
};

const bodySchema: z.ZodType<ToolChosen> = z.strictObject({
  tool: toolSchema,
  adapters: z.array(mountedAdapterSchema).max(6),
  blocks: z.array(toolBlockSchema).max(6),
  override: whySchema.nullable(),
  groups: z.array(groupIdSchema).min(1).max(GROUPS_MAX).nullable(),
  isBeside: z.boolean(),
});

/** The tool taken in hand, with its adapters; fasteners not yet pulled get their acceptance with its class. */
export const toolChosen = eventKind({
  kind: 'tool-chosen',
  body: bodySchema,
  actions: ({ override }: ToolChoice) =>
    override === null ? ['work-on-job'] : ['work-on-job', 'override-tool'],
  says: ({ tool, adapters, override, groups, isBeside }: ToolChosen): ToolChoice => ({
    toolId: tool.id,
    toolCode: tool.code,
    adapters: adapters.map(({ adapter: { id, code }, angleDegrees }) => ({ id, code, angleDegrees })),
    override,
    groups,
    isBeside,
  }),
  knew: ({ tool, blocks, adapters }) => ({
    crib: { tools: [{ tool, blocks }], adapters: adapters.map(({ adapter }) => adapter) },
  }),
  /** Refuses: tool-changed (not in the crib so), tool-blocked (before it is taken, without a lead's override), why-missing, what fittingChain
   *  and adapterFactor refuse, and what the target refuses. A tool that was taken already is recorded with what stands against it. */
  decide: (job, said, known, rules) => {
    const found = known.crib.tools.find(({ tool }) => tool.id === said.toolId);
    if (!found) return refused({ code: 'tool-changed', toolCode: said.toolCode });
    const { tool, blocks } = found;
    const { groups, isBeside } = said;
    const unknown = groups?.find((id) => !job.plan.groups.some((group) => group.id === id));
    if (unknown !== undefined) return refused({ code: 'group-unknown', group: unknown });
    if (said.override === null && blocks.length > 0 && !known.hasHappened)
      return refused({ code: 'tool-blocked', toolCode: tool.code, blocks });
    if (said.override !== null && saysNothing(said.override)) return refused({ code: 'why-missing' });
    const mounted = mountedFrom(said, known);
    if (!mounted.ok) return mounted;
    const chain = fittingChain(tool.drive, mounted.value);
    if (!chain.ok) return chain;
    const factor = adapterFactor(tool.leverMillimetres, mounted.value);
    if (!factor.ok) return factor;
    const problem = targetProblem(job, tool, groups, rules);
    if (problem) return refused(problem);
    return accepted({ tool, adapters: mounted.value, blocks, override: said.override, groups, isBeside });
  },
  apply: {
    bench: (job, { body: { tool, adapters, blocks, override, groups, isBeside }, person }) => {
      const factor = adapterFactor(tool.leverMillimetres, adapters);
      const taken: TakenTool = {
        tool,
        adapters,
        // A chain that has no factor is refused before it becomes an event.
        adapterFactor: factor.ok ? factor.value : 1,
        unallowed: override === null ? blocks : [],
        foundSince: [],
        override: override === null ? null : { blocks, why: override, by: person.name },
        setting: null,
      };
      const toolsOf = new Map(job.toolsOf);
      for (const id of groups ?? job.plan.groups.map((group) => group.id)) {
        const beside = isBeside ? (toolsOf.get(id) ?? []).filter((other) => other !== tool.id) : [];
        toolsOf.set(id, [tool.id, ...beside]);
      }
      return { toolsOf, takenTools: new Map(job.takenTools).set(tool.id, taken) };
    },
  },
});
