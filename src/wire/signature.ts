import { z } from 'zod';
import { instantSchema } from '#core/bounds.ts';
import { SIGNATURE_MEANINGS, signedHeadSchema } from '#core/job/signature.ts';
import { pinSchema } from './person.ts';

/** A signature to be put under a job: who, what it means, and the PIN that proves it. */
export const newSignatureSchema = z.strictObject({
  eventId: z.uuid(),
  personId: z.uuid(),
  pin: pinSchema,
  meaning: z.enum(SIGNATURE_MEANINGS),
  /** Where the job's chain stood on the signer's screen. */
  head: signedHeadSchema,
  /** Whether the signer made no pull on the job, was asked, and signs all the same. */
  madeNoPull: z.boolean(),
  deviceTime: instantSchema,
  sentAt: instantSchema.optional(),
  device: z.uuid().optional(),
});
export type NewSignature = z.infer<typeof newSignatureSchema>;
