import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { configure } from 'safe-stable-stringify';
import { Fault } from '../fault.ts';

// A value that refers to itself, or holds what JSON has no word for, is a fault and never a placeholder in a hash.
const stringify = configure({ circularValue: Error, strict: true, bigint: false });

/** The canonical text of a JSON value: keys sorted by code unit, shortest numbers, no white space.
 *  Source: RFC 8785 (JSON Canonicalization Scheme). Throws: Fault for what JSON can't say. */
export const canonicalText = (value: unknown): string => {
  const text = stringify(value);
  if (text === undefined) throw new Fault('value has no canonical JSON form');
  return text;
};

/** SHA-256 of a text's UTF-8 bytes, in lower-case hexadecimal. */
export type TextHash = (text: string) => string;

/** The hash where nothing faster is at hand. Source: FIPS 180-4. */
export const sha256Hex: TextHash = (text) => bytesToHex(sha256(utf8ToBytes(text)));
