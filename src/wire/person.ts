import { z } from 'zod';
import { typedText } from '#core/bounds.ts';
import { personSchema, ROLES } from '#core/people/person.ts';
import { PIN_DIGITS_MAX } from './site.ts';

/** A PIN as it is typed to be proved: four digits are from before six were asked for. */
export const pinSchema = z
  .string()
  .regex(new RegExp(`^\\d{4,${PIN_DIGITS_MAX}}$`), `a PIN is 4 to ${PIN_DIGITS_MAX} digits`);

export const newPersonSchema = z.strictObject({
  name: typedText(60),
  role: z.enum(ROLES),
  /** Null for somebody who chooses it by an invitation. */
  pin: pinSchema.nullable(),
  /** What the start of an empty site printed; only its first person needs it. */
  setupCode: z.string().max(40).optional(),
});
export type NewPerson = z.infer<typeof newPersonSchema>;

/** Who was let in, and what they should know. */
export const enteredSchema = personSchema
  .extend({
    /** Whether the PIN is shorter than the site asks for now. */
    asksNewPin: z.boolean(),
    /** How many wrong PINs were typed for them since they last signed in. */
    wrongSince: z.int(),
  })
  .meta({ id: 'Entered' });
export type EnteredPerson = Readonly<z.infer<typeof enteredSchema>>;
