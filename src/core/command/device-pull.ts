import type { DeviceReading } from '../device/device-feed.ts';
import type { JobRefusal } from '../job/refusal.ts';
import { isDeviceOf, type Tool } from '../tool/tool.ts';
import type { FastenerView } from '../view/bench.ts';
import type { JobView } from '../view/job-view.ts';
import type { NextAction } from '../view/next-action.ts';
import { toolFor } from '../view/tool-for.ts';

/** The tool in hand at a fastener: the one that something is done with now, else the one that was taken for it; null where none was. */
export const toolInHand = (
  job: JobView,
  { action, fastener }: { readonly action: NextAction; readonly fastener: FastenerView | undefined },
): Tool | null => {
  if (action.kind === 'pull' || action.kind === 'set-tool' || action.kind === 'measure-run-on')
    return action.taken.tool;
  return fastener ? (toolFor(job, fastener)?.tool ?? null) : null;
};

/** What stands against recording what a device read, at the place where the bench is and with the tool of the fastener in front; null where nothing does. It is never recorded
 *  all the same: a person may type it. */
export const againstReading = (
  job: JobView,
  { device, peak, job: told }: DeviceReading,
  here: { readonly action: NextAction; readonly fastener: FastenerView | undefined },
): JobRefusal | null => {
  const { action } = here;
  const tool = toolInHand(job, here);
  if (told !== null && told !== job.plan.number) return { code: 'device-other-job', device, job: told };
  const isAwaited = action.kind === 'pull' || action.kind === 'measure-run-on' || action.kind === 'turn';
  if (!tool || !isAwaited) return { code: 'device-not-awaited', device, text: peak.text, unit: peak.unit };
  if (!isDeviceOf(tool, device)) return { code: 'device-other-tool', device, toolCode: tool.code };
  // An angle is an angle, whatever its torque is shown in.
  return action.kind === 'turn' || peak.unit === tool.scale.unit
    ? null
    : { code: 'device-other-unit', device, text: peak.text, unit: peak.unit, wanted: tool.scale.unit };
};
