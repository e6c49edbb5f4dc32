import { z } from 'zod';
import { typedText } from '../bounds.ts';

export const ROLES = ['technician', 'inspector', 'lead'] as const;
export type Role = (typeof ROLES)[number];

/** Who did it, as they were named and entitled at the time. */
export type Person = { readonly id: string; readonly name: string; readonly role: Role };

export const personSchema = z
  .strictObject({
    id: z.uuid(),
    name: typedText(60),
    role: z.enum(ROLES),
  })
  .meta({ id: 'Person' }) satisfies z.ZodType<Person>;
