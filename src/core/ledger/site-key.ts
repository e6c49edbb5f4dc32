import { z } from 'zod';
import { hashSchema, instantSchema } from '../bounds.ts';

/** A public key a site seals with, in hexadecimal, and the time in which it does. `until` is null while it is the one in use. */
export const siteKeySchema = z.strictObject({
  publicKey: hashSchema,
  from: instantSchema,
  until: instantSchema.nullable(),
});
export type SiteKey = Readonly<z.infer<typeof siteKeySchema>>;

/** Whether a key was the site's at an instant: from its first moment, and before the one that took its place. */
export const isKeyOf = (key: SiteKey, instant: string): boolean =>
  key.from <= instant && (key.until === null || instant < key.until);

/** The keys after another one takes the place of the one in use. */
export const rotatedKeys = (keys: readonly SiteKey[], publicKey: string, at: string): readonly SiteKey[] => [
  ...keys.map((key) => (key.until === null ? { ...key, until: at } : key)),
  { publicKey, from: at, until: null },
];
