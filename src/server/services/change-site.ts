import type { Person } from '#core/job/event.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Site } from '#wire/site.ts';
import { database } from '../database/pool.ts';
import { updateSite } from '../queries/site.ts';

/** Changes what the site has chosen; jobs keep what they were planned with. Refuses: role-forbidden. */
export const changeSite = async (site: Site, by: Person): Promise<Result<Site, Problem>> => {
  if (by.role !== 'lead') return refused({ code: 'role-forbidden', needed: 'lead' });
  await updateSite(database(), site);
  return accepted(site);
};
