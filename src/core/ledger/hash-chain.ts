import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import canonicalize from 'canonicalize';
import { Fault } from '../fault.ts';
import type { JobEvent, UnplacedEvent } from '../job/event.ts';

/** What the first event of a job names as the hash before it. */
export const GENESIS_HASH = '0'.repeat(64);

/** The canonical text of a JSON value: sorted keys, shortest numbers, no white space.
 *  Source: RFC 8785 (JSON Canonicalization Scheme). Throws: Fault for what JSON can't say. */
export const canonicalText = (value: unknown): string => {
  const text = canonicalize(value);
  if (text === undefined) throw new Fault('value has no canonical JSON form');
  return text;
};

/** SHA-256 of a text's UTF-8 bytes, in lower-case hexadecimal. Source: FIPS 180-4. */
export const sha256Hex = (text: string): string => bytesToHex(sha256(utf8ToBytes(text)));

/** The hash of an event: SHA-256 over the canonical form of everything in it but the hash itself. */
export const eventHash = (event: Omit<JobEvent, 'hash'> | JobEvent): string => {
  const { hash: _, ...rest } = event as JobEvent;
  return sha256Hex(canonicalText(rest));
};

/** Where the chain of a job stands. */
export type ChainHead = { readonly sequence: number; readonly hash: string };

/** The head of a chain without events. */
export const EMPTY_HEAD: ChainHead = { sequence: 0, hash: GENESIS_HASH };

/** An event placed after the head: with its sequence, server time, the hash before it and its own. */
export const placedEvent = (event: UnplacedEvent, head: ChainHead, serverTime: string): JobEvent => {
  const placed = {
    ...event,
    sequence: head.sequence + 1,
    serverTime,
    previousHash: head.hash,
  };
  return { ...placed, hash: eventHash(placed) };
};

export type ChainFinding = {
  readonly sequence: number;
  readonly eventId: string;
  readonly problem: 'sequence' | 'previous-hash' | 'hash' | 'repeated-id' | 'other-job';
};

/** The first event that does not fit the chain; null when all do. */
export const firstBreak = (events: readonly JobEvent[]): ChainFinding | null => {
  const seen = new Set<string>();
  let head = EMPTY_HEAD;
  for (const event of events) {
    const at = (problem: ChainFinding['problem']): ChainFinding => ({
      sequence: head.sequence + 1,
      eventId: event.id,
      problem,
    });
    if (event.sequence !== head.sequence + 1) return at('sequence');
    if (event.previousHash !== head.hash) return at('previous-hash');
    if (eventHash(event) !== event.hash) return at('hash');
    if (seen.has(event.id)) return at('repeated-id');
    if (event.job !== events[0]?.job) return at('other-job');
    seen.add(event.id);
    head = { sequence: event.sequence, hash: event.hash };
  }
  return null;
};
