import { z } from 'zod';
import { instantSchema } from '#core/bounds.ts';
import { jointKindSchema } from '#core/joint/joint-kind.ts';
import type { DeepReadonly } from './operation.ts';

/** A kind of joint that the site wrote itself, as it is now. */
export const ownKindSchema = z.strictObject({
  kind: jointKindSchema,
  changedAt: instantSchema,
  changedBy: z.string(),
});
export type OwnKind = DeepReadonly<z.infer<typeof ownKindSchema>>;

/** A revision of a kind of joint to be written: of the revision named, or the first at 0. */
export const writtenKindSchema = z.strictObject({
  kind: jointKindSchema,
  basedOn: z.int().nonnegative().max(10_000),
});
