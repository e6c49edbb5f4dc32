import { z } from 'zod';
import { hashSchema } from '../bounds.ts';

export const SIGNATURE_MEANINGS = ['done', 'inspected'] as const;
export type SignatureMeaning = (typeof SIGNATURE_MEANINGS)[number];

/** The head of the job's chain that was on the signer's screen. */
export type SignedHead = { readonly sequence: number; readonly hash: string };

export type SignatureBody = {
  readonly meaning: SignatureMeaning;
  /** Null in records of a form that did not say. */
  readonly head: SignedHead | null;
  /** Whether the signer had made no pull on the job, was asked, and signed all the same; null in records of a form that did not say. */
  readonly madeNoPull: boolean | null;
};

export const signedHeadSchema = z.strictObject({
  sequence: z.int().positive(),
  hash: hashSchema,
}) satisfies z.ZodType<SignedHead>;

export const signatureBodySchema = z.strictObject({
  meaning: z.enum(SIGNATURE_MEANINGS),
  head: signedHeadSchema.nullable(),
  madeNoPull: z.boolean().nullable(),
}) satisfies z.ZodType<SignatureBody>;
