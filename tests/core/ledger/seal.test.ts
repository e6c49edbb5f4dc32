import { createPrivateKey, sign } from 'node:crypto';
import { describe, expect, test } from 'vitest';
import { canonicalText } from '#core/canonical.ts';
import { isSealIntact, keyFingerprint, type SealedFacts, sealed } from '#core/ledger/seal.ts';
import { sealingPublicKey } from '#core/ledger/signature.ts';

// Published: RFC 8032, 7.1, TEST 1.
const PRIVATE_KEY = '9d61b19deffd5a60ba844af492ec2cc44449c5697b326919703bac031cae7f60';
const PUBLIC_KEY = 'd75a980182b10ab7d54bfed3c964073a0ee172f3daa62325af021a68f707511a';

const FACTS: SealedFacts = {
  site: 'Test site',
  job: '0190a000-0000-7000-8000-0000000000b1',
  headSequence: 7,
  headHash: 'a'.repeat(64),
  sealedAt: '2026-11-02T09:00:00.000Z',
};

describe('RFC 8032: Ed25519', () => {
  test('7.1 TEST 1: the public key of the private key', () => {
    expect(sealingPublicKey(PRIVATE_KEY)).toBe(PUBLIC_KEY);
  });

  test('the signature is the platform’s own over the canonical facts', () => {
    const key = createPrivateKey({
      key: Buffer.concat([
        Buffer.from('302e020100300506032b657004220420', 'hex'),
        Buffer.from(PRIVATE_KEY, 'hex'),
      ]),
      format: 'der',
      type: 'pkcs8',
    });
    const expected = sign(
      null,
      Buffer.from(canonicalText({ ...FACTS, publicKey: PUBLIC_KEY })),
      key,
    ).toString('hex');
    expect(sealed(FACTS, PRIVATE_KEY).signature).toBe(expected);
  });
});

describe('a seal', () => {
  test('is intact as made', () => {
    expect(isSealIntact(sealed(FACTS, PRIVATE_KEY))).toBe(true);
  });

  test.each([
    { site: 'Other site' },
    { job: '0190a000-0000-7000-8000-0000000000b2' },
    { headSequence: 8 },
    { headHash: 'b'.repeat(64) },
    { sealedAt: '2026-11-02T09:00:00.001Z' },
    { publicKey: sealingPublicKey('1'.repeat(64)) },
    { signature: '0'.repeat(128) },
    { signature: 'no hexadecimal' },
    { publicKey: 'short' },
  ])('is broken by %j', (change) => {
    expect(isSealIntact({ ...sealed(FACTS, PRIVATE_KEY), ...change })).toBe(false);
  });

  test('a key has a short name to compare aloud', () => {
    expect(keyFingerprint(PUBLIC_KEY)).toMatch(/^[0-9a-f]{4}(-[0-9a-f]{4}){3}$/);
    expect(keyFingerprint(PUBLIC_KEY)).not.toBe(keyFingerprint(sealingPublicKey('1'.repeat(64))));
  });
});
