import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';

// Apart from what writes the text: no page hashes while it only shows.

/** SHA-256 of a text's UTF-8 bytes, in lower-case hexadecimal. */
export type TextHash = (text: string) => string;

/** The hash where nothing faster is at hand. Source: FIPS 180-4. */
export const sha256Hex: TextHash = (text) => bytesToHex(sha256(utf8ToBytes(text)));
