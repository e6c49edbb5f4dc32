import { ed25519 } from '@noble/curves/ed25519.js';
import { bytesToHex, hexToBytes, utf8ToBytes } from '@noble/hashes/utils.js';
import { canonicalText } from '../canonical.ts';

/** The public key of a private key, both in hexadecimal. Source: RFC 8032, 5.1.5. */
export const sealingPublicKey = (privateKey: string): string =>
  bytesToHex(ed25519.getPublicKey(hexToBytes(privateKey)));

/** The Ed25519 signature of a value's canonical form (RFC 8785), in hexadecimal. Source: RFC 8032, 5.1.6. */
export const signatureOf = (value: unknown, privateKey: string): string =>
  bytesToHex(ed25519.sign(utf8ToBytes(canonicalText(value)), hexToBytes(privateKey)));

/** Whether a signature is that of a value under a key. Source: RFC 8032, 5.1.7. */
export const isSignatureOf = (value: unknown, signature: string, publicKey: string): boolean => {
  try {
    return ed25519.verify(hexToBytes(signature), utf8ToBytes(canonicalText(value)), hexToBytes(publicKey));
  } catch {
    // The library throws on hexadecimal that is no key or signature; to a verifier that is the same answer.
    return false;
  }
};
