import { fromNewtonMetres, newtonMetres, type TorqueUnit, toNewtonMetres } from '../quantity/unit.ts';
import { readTrace } from '../trace/read-trace.ts';
import { TRACE_POINTS_MAX, type Trace } from '../trace/trace.ts';
import { type CurveFacts, curveFacts } from './curve-facts.ts';
import { type DeviceKind, type DeviceLine, deviceUnit, readDeviceLine } from './device-line.ts';

/** One pull as a device read it. */
export type DeviceReading = {
  readonly device: string;
  readonly number: number;
  /** The highest torque as the device shows it: its digits and its unit. */
  readonly peak: { readonly text: string; readonly value: number; readonly unit: TorqueUnit };
  /** How far it turned, in degrees, as the device has it; null where it knows no angle. */
  readonly angleDegrees: number | null;
  /** Whose work the device believes it does; null where it says nothing of it. */
  readonly job: string | null;
  readonly trace: Trace | null;
  /** What the curve says; null without one, and where its clock jumped: then no time in it is worth anything. */
  readonly curve: CurveFacts | null;
};

/** What is wrong with what a device says. Nothing of it is recorded by itself. */
export type DeviceTrouble =
  /** Lines that are none. */
  | { readonly code: 'garbage'; readonly device: null }
  /** A line that came before. */
  | { readonly code: 'doubled'; readonly device: string; readonly number: number }
  /** Readings that never came. */
  | { readonly code: 'lost'; readonly device: string; readonly count: number }
  /** A curve of which a part is missing, or that was never ended: no reading. */
  | { readonly code: 'torn'; readonly device: string; readonly number: number }
  /** A unit that nobody knows, or that may be two: no reading. */
  | { readonly code: 'unit-unknown'; readonly device: string; readonly unit: string }
  /** Its clock went back or leapt ahead: the torque stands, what its times say does not. */
  | { readonly code: 'clock-jumped'; readonly device: string; readonly byMs: number };

export type DeviceNews =
  | { readonly kind: 'pull'; readonly reading: DeviceReading }
  | {
      readonly kind: 'level';
      readonly device: string;
      readonly text: string;
      readonly unit: 'mm' | '°C';
    }
  | { readonly kind: 'trouble'; readonly trouble: DeviceTrouble };

/** A device as it stands. */
export type DeviceState = {
  readonly device: string;
  /** Null for one that never said what it is. */
  readonly is: DeviceKind | null;
  /** The curve that is being pulled: newton metres and degrees so far; null while none is. */
  readonly live: Trace | null;
};

/** A device's clock may be off from ours by so much more or less than a moment ago. */
const CLOCK_HAIR_MS = 2_000;
/** Between two points of one curve there is never so long. */
const POINT_GAP_MS = 1_000;
/** Digits that a peak read off a curve is worth. */
const PEAK_DIGITS = 4;

type Open = {
  readonly number: number;
  readonly unit: TorqueUnit;
  readonly job: string | null;
  readonly times: number[];
  readonly torques: number[];
  readonly angles: number[] | null;
  parts: number;
  isTorn: boolean;
  jumpMs: number;
};

type Known = {
  is: DeviceKind | null;
  last: number | null;
  /** Our clock less the device's at the last line. */
  offsetMs: number | null;
  open: Open | null;
  /** The curve that is over or torn, so that what comes late of it is no new one. */
  closed: number | null;
};

/** Follows what devices say, line by line: every reading once, and plainly what is wrong with a line. A device that lost its cable goes on where it was. */
export type DeviceFeed = {
  /** Takes a line that arrived at a time, in milliseconds on a clock of ours that only goes forward. */
  readonly take: (line: string, arrivedMs: number) => readonly DeviceNews[];
  /** The cable came out, or the gateway went: what was under way is torn. */
  readonly cut: () => readonly DeviceNews[];
  readonly devices: () => readonly DeviceState[];
};

const trouble = (said: DeviceTrouble): DeviceNews => ({ kind: 'trouble', trouble: said });

