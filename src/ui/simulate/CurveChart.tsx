import { ticks } from 'd3-array';
import { type ReactNode, useMemo } from 'react';
import {
  CartesianGrid,
  LineChart,
  ResponsiveContainer,
  useXAxisScale,
  useYAxisScale,
  XAxis,
  YAxis,
} from 'recharts';

type Reach = readonly [from: number, to: number];

type Props = {
  readonly x: Reach;
  readonly y: Reach;
  readonly xUnit?: string;
  /** Curves, drawn over the grid. */
  readonly children: ReactNode;
};

const MARGIN = { top: 8, right: 8, bottom: 4, left: 0 };
const X_TICKS = 8;
const Y_TICKS = 5;

/** Axes and grid of a chart whose curves are drawn by themselves, in the units of its axes. As large as what it stands in. */
export const CurveChart = ({ x: [from, to], y, xUnit = '', children }: Props) => {
  // Without a row at either end there is no axis. The curves bring their own points, so that another result moves a curve and leaves the axes alone.
  const ends = useMemo(() => [{ at: from }, { at: to }], [from, to]);
  return (
    <ResponsiveContainer width="100%" height="100%">
      <LineChart data={ends} margin={MARGIN}>
        <CartesianGrid stroke="var(--c-rule)" strokeDasharray="2 4" />
        <XAxis
          dataKey="at"
          type="number"
          domain={[from, to]}
          allowDataOverflow
          ticks={ticks(from, to, X_TICKS)}
          unit={xUnit}
          stroke="var(--c-faint)"
          fontSize={13}
          tickLine={false}
        />
        <YAxis
          type="number"
          domain={[...y]}
          allowDataOverflow
          ticks={ticks(...y, Y_TICKS)}
          stroke="var(--c-faint)"
          fontSize={13}
          width={34}
          tickLine={false}
        />
        {children}
      </LineChart>
    </ResponsiveContainer>
  );
};

type Stroke = {
  readonly tone: 'layout' | 'low' | 'in' | 'faint';
  readonly width?: number;
  readonly dashes?: string;
  readonly opacity?: number;
};

type CurveProps = Stroke & {
  /** Draws the curve, given where a value lies on each axis in pixels. */
  readonly path: (x: (value: number) => number, y: (value: number) => number) => string;
};

/** A curve in the units of the axes of its chart. */
export const Curve = ({ path, tone, width = 1, dashes, opacity }: CurveProps) => {
  const [x, y] = [useXAxisScale(), useYAxisScale()];
  if (!x || !y) return null;
  return (
    <path
      d={path(
        (value) => Math.round((x(value) ?? 0) * 10) / 10,
        (value) => Math.round((y(value) ?? 0) * 10) / 10,
      )}
      fill="none"
      stroke={`var(--c-${tone})`}
      strokeWidth={width}
      strokeDasharray={dashes}
      strokeOpacity={opacity}
    />
  );
};

/** A line through points, as a path of a curve. */
export const through =
  (points: readonly (readonly [x: number, y: number])[]): CurveProps['path'] =>
  (x, y) =>
    points.map((point, index) => `${index === 0 ? 'M' : 'L'}${x(point[0])},${y(point[1])}`).join('');
