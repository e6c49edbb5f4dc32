import type { LedgerCheck, LedgerCheckLine, LedgerFinding } from '#wire/ledger-check.ts';
import { type Connection, database } from '../database/pool.ts';
import { COVERED_TABLES } from '../queries/covered-rows.ts';
import { selectHeads } from '../queries/jobs.ts';
import { insertLogEntry, THE_SITE } from '../queries/site-log.ts';
import { now } from '../services/clock.ts';
import { lookAtJob } from './look-at-job.ts';
import { type Linked, lookAtLog, lookAtRows } from './look-at-log.ts';
import { added, confirmed, confirmedOne, type Looked, nothing } from './looked.ts';
import { misstated } from './stated.ts';
import { misprojected } from './unlike-events.ts';

/** Most findings that are kept by name. */
const MOST_FINDINGS = 200;
/** So many jobs are looked at before those in which something is found are looked at again: a moment's wait for each would be hours where all are touched. */
const JOBS_AT_ONCE = 50;

/** What may change, against what the log says that it was left as. */
const lookAtStates = async (db: Connection): Promise<Looked> => {
  const stated = (await misstated(db)).map(
    ({ what, name, field }): LedgerFinding => ({ code: 'state-differs', what, name, field }),
  );
  return { findings: [...stated, ...(await misprojected(db))], tally: nothing() };
};

/** Walks everything that the site keeps, and names each place at which it is not what was witnessed, chained or written down. Reads only, but for the entry of
 *  the log that says it was done. Yields how far it is, each finding as it is found, and at the end what it came to. */
export const checkLedger = async function* (
  by: Parameters<typeof insertLogEntry>[1]['by'] = THE_SITE,
): AsyncGenerator<LedgerCheckLine> {
  const db = database();
  const log = await confirmedOne(() => lookAtLog(db));
  const { witness, links } = log;
  const { witnessed } = witness;
  const jobs = new Map(
    [...witnessed.jobs.values(), ...(await selectHeads(db))].map((head) => [head.job, head]),
  );
  const total = jobs.size + COVERED_TABLES.length + 2;
  const all: LedgerFinding[] = [];
  let tally = nothing();
  let done = 0;
  const step = function* (looked: Looked): Generator<LedgerCheckLine> {
    tally = added(tally, looked.tally);
    for (const finding of looked.findings) {
      all.push(finding);
      if (all.length <= MOST_FINDINGS) yield { kind: 'finding', finding };
    }
    done += 1;
    yield { kind: 'progress', done, total };
  };
  yield* step(log);
  const tables = COVERED_TABLES.map((table) => () => {
    const known = links.get(table.kind) ?? new Map<string, Linked>();
    return lookAtRows(db, table, known, witnessed.site.sequence);
  });
  for (const looked of await confirmed([...tables, () => lookAtStates(db)])) yield* step(looked);
  const heads = [...jobs];
  for (let from = 0; from < heads.length; from += JOBS_AT_ONCE) {
    const some = heads.slice(from, from + JOBS_AT_ONCE);
    const looks = some.map(
      ([id, head]) =>
        () =>
          lookAtJob(db, head, witnessed.jobs.get(id)),
    );
    for (const looked of await confirmed(looks)) yield* step(looked);
  }
  const check: LedgerCheck = {
    at: now(),
    findings: all.slice(0, MOST_FINDINGS),
    found: all.length,
    jobs: jobs.size,
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
