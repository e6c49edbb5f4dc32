import { z } from 'zod';
import type { WrittenTorque } from '#core/torque/torque.ts';
import { TORQUE_UNIT_CODES, type TorqueUnit } from '#core/torque/unit.ts';

export const torqueUnitSchema = z.enum(TORQUE_UNIT_CODES as readonly [TorqueUnit, ...TorqueUnit[]]);

/** A torque as programs exchange it: a number and a unit code. */
export const quantitySchema = z
  .strictObject({
    value: z.number().positive().max(1e9),
    unit: torqueUnitSchema,
  })
  .meta({ id: 'Quantity' });

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

/** Torques worked out by Jentik, in newton metres. */
export const newtonMetresSchema = z.number();

/** An ISO 8601 instant in UTC. */
export const instantSchema = z.iso.datetime({ precision: 3 });
/** An ISO 8601 day. */
export const daySchema = z.iso.date();
/** A text a person typed: trimmed, not empty, bounded. */
export const typedText = (longest: number) => z.string().trim().min(1).max(longest);
