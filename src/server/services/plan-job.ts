import { unplacedEvent } from '#core/event/event.ts';
import type { KeptEvent } from '#core/event/lifted.ts';
import { readTerminalLines } from '#core/job/terminal-list.ts';
import type { Person } from '#core/people/person.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import { NEWEST_RULES } from '#core/rules/rules-by-number.ts';
import { readingOrder } from '#core/sequence/reading-order.ts';
import { jobNumberText } from '#wire/job-summary.ts';
import type { NewJob } from '#wire/new-job.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { type ContactOf, unknownContact } from '../append/append-events.ts';
import { beginJob } from '../append/begin-job.ts';
import { inTransaction } from '../database/transaction.ts';
import { selectEventsById } from '../queries/events.ts';
import { insertJob } from '../queries/jobs.ts';
import { selectSite } from '../queries/site.ts';
import { now } from './clock.ts';

/** Plans a job from a settled terminal list: all lines or none, in reading order, under the site's schools of the moment and the newest rules.
 *  Idempotent by event id. Refuses: rows-unsettled (with the lines), event-id-used, and what decide refuses. */
export const planJob = (
  job: NewJob,
  by: Person,
  contactOf: ContactOf = unknownContact,
): Promise<Result<KeptEvent, Problem>> =>
  inTransaction(
    async (db): Promise<Result<KeptEvent, Problem>> => {
      const [before] = await selectEventsById(db, [job.eventId]);
      if (before) return before.job === job.jobId ? accepted(before) : refused({ code: 'event-id-used' });
      const site = await selectSite(db);
      const read = readTerminalLines(job.lines, site.unit, site.schools);
      const fasteners = read.flatMap(({ fastener }) => fastener ?? []);
      if (fasteners.length < read.length) {
        const lines = read.filter(({ fastener }) => !fastener).map(({ source }) => source.line);
        return refused({ code: 'rows-unsettled', lines });
      }
      const byPosition = new Map(fasteners.map((fastener) => [fastener.position, fastener]));
      const number = await insertJob(db, job.jobId, now());
      const at = { id: job.eventId, job: job.jobId, deviceTime: job.deviceTime, person: by };
      const event = unplacedEvent(at, {
        kind: 'job-planned',
        body: {
          rules: NEWEST_RULES.number,
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
      return beginJob(db, event, by, contactOf);
    },
    (result) => result.ok,
  );