const traceOf = ({ times, torques, angles }: Open): Trace => ({ times, torques, angles });

const fromCurve = (device: string, open: Open, clickMs: number | null): DeviceReading => {
  const trace = traceOf(open);
  const { unit, number, job, angles } = open;
  // A clock that jumped leaves the heights and takes the times.
  const read = open.jumpMs === 0 ? readTrace(trace, clickMs) : null;
  const highest = read?.peak.newtonMetres ?? trace.torques.reduce((most, each) => Math.max(most, each), 0);
  const value = Number(fromNewtonMetres(newtonMetres(highest), unit).toPrecision(PEAK_DIGITS));
  return {
    device,
    number,
    peak: { text: String(value), value, unit },
    angleDegrees: angles ? (angles.at(-1) as number) - (angles[0] as number) : null,
    job,
    trace,
    curve: read && curveFacts(read, trace.times.length),
  };
};

/** Begins to follow. Pure but for what it remembers. */
export const deviceFeed = (): DeviceFeed => {
  const known = new Map<string, Known>();
  const of = (device: string): Known => {
    const there = known.get(device);
    if (there) return there;
    const fresh: Known = { is: null, last: null, offsetMs: null, open: null, closed: null };
    known.set(device, fresh);
    return fresh;
  };

  const tear = (device: string, at: Known): readonly DeviceNews[] => {
    if (!at.open) return [];
    const { number } = at.open;
    at.open = null;
    at.closed = number;
    at.last = Math.max(at.last ?? number, number);
    return [trouble({ code: 'torn', device, number })];
  };

  /** Whether the device's clock went with ours since its last line. */
  const clock = ({ device, at: shown }: DeviceLine, at: Known, arrivedMs: number): readonly DeviceNews[] => {
    const offset = arrivedMs - shown;
    const byMs = at.offsetMs === null ? 0 : at.offsetMs - offset;
    at.offsetMs = offset;
    return Math.abs(byMs) > CLOCK_HAIR_MS
      ? [trouble({ code: 'clock-jumped', device, byMs: Math.round(byMs) })]
      : [];
  };

  /** What the number of a reading says: one that is new, after how many that never came, or one that came before. */
  const numbered = (device: string, number: number, at: Known): readonly DeviceNews[] | null => {
    if (at.last !== null && number <= at.last) return null;
    const lost = at.last === null ? 0 : number - at.last - 1;
    at.last = number;
    return lost > 0 ? [trouble({ code: 'lost', device, count: lost })] : [];
  };

  const hello = ({ device, number, is }: Extract<DeviceLine, { kind: 'hello' }>): readonly DeviceNews[] => {
    const at = of(device);
    at.is = is;
    const torn = at.open && at.open.number <= number ? tear(device, at) : [];
    const lost = at.last !== null && number > at.last ? number - at.last : 0;
    // A device that was started again counts anew.
    if (at.last !== null && number < at.last) at.closed = null;
    at.last = number;
    return lost > 0 ? [...torn, trouble({ code: 'lost', device, count: lost })] : torn;
  };

  const peak = (line: Extract<DeviceLine, { kind: 'peak' }>): readonly DeviceNews[] => {
    const { device, number } = line;
    const at = of(device);
    const torn = at.open && at.open.number < number ? tear(device, at) : [];
    const before = numbered(device, number, at);
    if (!before) return [...torn, trouble({ code: 'doubled', device, number })];
    const unit = deviceUnit(line.unit);
    if (!unit) return [...torn, ...before, trouble({ code: 'unit-unknown', device, unit: line.unit })];
    const reading: DeviceReading = {
      device,
      number,
      peak: { text: String(line.peak), value: line.peak, unit },
      angleDegrees: line.angle ?? null,
      job: line.job ?? null,
      trace: null,
      curve: null,
    };
    return [...torn, ...before, { kind: 'pull', reading }];
  };

  const begun = (line: Extract<DeviceLine, { kind: 'points' }>, unit: TorqueUnit): Open => ({
    number: line.number,
    unit,
    job: line.job ?? null,
    times: [],
    torques: [],
    angles: line.points[0]?.length === 3 ? [] : null,
    parts: 0,
    isTorn: false,
    jumpMs: 0,
  });

  const points = (line: Extract<DeviceLine, { kind: 'points' }>): readonly DeviceNews[] => {
    const { device, number, part } = line;
    const at = of(device);
    const isLate = number === at.closed || (at.last !== null && number <= at.last);
    if (isLate || (at.open?.number === number && part < at.open.parts))
      return [trouble({ code: 'doubled', device, number })];
    const torn = at.open && at.open.number !== number ? tear(device, at) : [];
    const unit = deviceUnit(line.unit);
    if (!unit) {
      at.closed = number;
      const skipped = numbered(device, number, at) ?? [];
      return [...torn, ...skipped, trouble({ code: 'unit-unknown', device, unit: line.unit })];
    }
    at.open ??= begun(line, unit);
    const { open } = at;
    const isOther = open.unit !== unit || open.job !== (line.job ?? null);
    if (part !== open.parts || isOther || open.times.length + line.points.length > TRACE_POINTS_MAX)
      open.isTorn = true;
    open.parts = part + 1;
    if (open.isTorn) return torn;
    const jumps: DeviceNews[] = [];
    for (const [ms, torque, angle] of line.points) {
      const before = open.times.at(-1) ?? ms;
      const step = ms - before;
      if (step < 0 || step > POINT_GAP_MS) {
        if (open.jumpMs === 0) jumps.push(trouble({ code: 'clock-jumped', device, byMs: Math.round(step) }));
        open.jumpMs += step;
      }
      open.times.push(Math.max(before, ms));
      open.torques.push(toNewtonMetres(torque, unit));
      if (open.angles) open.angles.push(angle ?? open.angles.at(-1) ?? 0);
    }
    return [...torn, ...jumps];
  };

  const end = ({ device, number, parts, clickMs }: Extract<DeviceLine, { kind: 'end' }>) => {
    const at = of(device);
    if (number === at.closed || at.open?.number !== number)
      return at.last !== null && number <= at.last
        ? [trouble({ code: 'doubled', device, number })]
        : // Nothing of it came but its end.
          [...(numbered(device, number, at) ?? []), trouble({ code: 'torn', device, number })];
    const { open } = at;
    at.open = null;
    at.closed = number;
    const before = numbered(device, number, at) ?? [];
    if (open.isTorn || open.parts !== parts || open.times.length < 2)
      return [...before, trouble({ code: 'torn', device, number })];
    return [...before, { kind: 'pull', reading: fromCurve(device, open, clickMs ?? null) } as const];
  };

  const level = (line: Extract<DeviceLine, { kind: 'level' }>): readonly DeviceNews[] => {
    const { device, number, unit, value } = line;
    const at = of(device);
    // It shows all the time: one that is missing is missed by nobody.
    if (at.last !== null && number <= at.last) return [trouble({ code: 'doubled', device, number })];
    at.last = number;
    return [{ kind: 'level', device, text: String(value), unit }];
  };

  const heard = (line: DeviceLine): readonly DeviceNews[] => {
    switch (line.kind) {
      case 'hello':
        return hello(line);
      case 'peak':
        return peak(line);
      case 'points':
        return points(line);
      case 'end':
        return end(line);
      case 'level':
        return level(line);
    }
  };

  return {
    take: (text, arrivedMs) => {
      if (text.trim() === '') return [];
      const line = readDeviceLine(text);
      if (!line) return [trouble({ code: 'garbage', device: null })];
      return [...clock(line, of(line.device), arrivedMs), ...heard(line)];
    },
    cut: () =>
      [...known].flatMap(([device, at]) => {
        // Its clock is looked at anew: a line may have been held up for any time.
        at.offsetMs = null;
        return tear(device, at);
      }),
    devices: () =>
      [...known].map(([device, { is, open }]) => ({
        device,
        is,
        live: open && !open.isTorn && open.times.length > 0 ? traceOf(open) : null,
      })),
  };
};
