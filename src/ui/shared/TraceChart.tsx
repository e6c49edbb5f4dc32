import type { CurveFacts } from '#core/device/curve-facts.ts';
import { fromNewtonMetres, newtonMetres, type TorqueUnit, unitSymbol } from '#core/quantity/unit.ts';
import type { Trace } from '#core/trace/trace.ts';
import { niceStep } from './nice-step.ts';

type Props = {
  readonly trace: Trace;
  readonly curve: CurveFacts | null;
  readonly unit: TorqueUnit;
  /** Acceptance at the tool, in its unit. */
  readonly low: number;
  readonly high: number;
};

const WIDTH = 404;
const HEIGHT = 128;
const LEFT = 40;
const BOTTOM = 20;
/** More than two points for each of these is drawn by its lowest and its highest. */
const COLUMNS = WIDTH - LEFT;

/** A curve as a path: for each column of the picture the lowest and the highest of its points, so that no click is lost however many there are. */
const pathOf = (
  { times, torques }: Trace,
  x: (ms: number) => number,
  y: (torque: number) => number,
): string => {
  const steps: string[] = [];
  let at = 0;
  while (at < times.length) {
    const column = Math.floor(x(times[at] as number));
    let [low, high] = [torques[at] as number, torques[at] as number];
    const first = torques[at] as number;
    while (at < times.length && Math.floor(x(times[at] as number)) === column) {
      low = Math.min(low, torques[at] as number);
      high = Math.max(high, torques[at] as number);
      at += 1;
    }
    steps.push(
      first === low ? `${column},${y(low)} ${column},${y(high)}` : `${column},${y(high)} ${column},${y(low)}`,
    );
  }
  return steps.join(' ');
};

/** The curve of a pull: torque over time, the acceptance band across it, and where it clicked and was highest. */
export const TraceChart = ({ trace, curve, unit, low, high }: Props) => {
  const inUnit = (torque: number): number => fromNewtonMetres(newtonMetres(torque), unit);
  const last = Math.max(trace.times.at(-1) ?? 0, 500);
  const top = Math.max(
    high * 1.15,
    inUnit(trace.torques.reduce((most, each) => Math.max(most, each), 0)) * 1.05,
  );
  const x = (ms: number): number => LEFT + (ms / last) * (WIDTH - LEFT - 1);
  const yOf = (value: number): number => (HEIGHT - BOTTOM) * (1 - Math.max(0, value) / top) + 1;
  const y = (torque: number): number => Math.round(yOf(inUnit(torque)) * 10) / 10;
  const step = niceStep(top / 3);
  const marks = Array.from({ length: Math.floor(top / step) + 1 }, (_, at) =>
    Number((at * step).toPrecision(6)),
  );
  const seconds = niceStep(last / 4_000);
  const times = Array.from({ length: Math.floor(last / 1_000 / seconds) + 1 }, (_, at) =>
    Number((at * seconds).toPrecision(6)),
  );
  const flag = (ms: number | null | undefined, torque: number | null | undefined, name: string) =>
    ms === null || ms === undefined || torque === null || torque === undefined ? null : (
      <g>
        <circle cx={x(ms)} cy={y(torque)} r="4" fill="none" stroke="var(--c-ink)" strokeWidth="2" />
        <text
          x={Math.min(x(ms), WIDTH - 34)}
          y={Math.max(12, y(torque) - 7)}
          textAnchor="middle"
          fontSize="13"
          fill="var(--c-ink)"
        >
          {name}
        </text>
      </g>
    );
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full font-mono"
      role="img"
      aria-label={`Curve of the pull: torque in ${unitSymbol(unit)} over ${(last / 1000).toFixed(1)} s`}
    >
      <rect
        x={LEFT}
        y={yOf(high)}
        width={COLUMNS}
        height={Math.max(1, yOf(low) - yOf(high))}
        fill="var(--c-in)"
        opacity="0.16"
      />
      <path
        d={`M${LEFT},${yOf(low)} H${WIDTH} M${LEFT},${yOf(high)} H${WIDTH}`}
        stroke="var(--c-in)"
        strokeWidth="1.5"
      />
      <path d={`M${LEFT},0 V${HEIGHT - BOTTOM} H${WIDTH}`} stroke="var(--c-rule)" fill="none" />
      {marks.map((mark) => (
        <text key={mark} x={LEFT - 4} y={yOf(mark) + 4} textAnchor="end" fontSize="12" fill="var(--c-faint)">
          {mark}
        </text>
      ))}
      {times.map((time) => (
        <text
          key={time}
          x={x(time * 1_000)}
          y={HEIGHT - 5}
          textAnchor={time === 0 ? 'start' : 'middle'}
          fontSize="12"
          fill="var(--c-faint)"
        >
          {time} s
        </text>
      ))}
      <polyline
        points={pathOf(trace, x, y)}
        fill="none"
        stroke="var(--c-ink)"
        strokeWidth="2"
        strokeLinejoin="round"
      />
      {flag(curve?.clickAtMs, curve?.clickNewtonMetres, 'click')}
      {curve?.clickAtMs === null && flag(curve.peakAtMs, curve.peakNewtonMetres, 'peak')}
    </svg>
  );
};
