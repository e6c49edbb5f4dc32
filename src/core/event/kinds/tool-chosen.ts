import { z } from 'zod';
import {
  adapterFactor,
  fittingChain,
  type MountedAdapter,
  mountedAdapterSchema,
} from '../../adapter/adapter.ts';
import { whySchema } from '../../bounds.ts';
import type { Known } from '../../command/known.ts';
import type { JobRefusal } from '../../job/refusal.ts';
import { accepted, type Result, refused } from '../../result.ts';
import type { Rules } from '../../rules/rules.ts';
import { type Tool, toolSchema } from '../../tool/tool.ts';
import { type ToolBlock, toolBlockSchema } from '../../tool/tool-standing.ts';
import type { TakenTool } from '../../view/bench.ts';
import { targetOnJob } from '../../view/fastener-target.ts';
import type { JobView } from '../../view/job-view.ts';
import { eventKind } from '../event-kind.ts';
import { saysNothing } from '../says-nothing.ts';

export type ToolChosen = {
  readonly tool: Tool;
  /** What is put between the tool and the fasteners, from the tool outwards. */
  readonly adapters: readonly MountedAdapter[];
  /** What stands against the tool on the day. */
  readonly blocks: readonly ToolBlock[];
  /** Why a lead lets it be used all the same; null where nobody did. */
  readonly override: string | null;
};

export type ToolChoice = {
  readonly toolId: string;
  readonly toolCode: string;
  readonly adapters: readonly { readonly id: string; readonly code: string; readonly angleDegrees: number }[];
  readonly override: string | null;
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

/** Whether every fastener has a target with the tool's class. */
const targetProblem = (job: JobView, tool: Tool, rules: Rules): JobRefusal | null => {
  const { schools } = job.plan;
  const seen = new Set<unknown>();
  for (const { planned, runOn } of job.fasteners) {
    const key = runOn === null ? planned.requirement.printed : planned;
    if (seen.has(key) && planned.requirement.book === null && planned.requirement.readAs === null) continue;
    seen.add(key);
    const target = targetOnJob(planned.requirement, runOn, schools, tool.limitPercent, rules);
    if (!target.ok) return target.refusal;
  }
  return null;
};

const bodySchema: z.ZodType<ToolChosen> = z.strictObject({
  tool: toolSchema,
  adapters: z.array(mountedAdapterSchema).max(6),
  blocks: z.array(toolBlockSchema).max(6),
  override: whySchema.nullable(),
});

/** The tool taken in hand, with its adapters; fasteners not yet pulled get their acceptance with its class. */
export const toolChosen = eventKind({
  kind: 'tool-chosen',
  body: bodySchema,
  actions: ({ override }: ToolChoice) =>
    override === null ? ['work-on-job'] : ['work-on-job', 'override-tool'],
  says: ({ tool, adapters, override }: ToolChosen): ToolChoice => ({
    toolId: tool.id,
    toolCode: tool.code,
    adapters: adapters.map(({ adapter: { id, code }, angleDegrees }) => ({ id, code, angleDegrees })),
    override,
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
    if (said.override === null && blocks.length > 0 && !known.hasHappened)
      return refused({ code: 'tool-blocked', toolCode: tool.code, blocks });
    if (said.override !== null && saysNothing(said.override)) return refused({ code: 'why-missing' });
    const mounted = mountedFrom(said, known);
    if (!mounted.ok) return mounted;
    const chain = fittingChain(tool.drive, mounted.value);
    if (!chain.ok) return chain;
    const factor = adapterFactor(tool.leverMillimetres, mounted.value);
    if (!factor.ok) return factor;
    const problem = targetProblem(job, tool, rules);
    if (problem) return refused(problem);
    return accepted({ tool, adapters: mounted.value, blocks, override: said.override });
  },
  apply: {
    bench: (job, { body: { tool, adapters, blocks, override }, person }) => {
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
      const { unallowed: _, foundSince: __, ...inHand } = taken;
      return { ...inHand, takenTools: new Map(job.takenTools).set(tool.id, taken) };
    },
  },
});
