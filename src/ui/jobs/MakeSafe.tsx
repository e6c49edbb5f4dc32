import { useState } from 'react';
import { type CautionId, cautionsFor } from '#core/job/cautions.ts';
import type { JobPlan } from '#core/job/plan.ts';
import { CAUTION_WORDS } from '#wire/words/cautions.ts';
import { Dialog } from '../shared/Dialog.tsx';

type Props = {
  readonly jobKind: JobPlan['jobKind'];
  readonly person: string;
  readonly onConfirm: (cautions: readonly CautionId[]) => void;
  readonly onClose: () => void;
};

/** The cautions of a kind of job, ticked one by one before the first pull. The record says who confirmed them. */
export const MakeSafe = ({ jobKind, person, onConfirm, onClose }: Props) => {
  const cautions = cautionsFor(jobKind);
  const [ticked, setTicked] = useState<ReadonlySet<CautionId>>(new Set());
  const tick = (caution: CautionId): void => {
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
          {cautions.map((caution) => (
            <label
              key={caution}
              className="flex min-h-14 items-center gap-3 rounded-md border border-rule px-3 py-1"
            >
              <input
                type="checkbox"
                className="size-6 shrink-0 accent-layout"
                checked={ticked.has(caution)}
                onChange={() => tick(caution)}
              />
              <span>
                <strong>{CAUTION_WORDS[caution].title}.</strong>{' '}
                <span className="text-faint">{CAUTION_WORDS[caution].detail}</span>
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
