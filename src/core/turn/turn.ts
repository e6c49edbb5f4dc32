import { z } from 'zod';
import type { Shape } from '../shape.ts';
import { ANGLE_MAX_DEGREES } from '../spec/requirement/requirement.ts';

/** How an angle was told: by the tool itself, read off a gauge, or counted in flats of the head. */
export const TURN_METHODS = ['live', 'read', 'sixths'] as const;
export type TurnMethod = (typeof TURN_METHODS)[number];

export const SIXTH_DEGREES = 60;
/** How far an angle may be off where its source does not say: read or felt by the tool common practice, counted in flats half of one
 *  (RCSC 2020, 8.2.1: 30° either way up to half a turn, from memory). Assumed, and said so; the maker's instructions override it. */
const TOLERANCE_DEGREES: Readonly<Record<TurnMethod, number>> = { live: 5, read: 5, sixths: 30 };

/** Whether an angle is what was asked. */
export type TurnOutcome = 'in' | 'low' | 'high';

/** By how much an angle may be off, in degrees. */
export const turnTolerance = (method: TurnMethod): number => TOLERANCE_DEGREES[method];

/** An angle held against the one that was asked, both in degrees; the limits count as inside. */
export const turnOutcome = (asked: number, turned: number, method: TurnMethod): TurnOutcome => {
  const tolerance = turnTolerance(method);
  if (turned < asked - tolerance) return 'low';
  return turned > asked + tolerance ? 'high' : 'in';
};

/** An angle as it was written: its digits carry the resolution. */
export const writtenDegreesSchema = z
  .strictObject({
    text: z
      .string()
      .regex(/^\d+(?:\.\d+)?$/)
      .max(8),
    value: z.number().positive().max(ANGLE_MAX_DEGREES),
    unit: z.literal('°'),
  })
  .refine(({ text, value }) => Number(text) === value, 'the digits do not say the value');
export type WrittenDegrees = Shape<typeof writtenDegreesSchema>;
