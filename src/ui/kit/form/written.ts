import { z } from 'zod';
import { readNumber } from '#core/quantity/read-number.ts';

/** A number as a person writes it, with a point or a comma, turned into what `of` takes. Refuses what is no number, in the form's own words. */
export const writtenNumber = <T extends number>(of: z.ZodType<T, number>) =>
  z
    .string()
    .transform((text, context): number => {
      const read = text.trim() === '' ? null : readNumber(text);
      if (read?.ok) return read.value.value;
      context.addIssue({
        code: 'custom',
        message: read === null ? 'This is needed.' : 'Type digits, with a point or a comma for decimals.',
      });
      return z.NEVER;
    })
    .pipe(of);

/** The same where nothing may be written; then it is null. */
export const writtenNumberOrNull = <T extends number>(of: z.ZodType<T, number>) =>
  z.union([
    z
      .string()
      .regex(/^\s*$/)
      .transform(() => null),
    writtenNumber(of),
  ]);
