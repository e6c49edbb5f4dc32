import { canonicalText } from '../canonical.ts';
import { EVENT_SCHEMA_VERSION, type UnplacedEvent } from '../event/event.ts';
import type { LedgerEvent } from '../event/lifted.ts';
import type { EventClock } from '../job/happened.ts';
import { sha256Hex, type TextHash } from '../text-hash.ts';

/** What the first event of a job names as the hash before it. */
export const GENESIS_HASH = '0'.repeat(64);

/** The hash of an event: SHA-256 over the canonical form of everything in it but the hash itself. */
export const eventHash = (
  event: Omit<LedgerEvent, 'hash'> | LedgerEvent,
  sha256: TextHash = sha256Hex,
): string => {
  const { hash: _, ...rest } = event as LedgerEvent;
  return sha256(canonicalText(rest));
};

const FIELDS = 12;

// What a file holds may be of any type.
const isLong = (value: unknown, length: number): boolean =>
  typeof value === 'string' && value.length === length;

/** The text of an event as it is mostly kept: keys in canonical order, nothing in its ids and times to escape. Null where it has other fields.
 *  What is put in without a writer is of its type, and ids and times have one length each, so that no text of one event is that of another.
 *  Written out, because a general writer takes half of the time of checking a chain. */
const textAsKept = (event: LedgerEvent): string | null => {
  const {
    body,
    clock,
    deviceTime,
    id,
    job,
    kind,
    person,
    previousHash,
    schemaVersion,
    sequence,
    serverTime,
  } = event;
  const hasItsLengths = isLong(id, 36) && isLong(job, 36) && isLong(deviceTime, 24) && isLong(serverTime, 24);
  const hasItsTypes =
    typeof kind === 'string' && typeof schemaVersion === 'number' && typeof sequence === 'number';
  if (!hasItsLengths || !hasItsTypes || !isLong(previousHash, 64) || Object.keys(event).length !== FIELDS)
    return null;
  return `{"body":${JSON.stringify(body)},"clock":${JSON.stringify(clock)},"deviceTime":"${deviceTime}","id":"${id}","job":"${job}","kind":"${kind}","person":${JSON.stringify(person)},"previousHash":"${previousHash}","schemaVersion":${schemaVersion},"sequence":${sequence},"serverTime":"${serverTime}"}`;
};

/** Whether an event's hash is over it. A text with that hash is the text that was hashed, so the quick one may be tried first. */
const isHashOf = (event: LedgerEvent, sha256: TextHash): boolean => {
  const text = textAsKept(event);
  return (text !== null && sha256(text) === event.hash) || eventHash(event, sha256) === event.hash;
};

/** Where the chain of a job stands. */
export type ChainHead = { readonly sequence: number; readonly hash: string };

/** The head of a chain without events. */
export const EMPTY_HEAD: ChainHead = { sequence: 0, hash: GENESIS_HASH };

/** What the site knows when it places an event. */
export type Receipt = { readonly clock: EventClock; readonly serverTime: string };

/** An event in its place, with its canonical text and those of its clock and body: what its hash is over is what the ledger keeps. */
export type Placed = {
  readonly event: LedgerEvent;
  readonly text: string;
  readonly clockText: string;
  readonly bodyText: string;
};

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
  const rest = { id, job, kind, person, previousHash: head.hash, schemaVersion, sequence, serverTime };
  const [bodyText, clockText] = [canonicalText(body), canonicalText(clock)];
  // In canonical order the hash has its place between these two, and nothing is written a second time.
  const front = `{"body":${bodyText},"clock":${clockText},"deviceTime":${canonicalText(deviceTime)}`;
  const back = canonicalText(rest).slice(1);
  const hash = sha256(`${front},${back}`);
  const placed = { body, clock, deviceTime, hash, ...rest };
  return { event: placed, text: `${front},"hash":"${hash}",${back}`, bodyText, clockText };
};

export type ChainFinding = {
  readonly sequence: number;
  readonly eventId: string;
  readonly problem: 'sequence' | 'previous-hash' | 'hash' | 'repeated-id' | 'other-job';
};

/** Every event that does not follow on from the one before it, from a head on. Behind one that does not, the chain is taken up again where it stands, so that only what was touched
 *  is named. What is missing is named by its first place and the event behind it. The hash function is handed in where a faster one is at hand. */
export const breaksAfter = function* (
  head: ChainHead,
  events: readonly LedgerEvent[],
  sha256: TextHash = sha256Hex,
): Generator<ChainFinding, null> {
  const seen = new Set<string>();
  const job = events[0]?.job;
  // What stands behind a gap, or behind an event that was changed, can't be held to the hash before it.
  const problemOf = (event: LedgerEvent, before: ChainHead | null): ChainFinding['problem'] | null => {
    if (before && event.previousHash !== before.hash) return 'previous-hash';
    if (!isHashOf(event, sha256)) return 'hash';
    if (seen.has(event.id)) return 'repeated-id';
    return event.job === job ? null : 'other-job';
  };
  let before = head;
  let isBeforeWhole = true;
  for (const event of events) {
    const isNext = event.sequence === before.sequence + 1;
    if (!isNext) yield { sequence: before.sequence + 1, eventId: event.id, problem: 'sequence' };
    const problem = problemOf(event, isNext && isBeforeWhole ? before : null);
    if (problem) yield { sequence: event.sequence, eventId: event.id, problem };
    seen.add(event.id);
    before = event;
    isBeforeWhole = problem === null;
  }
  return null;
};

/** The first event that does not follow on from a head; null when all do. */
export const firstBreakAfter = (
  head: ChainHead,
  events: readonly LedgerEvent[],
  sha256: TextHash = sha256Hex,
): ChainFinding | null => breaksAfter(head, events, sha256).next().value;

/** The first event that does not fit a whole chain; null when all do. */
export const firstBreak = (
  events: readonly LedgerEvent[],
  sha256: TextHash = sha256Hex,
): ChainFinding | null => firstBreakAfter(EMPTY_HEAD, events, sha256);
