import { z } from 'zod';
import { type NewtonMetres, type TorqueUnit, toNewtonMetres, torqueUnitSchema } from './unit.ts';

/** A torque as it was written: its digits carry the resolution and are never rebuilt from the value. */
export type WrittenTorque = {
  /** The digits as read, with a decimal point, such as `1.20`. */
  readonly text: string;
  readonly unit: TorqueUnit;
  /** The number those digits say, in the unit. */
  readonly value: number;
};

/** Newton metres of a torque as written. */
export const writtenInNewtonMetres = (torque: WrittenTorque): NewtonMetres =>
  toNewtonMetres(torque.value, torque.unit);

/** How many significant digits a decimal text shows; `0.50` shows 2, `250` shows 3. */
export const significantDigits = (text: string): number =>
  Math.max(1, text.replace('.', '').replace(/^0+/, '').length);

/** A torque as a person wrote it. */
export const writtenTorqueSchema = z
  .strictObject({
    text: z
      .string()
      .regex(/^\d+(?:\.\d+)?$/)
      .max(15),
    value: z.number().nonnegative().max(1e9),
    unit: torqueUnitSchema,
  })
  .meta({ id: 'WrittenTorque' }) satisfies z.ZodType<WrittenTorque>;
