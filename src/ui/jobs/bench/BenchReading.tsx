import { memo } from 'react';
import { fromNewtonMetres, unitSymbol } from '#core/quantity/unit.ts';
import { isIndicating } from '#core/tool/tool.ts';
import type { JobView } from '#core/view/job-view.ts';
import { passLimits } from '#core/view/pass-limits.ts';
import { Tape } from '../../shared/Tape.tsx';
import type { Bench } from './use-bench.ts';

/** The tape under its hairline: what was typed, or what a click would read, against the limits of the pass. */
export const BenchReading = memo(({ bench, view }: { readonly bench: Bench; readonly view: JobView }) => {
  const { fastener, action, typed } = bench;
  const limits = fastener ? passLimits(view, fastener) : null;
  if (!limits || (action.kind !== 'pull' && action.kind !== 'set-tool')) return null;
  const { tool, adapterFactor } = action.taken;
  const { low, high } = limits;
  const { unit, graduation } = tool.scale;
  const reading = Number(typed.replace(',', '.'));
  const isTyped = typed !== '' && Number.isFinite(reading);
  const what = isIndicating(tool) ? 'pull to' : 'a click reads';
  return (
    <div className="mx-auto w-full max-w-[404px]">
      <Tape
        value={isTyped ? reading : action.wanted.setting}
        low={fromNewtonMetres(low, unit) / adapterFactor}
        high={fromNewtonMetres(high, unit) / adapterFactor}
        unit={unitSymbol(unit)}
        graduation={graduation}
        caption={isTyped ? typed : `${what} ${action.wanted.text}`}
        height={46}
      />
    </div>
  );
});
