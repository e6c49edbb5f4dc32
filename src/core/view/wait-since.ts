import type { PlannedGroup } from '../job/plan.ts';
import type { StepPlace } from '../job/step-done.ts';
import type { JointStep } from '../joint/joint-step.ts';
import type { Rules } from '../rules/rules.ts';
import type { JobView } from './job-view.ts';
import { lastPulledAt } from './last-pulled.ts';
import { stepKey } from './steps.ts';

type Waited = { readonly step: JointStep; readonly group: PlannedGroup | null };

/** Since when a wait counts, as an ISO instant: from when it was begun, else, while things settle, from the last pull; null from neither. */
export const waitSince = (
  job: Pick<JobView, 'begunWaits' | 'fasteners'>,
  at: StepPlace,
  { step, group }: Waited,
  { waitsAreBegun }: Pick<Rules, 'waitsAreBegun'>,
): string | null => {
  const begun = job.begunWaits.get(stepKey(at))?.at;
  return begun ?? (waitsAreBegun && step.stage !== 'settle' ? null : lastPulledAt(job, group));
};
