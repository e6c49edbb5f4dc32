import type { WrittenTorque } from '../quantity/torque.ts';
import { isIndicating, isPreset } from '../tool/tool.ts';
import type { TakenTool } from './bench.ts';
import type { JobView } from './job-view.ts';

/** A tool that is still set, and what it is wound down to. */
export type ToWind = { readonly taken: TakenTool; readonly to: WrittenTorque };

const HAIR = 1e-9;

/** What a tool is wound down to after the work, by the site's school: its lowest graduation, or nothing. */
const restOf = ({ tool }: TakenTool, { schools }: JobView['plan']): WrittenTorque => {
  const value = schools.windingDown === 'zero' ? 0 : tool.restSetting;
  return { text: String(value), value, unit: tool.scale.unit };
};

/** The tools at hand that stand above where they rest: a spring that is kept under load is out before its time. Common practice. */
export const toolsToWind = ({
  takenTools,
  toolsOf,
  plan,
}: Pick<JobView, 'takenTools' | 'toolsOf' | 'plan'>): readonly ToWind[] => {
  const atHand = new Set([...toolsOf.values()].flat());
  return [...takenTools.values()].flatMap((taken) => {
    const { tool, setting } = taken;
    if (!atHand.has(tool.id) || setting === null || isIndicating(tool) || isPreset(tool)) return [];
    const to = restOf(taken, plan);
    return setting.value > to.value + HAIR ? [{ taken, to }] : [];
  });
};
