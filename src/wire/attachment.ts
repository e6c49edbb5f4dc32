import { z } from 'zod';
import { instantSchema } from '#core/bounds.ts';
import type { DeepReadonly } from './operation.ts';

/** Largest attachment, in bytes: a photograph of a telephone. */
export const ATTACHMENT_MAX_BYTES = 12_000_000;
/** Longest small picture, in characters of base64. */
export const THUMBNAIL_MAX_LENGTH = 200_000;

/** A photograph or PDF of something, without its content. */
export const attachmentSchema = z.strictObject({
  id: z.uuid(),
  name: z.string(),
  mediaType: z.string(),
  size: z.int(),
  sha256: z.string(),
  addedBy: z.string(),
  addedAt: instantSchema,
});
export type Attachment = DeepReadonly<z.infer<typeof attachmentSchema>>;
