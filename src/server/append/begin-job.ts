import type { UnplacedEvent } from '#core/event/event.ts';
import type { LedgerEvent } from '#core/event/lifted.ts';
import { EMPTY_HEAD } from '#core/ledger/hash-chain.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Asker } from '../asker.ts';
import type { Transaction } from '../database/transaction.ts';
import { appendToJob, type ContactOf, unknownContact } from './append-events.ts';
import { knownToSite, readAhead } from './known-to-site.ts';
import type { RememberedJob } from './remembered-job.ts';

const NEW: RememberedJob = { head: EMPTY_HEAD, view: null, ids: new Set() };

/** Places the event that a job begins with, in a transaction that has made its head row. Refuses: what decide refuses. */
export const beginJob = async (
  db: Transaction,
  planned: UnplacedEvent,
  by: Asker,
  contactOf: ContactOf = unknownContact,
): Promise<Result<LedgerEvent, Problem>> => {
  const knowledge = await knownToSite(db, [planned], by, await readAhead(db, [planned]));
  const { result } = await appendToJob(db, NEW, [planned], knowledge, contactOf);
  const [placed] = result.placed;
  return placed ? accepted(placed) : refused(result.refused?.problem as Problem);
};
