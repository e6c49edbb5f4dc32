import { z } from 'zod';
import { torqueUnitSchema } from '#core/quantity/unit.ts';

/** A torque as programs exchange it: a number and a unit code. */
export const quantitySchema = z
  .strictObject({
    value: z.number().positive().max(1e9),
    unit: torqueUnitSchema,
  })
  .meta({ id: 'Quantity' });
