import { useState } from 'react';
import type { PlannedGroup } from '#core/job/plan.ts';
import type { Person } from '#core/people/person.ts';
import { type Adapter, adapterFactor, type MountedAdapter } from '#core/tool/adapter.ts';
import type { Tool } from '#core/tool/tool.ts';
import { fastenersIn } from '#core/view/group-work.ts';
import { toolsForGroup } from '#core/view/tools-for-group.ts';
import type { CribTool } from '#wire/tool.ts';
import { TOOL_KIND_WORDS, toolOutWords } from '#wire/words/tool.ts';
import { WhyDialog } from '../../kit/WhyDialog.tsx';
import type { OpenJob } from '../use-job.ts';
import { AdapterChoice } from './AdapterChoice.tsx';
import { BestTool } from './BestTool.tsx';
import { ToolsOut } from './ToolsOut.tsx';
import { canWords } from './tool-choice-words.ts';

export type PickerProps = {
  readonly job: OpenJob;
  readonly group: PlannedGroup;
  readonly tools: readonly CribTool[];
  readonly adapters: readonly Adapter[];
  readonly person: Person;
};

type Props = PickerProps & { readonly isBeside: boolean; readonly onTaken: () => void };

/** Which tool to take for a group and how to set it: the best one first with its scale, the others in order, and why the rest are out. */
export const ToolPicker = ({ job, group, tools, adapters, person, isBeside, onTaken }: Props) => {
  const { view, isReady } = job;
  const [chain, setChain] = useState<readonly MountedAdapter[]>([]);
  const [pending, setPending] = useState<Adapter | null>(null);
  const mayTake = isReady && pending === null;
  const [overriding, setOverriding] = useState<CribTool | null>(null);
  const total = fastenersIn(view, group).length;
  const [first] = chain;
  const factorOf = (tool: Tool): number => {
    const factor = adapterFactor(tool.leverMillimetres, chain);
    return factor.ok ? factor.value : 0;
  };
  const fitting = tools.filter(
    ({ tool }) => !first || (tool.drive === first.adapter.driveIn && factorOf(tool) > 0),
  );
  const candidates = fitting.map((each) => ({ ...each, standsAt: null }));
  const ranked = toolsForGroup(view, group, candidates, factorOf);
  const isUsable = ({ can, passesOut }: (typeof ranked)[number]): boolean =>
    can > 0 || passesOut.length < group.kind.passes.length - 1;
  const [best, ...others] = ranked.filter(isUsable);
  const take = (code: string, override: string | null): void => {
    const known = tools.find(({ tool }) => tool.code === code);
    if (!known) return;
    if (known.blocks.length > 0 && override === null) {
      setOverriding(known);
      return;
    }
    const { tool, blocks } = known;
    const body = { tool, adapters: chain, blocks, override, groups: [group.id], isBeside };
    const taken = job.happen({ kind: 'tool-chosen', body });
    setOverriding(null);
    if (taken.ok) onTaken();
  };
  return (
    <div className="grid gap-3">
      {best?.first && (
        <BestTool
          best={best}
          group={group}
          total={total}
          lastUsedAt={tools.find(({ tool }) => tool.id === best.tool.id)?.facts.lastUsedAt ?? null}
          mayTake={mayTake}
          onTake={() => take(best.tool.code, null)}
        />
      )}
      <AdapterChoice
        adapters={adapters}
        tool={best?.tool ?? ranked[0]?.tool ?? null}
        school={view.plan.schools.offsetAdapter}
        chain={chain}
        onChain={setChain}
        pending={pending}
        onPending={setPending}
      />
      {!best && (
        <p className="rounded-md border-2 border-low p-3" data-testid="no-tool">
          <strong>No tool you have can do this{first ? ' through these adapters' : ''}.</strong>
        </p>
      )}
      <ul className="grid gap-1">
        {(best?.first ? others : [...(best ? [best] : []), ...others]).map((fit) => (
          <li key={fit.tool.id} className="flex flex-wrap items-center gap-3 border-b border-rule py-1">
            <div className="min-w-0 flex-1">
              <strong>{fit.tool.code}</strong> · {TOOL_KIND_WORDS[fit.tool.kind]}
              <div className="text-s text-faint">{canWords(fit, group, total)}</div>
            </div>
            <button
              type="button"
              className="act-quiet"
              disabled={!mayTake}
              onClick={() => take(fit.tool.code, null)}
            >
              Take {fit.tool.code}
            </button>
          </li>
        ))}
      </ul>
      <ToolsOut
        out={ranked.filter((each) => !isUsable(each))}
        tools={tools}
        person={person}
        mayTake={mayTake}
        onTake={(code) => take(code, null)}
      />
      {overriding && (
        <WhyDialog
          title={`Use ${overriding.tool.code} all the same`}
          explanation={`${toolOutWords(overriding.blocks)}. The certificate shows it, with your name and this reason.`}
          action="Use it on this job"
          usual={['checked against another tool today', 'no other tool reaches']}
          onClose={() => setOverriding(null)}
          onDone={(why) => take(overriding.tool.code, why)}
        />
      )}
    </div>
  );
};
