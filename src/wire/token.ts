import { z } from 'zod';
import { instantSchema, typedText } from '#core/bounds.ts';

/** What a program's token is good for: to read what can be exported, or to put in what can be imported. */
export const TOKEN_SCOPES = ['export', 'import'] as const;
export type TokenScope = (typeof TOKEN_SCOPES)[number];

/** A token to be made: what the program is called, in records too, and for how many days it is good. */
export const newTokenSchema = z.strictObject({
  name: typedText(60),
  scope: z.enum(TOKEN_SCOPES),
  days: z.int().min(1).max(3650),
});

/** A token without its secret. */
export const tokenSchema = z.strictObject({
  id: z.uuid(),
  name: z.string(),
  scope: z.enum(TOKEN_SCOPES),
  madeBy: z.string(),
  madeAt: instantSchema,
  expiresAt: instantSchema,
  usedAt: instantSchema.nullable(),
});
export type Token = Readonly<z.infer<typeof tokenSchema>>;

/** A token that was just made, with the secret that is shown this once. */
export const madeTokenSchema = z.strictObject({ token: tokenSchema, secret: z.string() });
