import type { JobView } from './job-view.ts';
import { settingOf } from './setting-order.ts';

/** How often a tool must be set and another one taken up on the way through some positions, and how many different settings there are. */
export type SettingCount = { readonly settings: number; readonly different: number; readonly tools: number };

/** Counts that for positions in their order. */
export const settingCount = (job: JobView, positions: readonly string[]): SettingCount => {
  const along = positions.flatMap((position) => settingOf(job, position) ?? []);
  const changes = (values: readonly string[]): number =>
    values.filter((value, index) => value !== values[index - 1]).length;
  return {
    settings: changes(along.map(({ key }) => key)),
    different: new Set(along.map(({ key }) => key)).size,
    tools: changes(along.map(({ tool }) => tool)),
  };
};
