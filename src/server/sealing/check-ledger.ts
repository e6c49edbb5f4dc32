import { audit } from '#core/ledger/audit.ts';
import { EMPTY_HEAD, firstBreak } from '#core/ledger/hash-chain.ts';
import { contentHash, firstBrokenLink } from '#core/ledger/site-chain.ts';
import type { JobHead, Witnessed } from '#core/ledger/witness.ts';
import type { LedgerCheck, LedgerCheckLine, LedgerFinding } from '#wire/ledger-check.ts';
import { nodeSha256 } from '../append/node-sha256.ts';
import { type Connection, database } from '../database/pool.ts';
import { COVERED_TABLES, selectCovered } from '../queries/covered-rows.ts';
import { selectEvents } from '../queries/events.ts';
import { selectHeads } from '../queries/jobs.ts';
import { selectLinks } from '../queries/site-chain.ts';
import { insertLogEntry, THE_SITE } from '../queries/site-log.ts';
import { now } from '../services/clock.ts';
import { WITNESS_LINK } from './sealer.ts';
import { misstated } from './stated.ts';
import { misprojected } from './unlike-events.ts';
import { type WitnessRead, witnessFromStart } from './whole-witness.ts';

/** Most findings that are kept by name. */
const MOST_FINDINGS = 200;
const LINKS_AT_ONCE = 5_000;

type Tally = { events: number; rows: number; unwitnessed: { jobs: number; events: number; rows: number } };

/** The findings of one job: against its own chain and head, against the witness, and against the rules its judgements name. */
const jobFindings = async (
  db: Connection,
  head: JobHead | undefined,
  witnessed: JobHead | undefined,
  tally: Tally,
): Promise<readonly LedgerFinding[]> => {
  const { job, number } = (head ?? witnessed) as JobHead;
  const events = await selectEvents(db, job, 0);
  if (!head || events.length === 0)
    return [{ code: 'job-missing', job, number, sequence: witnessed?.sequence ?? 0 }];
  tally.events += events.length;
  const fresh = events.filter(({ sequence }) => sequence > (witnessed?.sequence ?? 0)).length;
  if (fresh > 0) {
    tally.unwitnessed.jobs += 1;
    tally.unwitnessed.events += fresh;
  }
  const at = { job, number };
  const findings: LedgerFinding[] = [];
  const broken = firstBreak(events, nodeSha256);
  if (broken?.problem === 'sequence')
    findings.push({ code: 'event-missing', ...at, sequence: broken.sequence });
  else if (broken) {
    const { sequence, eventId, problem } = broken;
    findings.push({ code: 'event-altered', ...at, sequence, eventId, problem });
  }
  const last = events.at(-1);
  if (witnessed && head.sequence < witnessed.sequence)
    findings.push({ code: 'head-back', ...at, sequence: head.sequence, witnessed: witnessed.sequence });
  else if (!broken && (last?.sequence !== head.sequence || last.hash !== head.hash))
    findings.push({
      code: 'event-missing',
      ...at,
      sequence: Math.min(last?.sequence ?? 0, head.sequence) + 1,
    });
  if (witnessed && findings.length === 0 && events[witnessed.sequence - 1]?.hash !== witnessed.hash)
    findings.push({ code: 'unlike-witness', ...at, sequence: witnessed.sequence });
  if (findings.length > 0) return findings;
  return audit(events).flatMap((each): readonly LedgerFinding[] =>
    each.code === 'rules-unknown' || each.code === 'version-unknown'
      ? []
      : [{ code: 'does-not-follow', ...at, sequence: each.sequence, why: each.code }],
  );
};

type Linked = { readonly said: string; readonly contentHash: string; readonly sequence: number };

/** The chain of the site's own log, walked from its first link: what it names, by table. */
const walkedLinks = async (
  db: Connection,
  witnessed: Witnessed,
  findings: LedgerFinding[],
): Promise<ReadonlyMap<string, Map<string, Linked>>> => {
  const byKind = new Map<string, Map<string, Linked>>();
  let head = EMPTY_HEAD;
  let atWitness = witnessed.site.sequence === 0 ? EMPTY_HEAD.hash : null;
  for (;;) {
    const links = await selectLinks(db, head.sequence, LINKS_AT_ONCE);
    const broken = firstBrokenLink(head, links, nodeSha256);
    if (broken !== null) findings.push({ code: 'log-altered', sequence: broken });
    for (const { kind, ref, said, contentHash, sequence, hash } of links) {
      const refs = byKind.get(kind) ?? new Map<string, Linked>();
      byKind.set(kind, refs.set(ref, { said, contentHash, sequence }));
      if (sequence === witnessed.site.sequence) atWitness = hash;
    }
    head = links.at(-1) ?? head;
    if (broken !== null || links.length < LINKS_AT_ONCE) break;
  }
  const isAltered = findings.some(({ code }) => code === 'log-altered');
  if (!isAltered && head.sequence < witnessed.site.sequence)
    findings.push({ code: 'log-cut', sequence: head.sequence, witnessed: witnessed.site.sequence });
  else if (!isAltered && atWitness !== witnessed.site.hash)
    findings.push({ code: 'log-altered', sequence: witnessed.site.sequence });
  return byKind;
};

