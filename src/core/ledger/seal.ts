import { sha256Hex } from '../text-hash.ts';
import type { ChainHead } from './hash-chain.ts';
import { isSignatureOf, sealingPublicKey, signatureOf } from './signature.ts';

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

const message = (facts: SealedFacts & { readonly publicKey: string }): SealedFacts => {
  const { site, job, headSequence, headHash, sealedAt, publicKey } = facts;
  return { site, job, headSequence, headHash, sealedAt, publicKey } as SealedFacts;
};

/** Seals the facts with the site's private key (hexadecimal). */
export const sealed = (facts: SealedFacts, privateKey: string): Seal => {
  const publicKey = sealingPublicKey(privateKey);
  return { ...facts, publicKey, signature: signatureOf(message({ ...facts, publicKey }), privateKey) };
};

/** Whether a seal's signature fits its facts and key. */
export const isSealIntact = (seal: Seal): boolean =>
  isSignatureOf(message(seal), seal.signature, seal.publicKey);

/** A short name of a public key that two people can compare aloud: four groups of four. */
export const keyFingerprint = (publicKey: string): string =>
  (sha256Hex(publicKey).slice(0, 16).match(/.{4}/g) ?? []).join('-');

/** The head a seal speaks of. */
export const sealedHead = (seal: SealedFacts): ChainHead => ({
  sequence: seal.headSequence,
  hash: seal.headHash,
});
