import { happenedAt } from '../job/happened.ts';
import type { PlannedGroup } from '../job/plan.ts';
import type { JobView } from './job-view.ts';

export const MINUTE_MS = 60_000;

/** When a group was pulled last, or the whole job where no group is named, as an ISO instant; null where it was not. Voided pulls count: they
 *  happened. */
export const lastPulledAt = (
  { fasteners }: Pick<JobView, 'fasteners'>,
  group: Pick<PlannedGroup, 'id'> | null,
): string | null => {
  let last: string | null = null;
  for (const { planned, pulls } of fasteners) {
    if (group && planned.group !== group.id) continue;
    for (const pull of pulls) {
      const at = happenedAt(pull);
      if (last === null || Date.parse(at) > Date.parse(last)) last = at;
    }
  }
  return last;
};
