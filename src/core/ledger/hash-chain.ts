import { EVENT_SCHEMA_VERSION, type UnplacedEvent } from '../event/event.ts';
import type { EventClock } from '../event/happened.ts';
import type { KeptEvent } from '../event/lifted.ts';
import { canonicalText, sha256Hex, type TextHash } from './canonical.ts';

/** What the first event of a job names as the hash before it. */
export const GENESIS_HASH = '0'.repeat(64);

/** The hash of an event: SHA-256 over the canonical form of everything in it but the hash itself. */
export const eventHash = (
  event: Omit<KeptEvent, 'hash'> | KeptEvent,
  sha256: TextHash = sha256Hex,
): string => {
  const { hash: _, ...rest } = event as KeptEvent;
  return sha256(canonicalText(rest));
};

/** Whether an event's hash is over it. Events of version 2 and later are kept with their keys in canonical order, so that their plain text is mostly
 *  the canonical one already: a text with that hash is the text that was hashed, and only where it has another it is put in order first. */
const isHashOf = (event: KeptEvent, sha256: TextHash): boolean => {
  const { hash, ...rest } = event;
  if (event.schemaVersion > 1 && sha256(JSON.stringify(rest)) === hash) return true;
  return sha256(canonicalText(rest)) === hash;
};

/** Where the chain of a job stands. */
export type ChainHead = { readonly sequence: number; readonly hash: string };

/** The head of a chain without events. */
export const EMPTY_HEAD: ChainHead = { sequence: 0, hash: GENESIS_HASH };

/** What the site knows when it places an event. */
export type Receipt = { readonly clock: EventClock; readonly serverTime: string };

/** An event in its place, with the canonical texts of its clock and body: what its hash is over is what the ledger keeps. */
export type Placed = { readonly event: KeptEvent; readonly clockText: string; readonly bodyText: string };

/** An event placed after the head: with its clock, sequence, server time, the hash before it and its own. */
export const placedEvent = (
  event: UnplacedEvent,
  head: ChainHead,
  { clock, serverTime }: Receipt,
  sha256: TextHash = sha256Hex,
): Placed => {
  const { id, job, deviceTime, person, kind, body } = event;
  const schemaVersion = EVENT_SCHEMA_VERSION;
  const sequence = head.sequence + 1;
  const rest = {
    deviceTime,
    id,
    job,
    kind,
    person,
    previousHash: head.hash,
    schemaVersion,
    sequence,
    serverTime,
  };
  const [bodyText, clockText] = [canonicalText(body), canonicalText(clock)];
  // In canonical order body and clock come before all others, so that neither is written a second time.
  const text = `{"body":${bodyText},"clock":${clockText},${canonicalText(rest).slice(1)}`;
  return { event: { body, clock, hash: sha256(text), ...rest }, bodyText, clockText };
};

export type ChainFinding = {
  readonly sequence: number;
  readonly eventId: string;
  readonly problem: 'sequence' | 'previous-hash' | 'hash' | 'repeated-id' | 'other-job';
};

/** The first event that does not follow on from a head; null when all do. The hash function is handed in where a faster one is at hand. */
export const firstBreakAfter = (
  head: ChainHead,
  events: readonly KeptEvent[],
  sha256: TextHash = sha256Hex,
): ChainFinding | null => {
  const seen = new Set<string>();
  const job = events[0]?.job;
  const problemOf = (event: KeptEvent, before: ChainHead): ChainFinding['problem'] | null => {
    if (event.sequence !== before.sequence + 1) return 'sequence';
    if (event.previousHash !== before.hash) return 'previous-hash';
    if (!isHashOf(event, sha256)) return 'hash';
    if (seen.has(event.id)) return 'repeated-id';
    return event.job === job ? null : 'other-job';
  };
  let before = head;
  for (const event of events) {
    const problem = problemOf(event, before);
    if (problem) return { sequence: before.sequence + 1, eventId: event.id, problem };
    seen.add(event.id);
    before = event;
  }
  return null;
};

/** The first event that does not fit a whole chain; null when all do. */
export const firstBreak = (events: readonly KeptEvent[], sha256: TextHash = sha256Hex): ChainFinding | null =>
  firstBreakAfter(EMPTY_HEAD, events, sha256);
