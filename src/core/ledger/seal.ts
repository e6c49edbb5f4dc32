import { ed25519 } from '@noble/curves/ed25519.js';
import { bytesToHex, hexToBytes, utf8ToBytes } from '@noble/hashes/utils.js';
import { canonicalText, sha256Hex } from '../canonical.ts';
import type { ChainHead } from './hash-chain.ts';

/** What a site signs about a job when its record leaves the house. */
export type SealedFacts = {
  readonly site: string;
  readonly job: string;
  readonly headSequence: number;
  readonly headHash: string;
  readonly sealedAt: string;
};

/** The sealed facts with the site's Ed25519 signature over their canonical form, keys and signature in hexadecimal. */
export type Seal = SealedFacts & {
  readonly publicKey: string;
  readonly signature: string;
};

const message = (facts: SealedFacts & { readonly publicKey: string }): Uint8Array => {
  const { site, job, headSequence, headHash, sealedAt, publicKey } = facts;
  return utf8ToBytes(canonicalText({ site, job, headSequence, headHash, sealedAt, publicKey }));
};

/** The public key of a private key, both in hexadecimal. Source: RFC 8032, 5.1.5. */
export const sealingPublicKey = (privateKey: string): string =>
  bytesToHex(ed25519.getPublicKey(hexToBytes(privateKey)));

/** Seals the facts with the site's private key (hexadecimal). Source: RFC 8032, 5.1.6. */
export const sealed = (facts: SealedFacts, privateKey: string): Seal => {
  const publicKey = sealingPublicKey(privateKey);
  const signature = ed25519.sign(message({ ...facts, publicKey }), hexToBytes(privateKey));
  return { ...facts, publicKey, signature: bytesToHex(signature) };
};

/** Whether a seal's signature fits its facts and key. Source: RFC 8032, 5.1.7. */
export const isSealIntact = (seal: Seal): boolean => {
  try {
    return ed25519.verify(hexToBytes(seal.signature), message(seal), hexToBytes(seal.publicKey));
  } catch {
    // The library throws on hexadecimal that is no key or signature; to a verifier that is the same answer.
    return false;
  }
};

/** A short name of a public key that two people can compare aloud: four groups of four. */
export const keyFingerprint = (publicKey: string): string =>
  (sha256Hex(publicKey).slice(0, 16).match(/.{4}/g) ?? []).join('-');

/** The head a seal speaks of. */
export const sealedHead = (seal: SealedFacts): ChainHead => ({
  sequence: seal.headSequence,
  hash: seal.headHash,
});
