import type { Stage } from '../joint/joint-step.ts';
import type { FastenerView } from './bench.ts';
import type { JobView } from './job-view.ts';
import type { StepDone, StepsView } from './steps.ts';

type Stepped = Pick<JobView, 'plan' | 'lastSteps'>;

const stageOf = ({ plan }: Stepped, { group, step }: StepDone): Stage | undefined =>
  plan.groups.find(({ id }) => id === group)?.kind.steps.find(({ id }) => id === step)?.stage;

/** The steps as they count, without those of some stages that were done on fasteners which are not what they were: loosened, replaced, or on another part. What
 *  was done stays in the record, and is done again. */
export const withoutStepsOf = (
  job: Stepped,
  fasteners: readonly FastenerView[],
  stages: readonly Stage[],
): Pick<StepsView, 'lastSteps'> => {
  const at = new Set(fasteners.map(({ planned }) => JSON.stringify([planned.group, planned.position])));
  const isForgotten = (done: StepDone): boolean => {
    const stage = stageOf(job, done);
    return stage !== undefined && stages.includes(stage) && at.has(JSON.stringify([done.group, done.of]));
  };
  return { lastSteps: new Map([...job.lastSteps].filter(([, done]) => !isForgotten(done))) };
};
