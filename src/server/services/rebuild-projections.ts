import { Fault } from '#core/fault.ts';
import type { JobEvent } from '#core/job/event.ts';
import { foldJob } from '#core/job/next-state.ts';
import { firstBreak } from '#core/ledger/hash-chain.ts';
import { database, inTransaction } from '../database/pool.ts';
import { selectEvents } from '../queries/events.ts';
import { replaceJobReferences } from '../queries/job-references.ts';
import { lockHead, selectJobIds, updateHead } from '../queries/jobs.ts';
import { deletePullsOfJob, projectPull } from '../queries/pulls.ts';
import { rebuildSearch } from './site-search.ts';

/** Writes what lists and the search show again, from the events and the book, and answers how many jobs it wrote.
 *  Throws: Fault for a job whose chain is broken or does not fold; it says which. */
export const rebuildProjections = async (): Promise<number> => {
  const jobs = await selectJobIds(database());
  for (const job of jobs)
    await inTransaction(async (db) => {
      await lockHead(db, job);
      const events = await selectEvents(db, job, 0);
      const broken = firstBreak(events);
      if (broken) throw new Fault(`job ${job}: event ${broken.sequence} does not fit (${broken.problem})`);
      const folded = foldJob(events);
      if (!folded.ok) throw new Fault(`job ${job}: ${JSON.stringify(folded.refusal)}`);
      await updateHead(db, events.at(-1) as JobEvent, folded.value);
      await replaceJobReferences(db, folded.value);
      await deletePullsOfJob(db, job);
      for (const event of events) await projectPull(db, event);
    });
  await inTransaction(rebuildSearch);
  return jobs.length;
};
