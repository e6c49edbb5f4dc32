import { saysNothing } from '#core/job/says-nothing.ts';
import { whoMay } from '#core/people/may.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Site } from '#wire/site.ts';
import type { Asker } from '../asker.ts';
import { inTransaction } from '../database/transaction.ts';
import { selectSite, updateSite } from '../queries/site.ts';
import { insertLogEntry } from '../queries/site-log.ts';
import { now } from './clock.ts';

const differingKeys = (before: Site['schools'], after: Site['schools']): readonly string[] =>
  Object.entries(after).flatMap(([question, choice]) =>
    before[question as keyof Site['schools']] === choice ? [] : [question],
  );

/** Changes what the site has chosen, with a reason that the log keeps; jobs keep what they were planned with.
 *  Refuses: role-may-not, why-missing (when a school changes). */
export const changeSite = async (site: Site, why: string, by: Asker): Promise<Result<Site, Problem>> => {
  const right = whoMay(by, 'change-site');
  if (!right.ok) return right;
  return inTransaction(
    async (db): Promise<Result<Site, Problem>> => {
      const before = await selectSite(db);
      const changed = differingKeys(before.schools, site.schools);
      if (changed.length > 0 && saysNothing(why)) return refused({ code: 'why-missing' });
      await updateSite(db, site);
      await insertLogEntry(db, {
        at: now(),
        by,
        kind: 'site-changed',
        subject: 'site',
        why,
        body: { before, after: site, changed },
      });
      return accepted(site);
    },
    (result) => result.ok,
  );
};
