import { memo, useMemo } from 'react';
import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  useXAxisScale,
  useYAxisScale,
  XAxis,
  YAxis,
} from 'recharts';
import type { Simulation } from '#core/simulate/simulation.ts';

type Props = { readonly found: Simulation };

type Row = { readonly pull: number; readonly lowest: number; readonly highest: number };

const percent = (share: number): number => Math.round(share * 1000) / 10;

const rowsOf = ({ history, fasteners }: Simulation): readonly Row[] =>
  Array.from({ length: history.length / fasteners }, (_, pull) => {
    const forces = history.subarray(pull * fasteners, (pull + 1) * fasteners);
    return {
      pull: pull + 1,
      lowest: percent(forces.reduce((least, force) => Math.min(least, force), 2)),
      highest: percent(forces.reduce((most, force) => Math.max(most, force), 0)),
    };
  });

/** The force of every fastener, each from pull to pull, in one stroke: two dozen lines of the chart's own would hold the page up. */
const EveryFastener = ({ found: { history, fasteners } }: Props) => {
  const [x, y] = [useXAxisScale(), useYAxisScale()];
  const path = useMemo(() => {
    if (!x || !y) return '';
    const pulls = history.length / fasteners;
    const steps: string[] = [];
    for (let each = 0; each < fasteners; each += 1) {
      let before = Number.NaN;
      for (let pull = 0; pull < pulls; pull += 1) {
        const at = (x(pull + 1) ?? 0).toFixed(1);
        const force = y(percent(history[pull * fasteners + each] ?? 0)) ?? 0;
        // Only where something happened to it.
        if (pull === 0) steps.push(`M${at},${force.toFixed(1)}`);
        else if (force !== before || pull === pulls - 1) steps.push(`H${at}V${force.toFixed(1)}`);
        before = force;
      }
    }
    return steps.join('');
  }, [x, y, history, fasteners]);
  return <path d={path} fill="none" stroke="var(--c-layout)" strokeOpacity="0.6" strokeWidth="1" />;
};

/** The force of every fastener over the pulls, in percent of the wanted one; a broken line between the passes. */
export const PreloadChart = memo(({ found }: Props) => {
  const rows = useMemo(() => [...rowsOf(found)], [found]);
  return (
    <figure className="grid gap-1">
      <div className="h-56">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={rows} margin={{ top: 8, right: 8, bottom: 4, left: 0 }}>
            <CartesianGrid stroke="var(--c-rule)" strokeDasharray="2 4" />
            <XAxis
              dataKey="pull"
              type="number"
              domain={[1, 'dataMax']}
              stroke="var(--c-faint)"
              fontSize={13}
              tickLine={false}
            />
            <YAxis domain={[0, 'auto']} stroke="var(--c-faint)" fontSize={13} width={34} tickLine={false} />
            {found.passEnds.slice(0, -1).map((end) => (
              <ReferenceLine key={end} x={end} stroke="var(--c-faint)" strokeDasharray="3 3" />
            ))}
            <EveryFastener found={found} />
            <Line
              dataKey="lowest"
              dot={false}
              stroke="var(--c-low)"
              strokeWidth={2}
              isAnimationActive={false}
            />
            <Line
              dataKey="highest"
              dot={false}
              stroke="var(--c-in)"
              strokeWidth={2}
              isAnimationActive={false}
            />
          </LineChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-s text-faint">
        Force of every fastener after each pull, % of the wanted one; thick the loosest and the tightest.
        Broken lines stand between the passes.
      </figcaption>
    </figure>
  );
});
