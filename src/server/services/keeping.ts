import { keyFingerprint } from '#core/ledger/seal.ts';
import { sealingPublicKey } from '#core/ledger/signature.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Keeping } from '#wire/api-keeping.ts';
import { type LedgerCheckLine, ledgerCheckSchema } from '#wire/ledger-check.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Asker } from '../asker.ts';
import { database } from '../database/pool.ts';
import { unreadableRows } from '../database/readable-rows.ts';
import { selectLog } from '../queries/site-log.ts';
import { checkLedger } from '../sealing/check-ledger.ts';
import { readKeyFile } from '../sealing/key-file.ts';
import { readWitness, witnessPath } from '../sealing/witness-file.ts';
import { witnessLateSince } from '../sealing/witness-late.ts';
import { now } from './clock.ts';

/** How the site's records are kept: by which keys it seals, what is witnessed, and what the last check came to. */
export const keeping = async (): Promise<Keeping> => {
  const { keys, privateKey } = readKeyFile();
  const { witnessed } = readWitness();
  const [last] = await selectLog(database(), 'ledger-checked', 'site');
  const check = ledgerCheckSchema.safeParse(last?.body);
  return {
    fingerprint: keyFingerprint(sealingPublicKey(privateKey)),
    keys: [...keys],
    witness: witnessPath()
      ? {
          lines: witnessed.line,
          at: witnessed.at,
          jobs: witnessed.jobs.size,
          lateSince: await witnessLateSince(database(), now()),
        }
      : null,
    unreadable: unreadableRows().slice(0, 50),
    lastCheck: last && check.success ? { by: last.by, check: check.data } : null,
  };
};

let isChecking = false;

/** A check of everything that is kept, one at a time. Refuses: check-runs. */
export const ledgerChecked = (by: Asker): Result<AsyncGenerator<LedgerCheckLine>, Problem> => {
  if (isChecking) return refused({ code: 'check-runs' });
  const lines = async function* (): AsyncGenerator<LedgerCheckLine> {
    isChecking = true;
    try {
      yield* checkLedger(by);
    } finally {
      isChecking = false;
    }
  };
  return accepted(lines());
};
