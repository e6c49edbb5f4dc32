import { z } from 'zod';
import { type Person, ROLES } from '#core/job/event.ts';
import { typedText } from './quantity.ts';

export const personSchema = z
  .strictObject({
    id: z.uuid(),
    name: typedText(60),
    role: z.enum(ROLES),
  })
  .meta({ id: 'Person' }) satisfies z.ZodType<Person>;

/** Four to eight digits. */
export const pinSchema = z.string().regex(/^\d{4,8}$/, 'a PIN is 4 to 8 digits');

export const newPersonSchema = z.strictObject({
  name: typedText(60),
  role: z.enum(ROLES),
  pin: pinSchema,
});
export type NewPerson = z.infer<typeof newPersonSchema>;
