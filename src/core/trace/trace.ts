import { z } from 'zod';
import type { Shape } from '../shape.ts';

/** Most points of a trace: half a minute at a thousand a second. */
export const TRACE_POINTS_MAX = 30_000;

export const traceSchema = z
  .strictObject({
    /** Milliseconds from the first point, never going back. */
    times: z.array(z.number().nonnegative().max(3_600_000)).min(2).max(TRACE_POINTS_MAX),
    /** Newton metres at the tool, one for each time. */
    torques: z.array(z.number().min(-10_000).max(10_000)).min(2).max(TRACE_POINTS_MAX),
    /** Degrees turned, one for each time; null where the tool knows no angle. */
    angles: z.array(z.number().min(-100_000).max(100_000)).min(2).max(TRACE_POINTS_MAX).nullable(),
  })
  .refine(
    ({ times, torques, angles }) =>
      torques.length === times.length && (angles === null || angles.length === times.length),
    'as many torques and angles as times',
  )
  .refine(({ times }) => times.every((time, at) => at === 0 || time >= (times[at - 1] as number)), {
    error: 'the times go back',
  });
/** One pull as a tool felt it. */
export type Trace = Shape<typeof traceSchema>;

/** A place in a trace: when, and how much torque there was. */
export type TraceMark = { readonly atMs: number; readonly newtonMetres: number };
