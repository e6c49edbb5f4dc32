import { memo } from 'react';
import { fastenerAt } from '#core/view/bench.ts';
import type { JobView } from '#core/view/job-view.ts';
import { openItems } from '#core/view/open-items.ts';
import { nextPass } from '#core/view/passes.ts';
import { STATUS_WORDS } from '#wire/words/verdict.ts';
import { StatusIcon } from '../../shared/StatusIcon.tsx';
import { requirementView } from '../requirement-view.ts';

type Props = {
  readonly view: JobView;
  readonly coming: readonly string[];
  readonly onChoose: (position: string) => void;
};

const COMING_SHOWN = 3;
const OPEN_SHOWN = 3;

/** What comes next and what is still open of what was pulled, along the foot of the bench. */
export const BenchFoot = memo(({ view: state, coming, onChoose }: Props) => {
  const next = coming.slice(0, COMING_SHOWN).flatMap((position) => fastenerAt(state, position) ?? []);
  const out = openItems(state).filter(
    ({ status, leftOpenWhy }) => status !== 'open' && status !== 'reached' && leftOpenWhy === null,
  );
  return (
    <div className="flex gap-0 overflow-x-auto border-t border-rule px-2 py-2 text-s">
      {next.map((fastener, index) => {
        const pass = nextPass(state, fastener);
        const { target, symbol } = requirementView(state, fastener, undefined, pass);
        const { position, label } = fastener.planned;
        return (
          <button
            key={position}
            type="button"
            className="min-h-14 min-w-28 border-r border-rule px-3 text-left"
            onClick={() => onChoose(position)}
          >
            <span className="block max-w-32 truncate text-faint">
              {index === 0 && 'then '}
              {label}
            </span>
            <strong className="block text-m">{position}</strong>
            <span className="block text-faint">
              {target} {symbol}
            </span>
          </button>
        );
      })}
      {out.slice(0, OPEN_SHOWN).map(({ position, status }, index) => {
        const fastener = fastenerAt(state, position);
        return (
          <button
            key={position}
            type="button"
            className="flex min-h-14 min-w-32 items-center gap-2 border-r border-rule px-3 text-left"
            onClick={() => onChoose(position)}
          >
            {fastener && <StatusIcon status={status} drive={fastener.planned.drive} />}
            <span>
              <span className="text-faint">{index === 0 ? `open: ${out.length}` : '\u00a0'}</span>
              <strong className="block text-m">{position}</strong>
              <span className="block">{STATUS_WORDS[status]}</span>
            </span>
          </button>
        );
      })}
    </div>
  );
});
