import { type JobEvent, type Person, unplacedEvent } from '#core/job/event.ts';
import { readTerminalLines } from '#core/job/terminal-list.ts';
import { EMPTY_HEAD } from '#core/ledger/hash-chain.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import { readingOrder } from '#core/sequence/reading-order.ts';
import { jobNumberText } from '#wire/job-summary.ts';
import type { NewJob } from '#wire/new-job.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { inTransaction } from '../database/pool.ts';
import { selectEvent } from '../queries/events.ts';
import { insertJob } from '../queries/jobs.ts';
import { selectSite } from '../queries/site.ts';
import { appendInTransaction, type Clock } from './append-events.ts';
import { referenceProblem } from './check-references.ts';
import { now } from './clock.ts';

/** Plans a job from a settled terminal list: all lines or none, in reading order, under the site's schools of the moment.
 *  Idempotent by event id. Refuses: rows-unsettled (with the lines), event-id-used, book-reference-unknown, and what the fold refuses. */
export const planJob = (job: NewJob, by: Person, clock: Clock = now): Promise<Result<JobEvent, Problem>> =>
  inTransaction(
    async (db): Promise<Result<JobEvent, Problem>> => {
      const before = await selectEvent(db, job.eventId);
      if (before) return before.job === job.jobId ? accepted(before) : refused({ code: 'event-id-used' });
      const site = await selectSite(db);
      const read = readTerminalLines(job.lines, site.unit, site.schools);
      const fasteners = read.flatMap(({ fastener }) => fastener ?? []);
      if (fasteners.length < read.length) {
        const lines = read.filter(({ fastener }) => !fastener).map(({ source }) => source.line);
        return refused({ code: 'rows-unsettled', lines });
      }
      const problem = await referenceProblem(db, fasteners);
      if (problem) return refused(problem);
      const byPosition = new Map(fasteners.map((fastener) => [fastener.position, fastener]));
      const number = await insertJob(db, job.jobId, now());
      const at = { id: job.eventId, job: job.jobId, deviceTime: job.deviceTime, person: by };
      const event = unplacedEvent(at, {
        kind: 'job-planned',
        body: {
          number: jobNumberText(number),
          title: job.title,
          seenFrom: job.seenFrom,
          jobKind: 'control-cabinet',
          source: job.source,
          siteUnit: site.unit,
          schools: site.schools,
          fasteners: readingOrder(fasteners).flatMap((position) => byPosition.get(position) ?? []),
        },
      });
      const result = await appendInTransaction(db, job.jobId, EMPTY_HEAD, [event], by, clock);
      const [placed] = result.placed;
      return placed ? accepted(placed) : refused(result.refused?.problem as Problem);
    },
    (result) => result.ok,
  );
