import type { PlannedRequirement } from '../job/plan.ts';
import type { Judgement } from '../job/pull.ts';
import type { SignedHead } from '../job/signature.ts';
import type { JointKind } from '../joint/joint-kind.ts';
import type { Person } from '../people/person.ts';
import type { TorqueUnit } from '../quantity/unit.ts';
import type { Adapter } from '../tool/adapter.ts';
import type { Tool } from '../tool/tool.ts';
import type { ToolBlock } from '../tool/tool-blocks.ts';

/** The tool crib as the asker knows it, with what stands against each tool on the day. */
export type KnownCrib = {
  readonly tools: readonly { readonly tool: Tool; readonly blocks: readonly ToolBlock[] }[];
  readonly adapters: readonly Adapter[];
};

/** What a record names a tool by, with the unit it shows. */
export type ToolTag = Pick<Tool, 'code' | 'serial' | 'calibrationDueOn'> & { readonly unit: TorqueUnit };

/** What only the asker can know when something is decided. What counted of it stands in the event, so that anybody can decide again. */
export type Known = {
  /** Who does it, as the asker knows them. */
  readonly person: Person;
  /** Whether it has happened already: a pull that was made is recorded, one still to be made may be stopped. */
  readonly hasHappened: boolean;
  readonly crib: KnownCrib;
  /** What stands against a tool; nothing where the asker does not know it. */
  readonly blocksOf: (toolId: string) => readonly ToolBlock[];
  /** A tool of the crib; null where the asker does not know it. */
  readonly tagOf: (toolId: string) => ToolTag | null;
  /** Whether the spec book says what a requirement on the job says of it. */
  readonly isInBook: (requirement: PlannedRequirement) => boolean;
  /** Whether a kind of joint is one that the site plans with, as it stands there. */
  readonly isJointKind: (kind: JointKind) => boolean;
  /** Whether somebody works at the site, as they are named and entitled there. */
  readonly isPerson: (person: Person) => boolean;
  /** When it happened, as well as the asker knows it; null where they don't. */
  readonly at: string | null;
  /** Where the job's chain stands; null where the asker does not know. */
  readonly head: SignedHead | null;
  /** How a pull was judged where it was made; null before it is made, and where that is what stands. */
  readonly shown: Judgement | null;
};

/** What follows from knowing the crib. */
export const knowingCrib = (crib: KnownCrib): Pick<Known, 'crib' | 'blocksOf' | 'tagOf'> => {
  const byId = new Map(crib.tools.map((each) => [each.tool.id, each]));
  return {
    crib,
    blocksOf: (toolId) => byId.get(toolId)?.blocks ?? [],
    tagOf: (toolId) => {
      const tool = byId.get(toolId)?.tool;
      return tool ? { ...tool, unit: tool.scale.unit } : null;
    },
  };
};

/** Nothing known but who asks; what is said of the book is taken as it is. */
export const knowingNothing = (person: Person): Known => ({
  person,
  hasHappened: false,
  ...knowingCrib({ tools: [], adapters: [] }),
  isInBook: () => true,
  isJointKind: () => true,
  isPerson: () => true,
  at: null,
  head: null,
  shown: null,
});
