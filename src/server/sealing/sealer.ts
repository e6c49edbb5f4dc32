import { firstBreakAfter } from '#core/ledger/hash-chain.ts';
import { contentHash, linked, type SiteFact } from '#core/ledger/site-chain.ts';
import { type JobHead, movedSince, type Witnessed, witnessLine } from '#core/ledger/witness.ts';
import { nodeSha256 } from '../append/node-sha256.ts';
import { type Connection, database } from '../database/pool.ts';
import { inTransaction } from '../database/transaction.ts';
import { COVERED_TABLES, selectCovered } from '../queries/covered-rows.ts';
import { selectEvents } from '../queries/events.ts';
import { selectHeads } from '../queries/jobs.ts';
import { insertLinks, selectChainHead, takeSealer } from '../queries/site-chain.ts';
import { insertLogEntry, selectLog, THE_SITE } from '../queries/site-log.ts';
import { now } from '../services/clock.ts';
import { readKeyFile } from './key-file.ts';
import { appendWitness, readWitness, witnessPath } from './witness-file.ts';

/** How long a sealer that says nothing more keeps its place. */
export const SEALER_SECONDS = 30;
/** Heads are signed at the latest after so many events, or so long after the first of them. */
const WITNESS_EVENTS = 100;
const WITNESS_MS = 60_000;
const ROWS_AT_ONCE = 500;

/** What a line of a witness file is called in the chain. */
export const WITNESS_LINK = 'witness';
export const witnessRef = (firstLineHash: string, line: number): string =>
  `${firstLineHash.slice(0, 16)}/${line}`;

const factOf = (
  kind: string,
  { ref, said, content }: { readonly ref: string; readonly said: string; readonly content: object },
): SiteFact => ({ kind, ref, said, contentHash: contentHash({ ...content }, nodeSha256) });

const chain = (facts: readonly SiteFact[]): Promise<void> =>
  inTransaction(async (db) => {
    await insertLinks(db, linked(await selectChainHead(db), facts, now(), nodeSha256));
  });

/** Chains what was added to the covered tables since. */
const chainNews = async (db: Connection): Promise<void> => {
  for (const table of COVERED_TABLES)
    for (;;) {
      const rows = await selectCovered(db, table, { isAll: false, most: ROWS_AT_ONCE });
      if (rows.length > 0) await chain(rows.map((row) => factOf(table.kind, row)));
      if (rows.length < ROWS_AT_ONCE) break;
    }
};

/** Writes down a key that is in use and was not before, so that its time stands in the log too. */
const noteKey = async (db: Connection): Promise<void> => {
  const { keys } = readKeyFile();
  const [last] = await selectLog(db, 'sealing-key', 'site');
  const inUse = keys.at(-1);
  const isNoted = (last?.body as { readonly publicKey?: string } | undefined)?.publicKey === inUse?.publicKey;
  if (!inUse || isNoted) return;
  const body = { publicKey: inUse.publicKey, from: inUse.from };
  await insertLogEntry(db, { at: now(), by: THE_SITE, kind: 'sealing-key', subject: 'site', why: '', body });
};

const saidBroken = new Set<string>();

/** Whether what came to a job since it was witnessed follows on. What does not is never witnessed, and is written down once. */
const followsOn = async (db: Connection, before: Witnessed, head: JobHead): Promise<boolean> => {
  const known = before.jobs.get(head.job) ?? { sequence: 0, hash: '0'.repeat(64) };
  const events = await selectEvents(db, head.job, known.sequence);
  const upTo = events.filter(({ sequence }) => sequence <= head.sequence);
  const broken = firstBreakAfter(known, upTo, nodeSha256);
  const last = upTo.at(-1) ?? known;
  if (!broken && last.sequence === head.sequence && last.hash === head.hash) return true;
  if (!saidBroken.has(head.job)) {
    saidBroken.add(head.job);
    const sequence = broken?.sequence ?? Math.min(last.sequence, head.sequence) + 1;
    console.error(`job ${head.number}: its ledger is not whole at event ${sequence}. It is not witnessed.`);
    const body = { job: head.job, number: head.number, sequence };
    const entry = {
      at: now(),
      by: THE_SITE,
      kind: 'ledger-broken',
      subject: head.job,
      why: '',
      body,
    } as const;
    await insertLogEntry(db, entry);
  }
  return false;
};

const isDue = (before: Witnessed, moved: readonly JobHead[], isSiteMoved: boolean, at: string): boolean => {
  if (before.at === null) return true;
  if (moved.length === 0 && !isSiteMoved) return false;
  const events = moved.reduce(
    (sum, { job, sequence }) => sum + Math.abs(sequence - (before.jobs.get(job)?.sequence ?? 0)),
    0,
  );
  return events >= WITNESS_EVENTS || Date.parse(at) - Date.parse(before.at) >= WITNESS_MS;
};

/** Signs where all chains stand and adds it to the witness file, where it is time for it or `isNow`. */
const witness = async (db: Connection, path: string, isNow: boolean): Promise<void> => {
  const { witnessed: before, broken } = readWitness();
  // A file that somebody changed is left as it is, for the check to name; nothing is added that would seem to follow it.
  if (broken) return;
  const at = now();
  const site = await selectChainHead(db);
  const moved = movedSince(before, await selectHeads(db));
  // The link of the last line itself is no news.
  const isSiteMoved = site.sequence > before.site.sequence + 1;
  if (!isDue(before, moved, isSiteMoved, at) && !(isNow && (moved.length > 0 || isSiteMoved))) return;
  const whole: JobHead[] = [];
  for (const head of moved) if (await followsOn(db, before, head)) whole.push(head);
  if (whole.length === 0 && !isSiteMoved && before.at !== null) return;
  const text = witnessLine(before, { at, site, moved: whole }, readKeyFile().privateKey);
  appendWitness(path, text);
  const line = before.line + 1;
  const hash = nodeSha256(text);
  const ref = witnessRef(before.first || hash, line);
  await chain([{ kind: WITNESS_LINK, ref, said: `line ${line} of the witness file`, contentHash: hash }]);
};

/** One turn of the sealer: chains what is new, where that is looked for, and witnesses where everything stands when it is time, or at once. Does nothing while another process
 *  has the turn; answers whether it had it. */
export const sealOnce = async (holder: string, isNow = false, isWhole = true): Promise<boolean> => {
  const db = database();
  if (!(await takeSealer(db, holder, SEALER_SECONDS))) return false;
  if (isWhole) {
    await noteKey(db);
    await chainNews(db);
  }
  const path = witnessPath();
  if (path && (await takeSealer(db, holder, SEALER_SECONDS))) await witness(db, path, isNow);
  return true;
};
