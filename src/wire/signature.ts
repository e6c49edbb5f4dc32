import { z } from 'zod';
import { SIGNATURE_MEANINGS } from '#core/job/event.ts';
import { pinSchema } from './person.ts';
import { instantSchema } from './quantity.ts';

/** A signature to be put under a job: who, what it means, and the PIN that proves it. */
export const newSignatureSchema = z.strictObject({
  eventId: z.uuid(),
  personId: z.uuid(),
  pin: pinSchema,
  meaning: z.enum(SIGNATURE_MEANINGS),
  deviceTime: instantSchema,
});
export type NewSignature = z.infer<typeof newSignatureSchema>;
