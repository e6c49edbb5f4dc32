import type { PlannedGroup } from '#core/job/plan.ts';
import { groupWork } from '#core/view/group-work.ts';
import type { JobView } from '#core/view/job-view.ts';

/** The pass that the first group of a job is in, and the positions it still needs. */
export const jointProgress = (view: JobView) => {
  const { pass, left } = groupWork(view, view.plan.groups[0] as PlannedGroup);
  return { pass, left: left.map(({ planned }) => planned.position) };
};
