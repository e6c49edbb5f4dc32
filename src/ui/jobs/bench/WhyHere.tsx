import { lazy, useState } from 'react';
import type { FastenerView } from '#core/view/bench.ts';
import type { JobView } from '#core/view/job-view.ts';
import { Later } from '../../kit/Later.tsx';
import { loadWhy } from './later.ts';

const Why = lazy(loadWhy);

type Props = { readonly fastener: FastenerView; readonly view: JobView };

/** How the target in front came about, once it is asked for. */
export const WhyHere = ({ fastener, view }: Props) => {
  const [isOpen, setOpen] = useState(false);
  return (
    <details
      className="inline-block open:block"
      onToggle={({ currentTarget }) => setOpen(currentTarget.open)}
    >
      <summary className="inline cursor-pointer py-2 text-layout underline underline-offset-3">why</summary>
      {isOpen && (
        <div className="mt-2 rounded-md border border-rule p-3">
          <Later>
            <Why fastener={fastener} job={view} />
          </Later>
        </div>
      )}
    </details>
  );
};
