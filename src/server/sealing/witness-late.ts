import { movedSince } from '#core/ledger/witness.ts';
import type { Connection } from '../database/pool.ts';
import { selectFirstTime } from '../queries/events.ts';
import { selectHeads } from '../queries/jobs.ts';
import { secondsAfter } from '../services/clock.ts';
import { readWitness } from './witness-file.ts';

/** What is not witnessed after so long waits for something that does not come by itself: the sealer takes a minute at most. */
const LATE_SECONDS = 180;
// One is enough to be late; a site that never had a witness is not counted through.
const JOBS_LOOKED_AT = 50;

/** Since when events wait for a line of the witness file, as of an instant; null where none does, or not for longer than it takes. */
export const witnessLateSince = async (db: Connection, at: string): Promise<string | null> => {
  const { witnessed } = readWitness();
  const moved = movedSince(witnessed, await selectHeads(db)).slice(0, JOBS_LOOKED_AT);
  if (moved.length === 0) return null;
  const since = await selectFirstTime(
    db,
    moved.map(({ job, sequence }) => {
      const known = witnessed.jobs.get(job)?.sequence ?? 0;
      // A head that was moved back waits too: for whoever moved it.
      return [job, Math.min(known + 1, sequence)];
    }),
  );
  return since !== null && secondsAfter(since, LATE_SECONDS) < at ? since : null;
};
