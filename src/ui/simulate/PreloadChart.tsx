import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { Spot } from '#core/order/spot.ts';
import type { Simulation } from '#core/simulate/simulation.ts';

type Props = { readonly places: readonly Spot[]; readonly found: Simulation };

/** Beyond so many lines nothing is told apart: then the lowest and the highest stand for all. */
const LINES_MOST = 24;

type Row = Readonly<Record<string, number>>;

const percent = (share: number): number => Math.round(share * 1000) / 10;

const rowsOf = ({ places, found }: Props): readonly Row[] => {
  const pulls = found.history.length / found.fasteners;
  return Array.from({ length: pulls }, (_, pull) => {
    const forces = found.history.subarray(pull * found.fasteners, (pull + 1) * found.fasteners);
    if (places.length > LINES_MOST)
      return {
        pull: pull + 1,
        lowest: percent(forces.reduce((least, force) => Math.min(least, force), 2)),
        highest: percent(forces.reduce((most, force) => Math.max(most, force), 0)),
      };
    return {
      pull: pull + 1,
      ...Object.fromEntries(
        places.map(({ position }, index) => [`at ${position}`, percent(forces[index] ?? 0)]),
      ),
    };
  });
};

/** The force of every fastener over the pulls, in percent of the wanted one; a line between the passes. */
export const PreloadChart = ({ places, found }: Props) => {
  const rows = rowsOf({ places, found });
  const lines = Object.keys(rows[0] ?? {}).filter((key) => key !== 'pull');
  return (
    <figure className="grid gap-1">
      <div className="h-56">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={[...rows]} margin={{ top: 8, right: 8, bottom: 4, left: 0 }}>
            <CartesianGrid stroke="var(--c-rule)" strokeDasharray="2 4" />
            <XAxis dataKey="pull" stroke="var(--c-faint)" fontSize={13} tickLine={false} />
            <YAxis domain={[0, 'auto']} stroke="var(--c-faint)" fontSize={13} width={34} tickLine={false} />
            {found.passEnds.slice(0, -1).map((end) => (
              <ReferenceLine key={end} x={end} stroke="var(--c-faint)" strokeDasharray="3 3" />
            ))}
            {lines.map((key) => (
              <Line
                key={key}
                dataKey={key}
                type="stepAfter"
                dot={false}
                stroke="var(--c-layout)"
                strokeOpacity={0.65}
                strokeWidth={1.2}
                isAnimationActive={false}
              />
            ))}
          </LineChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-s text-faint">
        Force after each pull, % of the wanted one
        {places.length > LINES_MOST && ': the lowest and the highest'}. Broken lines stand between the passes.
      </figcaption>
    </figure>
  );
};
