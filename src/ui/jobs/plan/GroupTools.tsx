import { useState } from 'react';
import { ToolAtHand } from './ToolAtHand.tsx';
import { type PickerProps, ToolPicker } from './ToolPicker.tsx';

/** The tools at hand for a group, and the way to another one, in their place or beside them. */
export const GroupTools = (props: PickerProps) => {
  const { job, group, tools } = props;
  const { view, isReady } = job;
  const [picking, setPicking] = useState<'instead' | 'beside' | null>(null);
  const atHand = (view.toolsOf.get(group.id) ?? []).flatMap((id) => view.takenTools.get(id) ?? []);
  if (tools.length === 0 && atHand.length === 0)
    return (
      <p>
        The crib is empty. <a href="/tools">Add the tool you have in your hand</a>, then come back.
      </p>
    );
  if (picking || atHand.length === 0)
    return <ToolPicker {...props} isBeside={picking === 'beside'} onTaken={() => setPicking(null)} />;
  const isFound = atHand.some(({ foundSince }) => foundSince.length > 0);
  return (
    <div className="grid gap-2">
      {atHand.map((taken) => (
        <ToolAtHand key={taken.tool.id} taken={taken} />
      ))}
      {view.signatures.length === 0 && (
        <div className="flex flex-wrap gap-2">
          <button
            type="button"
            className={isFound ? 'act' : 'act-quiet'}
            disabled={!isReady}
            onClick={() => setPicking('instead')}
          >
            Take another tool
          </button>
          <button
            type="button"
            className="act-quiet"
            disabled={!isReady}
            onClick={() => setPicking('beside')}
          >
            Take one beside {atHand.length === 1 ? 'it' : 'them'}
          </button>
        </div>
      )}
    </div>
  );
};