const rowFindings = async (
  db: Connection,
  table: (typeof COVERED_TABLES)[number],
  known: ReadonlyMap<string, Linked>,
  witnessedUpTo: number,
  tally: Tally,
): Promise<readonly LedgerFinding[]> => {
  const findings: LedgerFinding[] = [];
  const seen = new Set<string>();
  for (const { ref, said, content } of await selectCovered(db, table, { isAll: true })) {
    seen.add(ref);
    tally.rows += 1;
    const link = known.get(ref);
    if (!link || link.sequence > witnessedUpTo) tally.unwitnessed.rows += 1;
    if (link && link.contentHash !== contentHash({ ...content }, nodeSha256))
      findings.push({ code: 'row-altered', said: link.said === said ? said : `${link.said}, now ${said}` });
  }
  for (const [ref, { said }] of known) if (!seen.has(ref)) findings.push({ code: 'row-missing', said });
  return findings;
};

/** What the chain remembers of the lines of this file, against the lines that are there. */
const witnessFindings = (
  { lines, hashes, first, broken }: WitnessRead,
  links: ReadonlyMap<string, Linked>,
): readonly LedgerFinding[] => {
  if (broken) return [{ code: 'witness-altered', ...broken }];
  const mine = [...links].filter(([ref]) => first === '' || ref.startsWith(first.slice(0, 16)));
  const others = links.size - mine.length;
  // Lines of another file: it was taken away, and a new one begun.
  if (others > 0) return [{ code: 'witness-missing', lines, known: links.size }];
  for (const [ref, { contentHash }] of mine) {
    const line = Number(ref.split('/')[1]);
    if (line > lines) return [{ code: 'witness-missing', lines, known: Math.max(line, mine.length) }];
    if (hashes[line - 1] !== contentHash) return [{ code: 'witness-altered', line, problem: 'unlike-chain' }];
  }
  return [];
};

/** Walks everything that the site keeps, and names each place at which it is not what was witnessed, chained or written down. Reads only, but for the entry of
 *  the log that says it was done. Yields how far it is, each finding as it is found, and at the end what it came to. */
export const checkLedger = async function* (
  by: Parameters<typeof insertLogEntry>[1]['by'] = THE_SITE,
): AsyncGenerator<LedgerCheckLine> {
  const db = database();
  const tally: Tally = { events: 0, rows: 0, unwitnessed: { jobs: 0, events: 0, rows: 0 } };
  const witness = witnessFromStart();
  const { witnessed } = witness;
  const heads = new Map((await selectHeads(db)).map((head) => [head.job, head]));
  const jobs = [...new Set([...witnessed.jobs.keys(), ...heads.keys()])];
  const total = jobs.length + COVERED_TABLES.length + 2;
  const all: LedgerFinding[] = [];
  let done = 0;
  const step = function* (findings: readonly LedgerFinding[]): Generator<LedgerCheckLine> {
    for (const finding of findings) {
      all.push(finding);
      if (all.length <= MOST_FINDINGS) yield { kind: 'finding', finding };
    }
    done += 1;
    yield { kind: 'progress', done, total };
  };
  yield { kind: 'progress', done, total };
  const chained: LedgerFinding[] = [];
  const links = await walkedLinks(db, witnessed, chained);
  yield* step([...witnessFindings(witness, links.get(WITNESS_LINK) ?? new Map()), ...chained]);
  for (const table of COVERED_TABLES) {
    const known = links.get(table.kind) ?? new Map<string, Linked>();
    yield* step(await rowFindings(db, table, known, witnessed.site.sequence, tally));
  }
  yield* step([
    ...(await misstated(db)).map(
      ({ what, name, field }): LedgerFinding => ({ code: 'state-differs', what, name, field }),
    ),
    ...(await misprojected(db)),
  ]);
  for (const job of jobs) yield* step(await jobFindings(db, heads.get(job), witnessed.jobs.get(job), tally));
  const check: LedgerCheck = {
    at: now(),
    findings: all.slice(0, MOST_FINDINGS),
    found: all.length,
    jobs: heads.size,
    events: tally.events,
    rows: tally.rows,
    witnessLines: witness.lines,
    witnessedAt: witnessed.at,
    unwitnessed: tally.unwitnessed,
  };
  const entry = { at: check.at, by, kind: 'ledger-checked', subject: 'site', why: '' } as const;
  await insertLogEntry(db, { ...entry, body: check });
  yield { kind: 'checked', check };
};
