import { z } from 'zod';

const serial = z.string().trim().min(1).max(40);

/** What a simulated device is let feel: a pull, with its curve where a rate is given, or a level. */
export const deviceHandSchema = z.discriminatedUnion('do', [
  z.strictObject({
    do: z.literal('pull'),
    device: serial,
    torque: z.number().positive().max(2000),
    unit: z.string().max(20).optional(),
    job: z.string().max(40).optional(),
    riseMs: z.number().min(50).max(20_000).optional(),
    angle: z.number().min(0).max(10_000).optional(),
    noise: z.number().min(0).max(0.1).optional(),
    clicks: z.boolean().optional(),
    rate: z.number().min(10).max(1_000).optional(),
  }),
  z.strictObject({
    do: z.literal('level'),
    device: serial,
    unit: z.enum(['mm', '°C']),
    value: z.number().min(-1_000).max(1_000),
  }),
  /** Whatever comes out of a cable: lines that are none, half ones, doubled ones. */
  z.strictObject({ do: z.literal('raw'), text: z.string().max(90_000) }),
  /** The cable comes out. */
  z.strictObject({ do: z.literal('cut') }),
]);
export type DeviceHand = z.infer<typeof deviceHandSchema>;

/** What is relayed of the devices. */
export const relayedLineSchema = z.union([
  z.object({ id: z.string(), line: z.string() }),
  z.object({ gateway: z.enum(['connected', 'away']) }),
  z.object({ missed: z.int() }),
]);

/** Whose job a device works for from now on: the job's number. */
export const deviceToldSchema = z.strictObject({ device: serial, job: z.string().trim().min(1).max(40) });
export type DeviceTold = z.infer<typeof deviceToldSchema>;
