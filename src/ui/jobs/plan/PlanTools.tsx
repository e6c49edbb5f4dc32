import { fastenersIn } from '#core/view/group-work.ts';
import { toolGaps } from '#core/view/tools-for-group.ts';
import { ORDER_WORDS } from '#wire/words/order.ts';
import { GapLine } from './GapLine.tsx';
import { GroupTools } from './GroupTools.tsx';
import type { PickerProps } from './ToolPicker.tsx';

const MOST_GAPS = 4;

const toolHeading = (tools: number, isAfterTitle: boolean): string => {
  if (tools > 1) return isAfterTitle ? 'the tools' : 'The tools';
  if (tools === 1) return isAfterTitle ? 'the tool' : 'The tool';
  return isAfterTitle ? 'which tool' : 'Which tool';
};

/** The tools of a job, group by group in their order, and what no tool at hand can do, said before the first pull. */
export const PlanTools = (props: Omit<PickerProps, 'group'>) => {
  const { view } = props.job;
  const { groups } = view.plan;
  const candidates = props.tools.map((each) => ({ ...each, standsAt: null }));
  const gaps = props.tools.length > 0 && view.signatures.length === 0 ? toolGaps(view, candidates) : [];
  return (
    <div className="grid gap-4">
      {gaps.length > 0 && (
        <div className="grid gap-2 rounded-md border-2 border-low p-3" role="alert" data-testid="tool-gaps">
          {gaps.slice(0, MOST_GAPS).map((gap) => (
            <GapLine key={`${gap.group.id} ${gap.pass} ${gap.positions[0]}`} gap={gap} {...props} />
          ))}
          {gaps.length > MOST_GAPS && <p>and {gaps.length - MOST_GAPS} more.</p>}
        </div>
      )}
      {groups.map((group, index) => {
        const atHand = (view.toolsOf.get(group.id) ?? []).length;
        const count = fastenersIn(view, group).length;
        return (
          <section key={group.id} className="panel p-4" aria-label={`Tools for ${group.title}`}>
            <h2 className="text-l font-bold">
              {groups.length > 1 && `${index + 1} ${group.title}: `}
              {toolHeading(atHand, groups.length > 1)}
            </h2>
            <p className="mb-2 text-s text-faint">
              {group.kind.name} · {count}{' '}
              {count === 1 ? group.kind.words.fastener : group.kind.words.fasteners}
              {count > 1 && ` ${ORDER_WORDS[group.kind.order]}`}
              {group.kind.passes.length > 1 && ` · ${group.kind.passes.length} passes`}
              {group.kind.roundsUntilStill && ', then rounds until nothing moves'}
            </p>
            <GroupTools {...props} group={group} />
          </section>
        );
      })}
    </div>
  );
};
