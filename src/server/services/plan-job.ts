import { unplacedEvent } from '#core/event/event.ts';
import type { LedgerEvent } from '#core/event/lifted.ts';
import { readFastenerLines } from '#core/job/fastener-list.ts';
import { type ListedGroup, plannedGroups } from '#core/job/planned-groups.ts';
import type { JointKind } from '#core/joint/joint-kind.ts';
import { isKindOfSite, jointKindOf, workedAs } from '#core/joint/joint-kinds.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import { NEWEST_RULES } from '#core/rules/rules-by-number.ts';
import { jobNumberText } from '#wire/job-summary.ts';
import type { NewGroup, NewJob } from '#wire/new-job.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { type ContactOf, unknownContact } from '../append/append-events.ts';
import { beginJob } from '../append/begin-job.ts';
import type { Asker } from '../asker.ts';
import { inTransaction } from '../database/transaction.ts';
import { insertJob } from '../queries/jobs.ts';
import { selectSiteKinds } from '../queries/own-kinds.ts';
import { selectSite } from '../queries/site.ts';
import { begunBefore } from './begun-before.ts';
import { now } from './clock.ts';

const wantedGroups = (
  groups: readonly NewGroup[],
  kinds: readonly JointKind[],
): Result<readonly ListedGroup[], Problem> => {
  const wanted: ListedGroup[] = [];
  for (const { jointKind, worked, ...group } of groups) {
    const shipped = jointKindOf(jointKind, kinds);
    const kind = shipped && worked ? workedAs(shipped, worked) : shipped;
    if (!kind) return refused({ code: 'joint-kind-unknown', jointKind });
    if (!isKindOfSite(kind, kinds)) return refused({ code: 'passes-impossible', jointKind: kind.name });
    wanted.push({ ...group, kind, isInOrder: worked !== undefined });
  }
  return accepted(wanted);
};

/** Plans a job from a settled fastener list: all lines or none, group by group in the order of their kinds of joint, under the site's schools of
 *  the moment and the newest rules. Idempotent by event id. Refuses: joint-kind-unknown, passes-impossible, group-unknown (a line names none of the groups),
 *  rows-unsettled (with the lines), event-id-used, and what decide refuses. */
export const planJob = (
  job: NewJob,
  by: Asker,
  contactOf: ContactOf = unknownContact,
): Promise<Result<LedgerEvent, Problem>> =>
  inTransaction(
    async (db): Promise<Result<LedgerEvent, Problem>> => {
      const before = await begunBefore(db, job.jobId, job.eventId);
      if (before) return before;
      const wanted = wantedGroups(job.groups, await selectSiteKinds(db));
      if (!wanted.ok) return wanted;
      const { unit: siteUnit, schools } = await selectSite(db);
      const byId = new Map(wanted.value.map((group) => [group.id, group]));
      const [first] = wanted.value;
      const kindOf = (group: string) => (byId.get(group) ?? (first as ListedGroup)).kind;
      const read = readFastenerLines(job.lines, { kindOf, siteUnit, schools });
      const lines = read.filter(({ fastener }) => !fastener).map(({ listed }) => listed.line);
      if (lines.length > 0) return refused({ code: 'rows-unsettled', lines });
      const stray = read.find(({ fastener }) => fastener && !byId.has(fastener.group));
      if (stray?.fastener) return refused({ code: 'group-unknown', group: stray.fastener.group });
      const number = await insertJob(db, job.jobId, now());
      const at = { id: job.eventId, job: job.jobId, deviceTime: job.deviceTime, person: by };
      const event = unplacedEvent(at, {
        kind: 'job-planned',
        body: {
          rules: NEWEST_RULES.number,
          number: jobNumberText(number),
          title: job.title,
          source: job.source,
          siteUnit,
          schools,
          asset: job.asset && { ...job.asset, isIrreplaceable: false },
          ...plannedGroups(read, wanted.value),
        },
      });
      return beginJob(db, event, by, contactOf);
    },
    (result) => result.ok,
  );
