import type { JobView } from './job-view.ts';
import type { NextAction } from './next-action.ts';

/** Whether a device may have something to say at the bench: an electronic tool was taken, or what is measured is what an indicator or a thermometer shows. */
export const isDeviceWanted = ({ takenTools }: Pick<JobView, 'takenTools'>, action: NextAction): boolean => {
  const unit = action.kind === 'step' ? action.due.limits?.unit : undefined;
  return (
    unit === 'mm' || unit === '°C' || [...takenTools.values()].some(({ tool }) => tool.kind === 'electronic')
  );
};
