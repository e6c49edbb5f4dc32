import type { LedgerEvent } from '#core/event/lifted.ts';
import { audit } from '#core/ledger/audit.ts';
import { breaksAfter, type ChainHead, EMPTY_HEAD } from '#core/ledger/hash-chain.ts';
import type { JobHead } from '#core/ledger/witness.ts';
import type { LedgerFinding } from '#wire/ledger-check.ts';
import { nodeSha256 } from '../append/node-sha256.ts';
import type { Connection } from '../database/pool.ts';
import { selectEvents } from '../queries/events.ts';
import { selectHead } from '../queries/jobs.ts';
import type { Looked } from './looked.ts';

const findingsOf = (
  at: Pick<JobHead, 'job' | 'number'>,
  head: ChainHead | null,
  events: readonly LedgerEvent[],
  witnessed: JobHead | undefined,
): readonly LedgerFinding[] => {
  if (!head || events.length === 0)
    return [{ code: 'job-missing', ...at, sequence: witnessed?.sequence ?? 0 }];
  const findings = [...breaksAfter(EMPTY_HEAD, events, nodeSha256)].map(
    ({ sequence, eventId, problem }): LedgerFinding => {
      if (problem !== 'sequence') return { code: 'event-altered', ...at, sequence, eventId, problem };
      const behind = events.find(({ id }) => id === eventId);
      return { code: 'event-missing', ...at, sequence, upTo: (behind?.sequence ?? sequence) - 1 };
    },
  );
  const last = events.at(-1) as LedgerEvent;
  const known = Math.max(witnessed?.sequence ?? 0, last.sequence);
  if (head.sequence < known)
    findings.push({ code: 'head-back', ...at, sequence: head.sequence, witnessed: known });
  else if (head.sequence > last.sequence)
    findings.push({ code: 'event-missing', ...at, sequence: last.sequence + 1, upTo: head.sequence });
  else if (findings.length === 0 && last.hash !== head.hash) {
    const { sequence, id: eventId } = last;
    findings.push({ code: 'event-altered', ...at, sequence, eventId, problem: 'hash' });
  }
  if (witnessed && findings.length === 0 && events[witnessed.sequence - 1]?.hash !== witnessed.hash)
    findings.push({ code: 'unlike-witness', ...at, sequence: witnessed.sequence });
  if (findings.length > 0) return findings;
  return audit(events).flatMap((each): readonly LedgerFinding[] =>
    each.code === 'rules-unknown' || each.code === 'version-unknown'
      ? []
      : [{ code: 'does-not-follow', ...at, sequence: each.sequence, why: each.code }],
  );
};

/** One job against its own chain and head, against the witness, and against the rules that its judgements name. */
export const lookAtJob = async (
  db: Connection,
  at: Pick<JobHead, 'job' | 'number'>,
  witnessed: JobHead | undefined,
): Promise<Looked> => {
  const head = await selectHead(db, at.job);
  const events = await selectEvents(db, at.job, 0);
  const fresh = events.filter(({ sequence }) => sequence > (witnessed?.sequence ?? 0)).length;
  const unwitnessed = { jobs: fresh > 0 ? 1 : 0, events: fresh, rows: 0 };
  return {
    findings: findingsOf(at, head, events, witnessed),
    tally: { events: events.length, rows: 0, unwitnessed },
  };
};
