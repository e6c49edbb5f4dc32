import { createHash, randomBytes } from 'node:crypto';

const BYTES = 32;

/** A secret that nobody guesses, as it can stand in a cookie or an address. */
export const newSecret = (): string => randomBytes(BYTES).toString('base64url');

/** What of a secret is kept: its SHA-256. A secret of 32 random bytes needs no slow hash. */
export const secretHash = (secret: string): string => createHash('sha256').update(secret).digest('hex');
