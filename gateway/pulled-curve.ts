/** How a simulated tool is pulled. */
export type Pull = {
  /** The highest torque, in the device's unit. */
  readonly torque: number;
  /** From nothing to the highest, in milliseconds. */
  readonly riseMs?: number;
  /** How far it turns on the way, in degrees. */
  readonly angle?: number;
  /** Noise, as a share of the torque. */
  readonly noise?: number;
  /** Whether the tool gives at its torque. */
  readonly clicks?: boolean;
};

/** Share of the rise that the thread is run down in, and the torque that takes. */
const RUN_DOWN = { share: 0.25, torque: 0.04 } as const;
const LET_GO_MS = 80;
const CLICK = { dropMs: 12, drop: 0.25, backMs: 120 } as const;

/** The curve of a pull at so many points a second: run down, seated, up in a straight line, given or let go. Milliseconds, torque, and degrees where it turns. */
export const pulledCurve = (
  { torque, riseMs = 1_500, angle, noise = 0.002, clicks = false }: Pull,
  rate: number,
): readonly (readonly [number, number] | readonly [number, number, number])[] => {
  const seatMs = riseMs * RUN_DOWN.share;
  const low = torque * RUN_DOWN.torque;
  const backMs = clicks ? CLICK.backMs : 0;
  const height = (ms: number): number => {
    if (ms <= seatMs) return low;
    if (ms <= riseMs) return low + ((torque - low) * (ms - seatMs)) / (riseMs - seatMs);
    const after = ms - riseMs;
    if (!clicks) return Math.max(0, torque * (1 - after / LET_GO_MS));
    if (after <= CLICK.dropMs) return torque * (1 - (CLICK.drop * after) / CLICK.dropMs);
    const back = torque * (1 - CLICK.drop * 0.3);
    if (after <= backMs)
      return (
        torque * (1 - CLICK.drop) +
        (back - torque * (1 - CLICK.drop)) * ((after - CLICK.dropMs) / (backMs - CLICK.dropMs))
      );
    return Math.max(0, back * (1 - (after - backMs) / LET_GO_MS));
  };
  const length = riseMs + backMs + LET_GO_MS;
  const step = 1_000 / rate;
  return Array.from({ length: Math.floor(length / step) }, (_, at) => {
    const ms = at * step;
    const rough = (Math.random() + Math.random() + Math.random() - 1.5) * 2 * noise * torque;
    const shown = Math.round(Math.max(0, height(ms) + rough) * 1e5) / 1e5;
    const time = Math.round(ms * 1_000) / 1_000;
    return angle === undefined
      ? [time, shown]
      : [
          time,
          shown,
          Math.round(angle * Math.max(0, Math.min(1, (ms - seatMs) / (riseMs - seatMs))) * 100) / 100,
        ];
  });
};
