import { memo } from 'react';
import type { Simulation } from '#core/simulate/simulation.ts';
import { Curve, CurveChart, through } from './CurveChart.tsx';

type Props = { readonly found: Simulation };

const TOP_STEP = 20;

const forcesAfter = ({ history, fasteners }: Simulation, pull: number): Float64Array =>
  history.subarray(pull * fasteners, (pull + 1) * fasteners);

/** The force of every fastener, each from pull to pull, in one stroke. */
const everyFastener =
  ({ history, fasteners }: Simulation, pulls: number) =>
  (x: (pull: number) => number, y: (percent: number) => number): string => {
    const steps: string[] = [];
    for (let each = 0; each < fasteners; each += 1) {
      let before = Number.NaN;
      for (let pull = 0; pull < pulls; pull += 1) {
        const force = y((history[pull * fasteners + each] ?? 0) * 100);
        // Only where something happened to it.
        if (pull === 0) steps.push(`M${x(1)},${force}`);
        else if (force !== before || pull === pulls - 1) steps.push(`H${x(pull + 1)}V${force}`);
        before = force;
      }
    }
    return steps.join('');
  };

/** The force of every fastener over the pulls, in percent of the wanted one; a broken line between the passes. */
export const PreloadChart = memo(({ found }: Props) => {
  const pulls = found.history.length / found.fasteners;
  const after = Array.from({ length: pulls }, (_, pull) => forcesAfter(found, pull));
  const loosest = after.map((forces, pull) => [pull + 1, Math.min(...forces) * 100] as const);
  const tightest = after.map((forces, pull) => [pull + 1, Math.max(...forces) * 100] as const);
  const top = Math.ceil(Math.max(...tightest.map(([, force]) => force), 100) / TOP_STEP) * TOP_STEP;
  return (
    <figure className="grid gap-1">
      <div className="h-56">
        <CurveChart x={[1, Math.max(pulls, 2)]} y={[0, top]}>
          <Curve
            path={(x, y) =>
              found.passEnds
                .slice(0, -1)
                .map((end) => `M${x(end)},${y(0)}V${y(top)}`)
                .join('')
            }
            tone="faint"
            dashes="3 3"
          />
          <Curve path={everyFastener(found, pulls)} tone="layout" opacity={0.6} />
          <Curve path={through(loosest)} tone="low" width={2} />
          <Curve path={through(tightest)} tone="in" width={2} />
        </CurveChart>
      </div>
      <figcaption className="text-s text-faint">
        Force of every fastener after each pull, % of the wanted one; thick the loosest and the tightest.
        Broken lines stand between the passes.
      </figcaption>
    </figure>
  );
});
