import { clickIn } from './click.ts';
import { peakIn } from './peak.ts';
import { type Rise, riseTo } from './rise.ts';
import { type Seating, seatingIn } from './seating.ts';
import type { Trace, TraceMark } from './trace.ts';
import { yieldIn } from './yield-point.ts';

/** What is read from the trace of one pull. */
export type ReadTrace = {
  /** Where the tool gave; null for a tool that does not, and where it did not. */
  readonly click: TraceMark | null;
  readonly peak: TraceMark;
  readonly rise: Rise | null;
  /** How much the torque went past the click, in newton metres; null without one. */
  readonly overshootNewtonMetres: number | null;
  readonly seating: Seating | null;
  readonly yielded: TraceMark | null;
};

/** Reads the trace of a pull. `given` is where the tool itself says that it gave, in milliseconds: it knows better than the curve.
 *  Source: domain §7. */
export const readTrace = (trace: Trace, given: number | null = null): ReadTrace => {
  const click = given === null ? clickIn(trace) : markAt(trace, given);
  const peak = peakIn(trace);
  const end = click ?? peak;
  const after = click && highestAfter(trace, click.atMs);
  return {
    click,
    peak,
    rise: riseTo(trace, end),
    overshootNewtonMetres: click && after !== null ? Math.max(0, after - click.newtonMetres) : null,
    seating: seatingIn(trace, end),
    yielded: click ? null : yieldIn(trace),
  };
};

/** The highest torque once a click is over, in newton metres; null where the trace ends before. */
const highestAfter = ({ times, torques, angles }: Trace, clickMs: number): number | null => {
  const over = times.findIndex((time) => time > clickMs + 30);
  if (over < 0 || times.length - over < 2) return null;
  const rest = {
    times: times.slice(over),
    torques: torques.slice(over),
    angles: angles?.slice(over) ?? null,
  };
  return peakIn(rest).newtonMetres;
};

const markAt = ({ times, torques }: Trace, atMs: number): TraceMark => {
  const at = Math.max(
    0,
    times.findLastIndex((time) => time <= atMs),
  );
  return { atMs: times[at] as number, newtonMetres: torques[at] as number };
};
