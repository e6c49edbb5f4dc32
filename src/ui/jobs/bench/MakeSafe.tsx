import { useState } from 'react';
import type { JobPlan } from '#core/job/plan.ts';
import { cautionsOf } from '#core/view/due-steps.ts';
import { Dialog } from '../../shared/Dialog.tsx';

type Props = {
  readonly plan: JobPlan;
  readonly person: string;
  readonly onConfirm: (cautions: readonly string[]) => void;
  readonly onClose: () => void;
};

/** The cautions of a job's kinds of joint, ticked one by one before the first pull. The record says who confirmed them. */
export const MakeSafe = ({ plan, person, onConfirm, onClose }: Props) => {
  const cautions = cautionsOf(plan);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const tick = (caution: string): void => {
    const next = new Set(ticked);
    if (!next.delete(caution)) next.add(caution);
    setTicked(next);
  };
  const left = cautions.length - ticked.size;
  return (
    <Dialog title="Make safe" onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          onConfirm([...ticked]);
        }}
      >
        <p className="mb-3 text-m">
          Jentik replaces no lock, no meter and no licensed person. Local codes and the maker’s instructions
          come first. Tick each as you have done it; the record names you, {person}.
        </p>
        <div className="grid gap-1">
          {cautions.map(({ id, title, detail }) => (
            <label
              key={id}
              className="flex min-h-14 items-center gap-3 rounded-md border border-rule px-3 py-1"
            >
              <input
                type="checkbox"
                className="size-6 shrink-0 accent-layout"
                checked={ticked.has(id)}
                onChange={() => tick(id)}
              />
              <span>
                <strong>{title}.</strong> <span className="text-faint">{detail}</span>
              </span>
            </label>
          ))}
        </div>
        <button type="submit" disabled={left > 0} className="act mt-4 min-h-14 w-full text-l">
          {left > 0 ? `${left} still to tick` : `All done: I confirm, ${person}`}
        </button>
      </form>
    </Dialog>
  );
};
