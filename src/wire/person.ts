import { z } from 'zod';
import { typedText } from '#core/bounds.ts';
import { ROLES } from '#core/people/person.ts';

/** Four to eight digits. */
export const pinSchema = z.string().regex(/^\d{4,8}$/, 'a PIN is 4 to 8 digits');

export const newPersonSchema = z.strictObject({
  name: typedText(60),
  role: z.enum(ROLES),
  pin: pinSchema,
  /** What the start of an empty site printed; only its first person needs it. */
  setupCode: z.string().max(40).optional(),
});
export type NewPerson = z.infer<typeof newPersonSchema>;
