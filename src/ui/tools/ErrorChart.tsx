import {
  CartesianGrid,
  Legend,
  Line,
  LineChart,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import { displayDigits } from '#core/quantity/display.ts';
import { fromNewtonMetres, newtonMetres, unitSymbol } from '#core/quantity/unit.ts';
import type { Tool } from '#core/tool/tool.ts';
import type { KeptSession } from '#wire/calibration.ts';
import { dayWords } from '#wire/site-time.ts';

type Props = { readonly tool: Tool; readonly sessions: readonly KeptSession[] };

const STROKES = ['var(--c-layout)', 'var(--c-in)', 'var(--c-unsure)', 'var(--c-low)', 'var(--c-faint)'];
const DASHES = ['', '6 3', '2 3', '8 3 2 3', '1 4'];
const SHOWN_MOST = 5;
const tick = { fill: 'var(--c-faint)', fontSize: 13 };

/** The tool's error as found at each point, session by session, between the limits of its class; the band it is kept for is shaded. */
export const ErrorChart = ({ tool, sessions }: Props) => {
  const { unit } = tool.scale;
  const shown = sessions.slice(0, SHOWN_MOST);
  const inUnit = (torque: number): number =>
    Number(
      displayDigits(fromNewtonMetres(newtonMetres(torque), unit), { sourceDigits: 3, graduation: null }),
    );
  const torques = [
    ...new Set(shown.flatMap(({ points }) => points.map(({ torqueNewtonMetres }) => torqueNewtonMetres))),
  ].sort((a, b) => a - b);
  const rows = torques.map((torque) => ({
    torque: inUnit(torque),
    ...Object.fromEntries(
      shown.flatMap(({ id, points }) => {
        const point = points.find(({ torqueNewtonMetres }) => torqueNewtonMetres === torque);
        return point ? [[id, Number(point.errorPercent.toFixed(2))]] : [];
      }),
    ),
  }));
  const farthest = Math.max(
    tool.limitPercent,
    ...shown.flatMap(({ points }) => points.map(({ errorPercent }) => Math.abs(errorPercent))),
  );
  // An even number of percent on each side of zero gives ticks without fractions.
  const reach = Math.ceil((farthest * 1.1) / 2) * 2;
  const usable = tool.calibration?.usable;
  if (rows.length === 0) return <p className="text-faint">No session yet.</p>;
  return (
    <>
      <div
        className="h-72"
        role="img"
        aria-label={`Error in percent over torque in ${unitSymbol(unit)}, ${shown.length} sessions`}
      >
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={rows} margin={{ top: 8, right: 16, bottom: 18, left: 0 }}>
            <CartesianGrid stroke="var(--c-rule)" vertical={false} />
            <XAxis
              dataKey="torque"
              type="number"
              domain={[0, 'dataMax']}
              tick={tick}
              stroke="var(--c-faint)"
              label={{ value: unitSymbol(unit), position: 'insideBottomRight', offset: -8, ...tick }}
            />
            <YAxis
              tick={tick}
              stroke="var(--c-faint)"
              width={50}
              unit=" %"
              domain={[-reach, reach]}
              ticks={[-reach, -reach / 2, 0, reach / 2, reach]}
            />
            {usable && (
              <ReferenceArea
                x1={inUnit(usable.lowNewtonMetres)}
                x2={inUnit(usable.highNewtonMetres)}
                fill="var(--c-in)"
                fillOpacity={0.14}
              />
            )}
            {tool.limitOf === 'reading' &&
              [tool.limitPercent, -tool.limitPercent].map((limit) => (
                <ReferenceLine
                  key={limit}
                  y={limit}
                  stroke="var(--c-high)"
                  strokeWidth={2}
                  strokeDasharray="5 4"
                />
              ))}
            <ReferenceLine y={0} stroke="var(--c-faint)" />
            <Legend
              // As the lines are: the newest first.
              itemSorter={null}
              verticalAlign="top"
              height={28}
              wrapperStyle={{ fontSize: 13, color: 'var(--c-ink)' }}
            />
            <Tooltip
              contentStyle={{
                background: 'var(--c-sheet)',
                borderColor: 'var(--c-rule)',
                color: 'var(--c-ink)',
              }}
              labelFormatter={(value) => `${value} ${unitSymbol(unit)}`}
            />
            {shown.map(({ id, doneOn }, index) => (
              <Line
                key={id}
                dataKey={id}
                name={dayWords(doneOn)}
                unit=" %"
                stroke={STROKES[index] ?? 'var(--c-faint)'}
                strokeWidth={index === 0 ? 3 : 1.5}
                strokeDasharray={DASHES[index] ?? ''}
                dot={{ r: index === 0 ? 5 : 3 }}
                connectNulls
                isAnimationActive={false}
              />
            ))}
          </LineChart>
        </ResponsiveContainer>
      </div>
      <p className="text-s text-faint">
        A line for each session, as found; dashed red: the limits of its class
        {usable ? '; shaded: the band it is kept for' : ''}.
      </p>
    </>
  );
};
