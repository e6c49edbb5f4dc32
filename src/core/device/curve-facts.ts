import { z } from 'zod';
import { instantSchema } from '../bounds.ts';
import type { Shape } from '../shape.ts';
import type { ReadTrace } from '../trace/read-trace.ts';

const torque = z.number().min(-1e6).max(1e6);
const milliseconds = z.number().nonnegative().max(3_600_000);

/** What a curve says of a pull, as it is kept with it: newton metres at the tool, milliseconds from its first point. */
export const curveFactsSchema = z.strictObject({
  points: z.int().min(2).max(30_000),
  peakNewtonMetres: torque,
  peakAtMs: milliseconds,
  /** Where the tool gave; null where it did not. */
  clickNewtonMetres: torque.nullable(),
  clickAtMs: milliseconds.nullable(),
  overshootNewtonMetres: torque.nullable(),
  /** How fast it rose over the last fifth; null where the curve begins above that. */
  riseNewtonMetresPerSecond: torque.nullable(),
  lastFifthSeconds: z.number().nonnegative().max(3_600).nullable(),
  runOnNewtonMetres: torque.nullable(),
  seatedNewtonMetres: torque.nullable(),
  yieldedNewtonMetres: torque.nullable(),
});
export type CurveFacts = Shape<typeof curveFactsSchema>;

/** The device that read a pull: what is marked on it, which of its readings it was, and what its curve says where it sent one. */
export const pullDeviceSchema = z.strictObject({
  curve: curveFactsSchema.nullable(),
  number: z.int().nonnegative(),
  /** When it was read by the device's own clock; null for one that was heard as it happened. */
  readAt: instantSchema.nullable(),
  serial: z.string().trim().min(1).max(40),
});
export type PullDevice = Shape<typeof pullDeviceSchema>;

const rounded = (value: number): number => Math.round(value * 1e6) / 1e6 + 0;
const orNull = (value: number | null | undefined): number | null =>
  value === null || value === undefined ? null : rounded(value);

/** What of a curve that was read is kept. */
export const curveFacts = (read: ReadTrace, points: number): CurveFacts => ({
  points,
  peakNewtonMetres: rounded(read.peak.newtonMetres),
  peakAtMs: rounded(read.peak.atMs),
  clickNewtonMetres: orNull(read.click?.newtonMetres),
  clickAtMs: orNull(read.click?.atMs),
  overshootNewtonMetres: orNull(read.overshootNewtonMetres),
  riseNewtonMetresPerSecond: orNull(read.rise?.newtonMetresPerSecond),
  lastFifthSeconds: orNull(read.rise?.lastFifthSeconds),
  runOnNewtonMetres: orNull(read.seating?.runOnNewtonMetres),
  seatedNewtonMetres: orNull(read.seating?.seated.newtonMetres),
  yieldedNewtonMetres: orNull(read.yielded?.newtonMetres),
});
