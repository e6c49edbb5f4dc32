import { EMPTY_HEAD } from '#core/ledger/hash-chain.ts';
import { brokenLinks, contentHash } from '#core/ledger/site-chain.ts';
import type { Witnessed } from '#core/ledger/witness.ts';
import type { LedgerFinding } from '#wire/ledger-check.ts';
import { nodeSha256 } from '../append/node-sha256.ts';
import type { Connection } from '../database/pool.ts';
import { type COVERED_TABLES, selectCovered } from '../queries/covered-rows.ts';
import { selectLinks } from '../queries/site-chain.ts';
import { type Looked, nothing } from './looked.ts';
import { WITNESS_LINK } from './sealer.ts';
import { type WitnessRead, witnessFromStart } from './whole-witness.ts';

const LINKS_AT_ONCE = 5_000;

export type Linked = { readonly said: string; readonly contentHash: string; readonly sequence: number };

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
    for (const sequence of brokenLinks(head, links, nodeSha256))
      findings.push({ code: 'log-altered', sequence });
    for (const { kind, ref, said, contentHash, sequence, hash } of links) {
      const refs = byKind.get(kind) ?? new Map<string, Linked>();
      byKind.set(kind, refs.set(ref, { said, contentHash, sequence }));
      if (sequence === witnessed.site.sequence) atWitness = hash;
    }
    head = links.at(-1) ?? head;
    if (links.length < LINKS_AT_ONCE) break;
  }
  const isAltered = findings.some(({ code }) => code === 'log-altered');
  if (!isAltered && head.sequence < witnessed.site.sequence)
    findings.push({ code: 'log-cut', sequence: head.sequence, witnessed: witnessed.site.sequence });
  else if (!isAltered && atWitness !== witnessed.site.hash)
    findings.push({ code: 'log-altered', sequence: witnessed.site.sequence });
  return byKind;
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

/** The witness file and the site's own chain, one against the other. */
export type LookedAtLog = Looked & {
  readonly witness: WitnessRead;
  readonly links: ReadonlyMap<string, ReadonlyMap<string, Linked>>;
};

export const lookAtLog = async (db: Connection): Promise<LookedAtLog> => {
  const witness = witnessFromStart();
  const chained: LedgerFinding[] = [];
  const links = await walkedLinks(db, witness.witnessed, chained);
  const findings = [...witnessFindings(witness, links.get(WITNESS_LINK) ?? new Map()), ...chained];
  return { findings, tally: nothing(), witness, links };
};

/** The rows of a covered table against the links that name them. */
export const lookAtRows = async (
  db: Connection,
  table: (typeof COVERED_TABLES)[number],
  known: ReadonlyMap<string, Linked>,
  witnessedUpTo: number,
): Promise<Looked> => {
  const tally = nothing();
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
  return { findings, tally };
};
