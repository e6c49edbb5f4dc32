import type { LedgerEvent } from '#core/event/lifted.ts';
import type { SealedFacts } from '#core/ledger/seal.ts';

/** What a test site would seal about a job with these events. */
export const factsOf = (events: readonly LedgerEvent[]): SealedFacts => {
  const last = events.at(-1);
  if (!last) throw new Error('a job without events is not sealed');
  return {
    site: 'Test site',
    job: last.job,
    headSequence: last.sequence,
    headHash: last.hash,
    sealedAt: '2026-11-02T09:00:00.000Z',
  };
};
