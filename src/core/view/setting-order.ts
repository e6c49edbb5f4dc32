import { groupOf } from '../job/plan.ts';
import { fastenerAt } from './bench.ts';
import { isByHand } from './group-work.ts';
import type { JobView } from './job-view.ts';
import { settingWith, toolFor } from './tool-for.ts';

/** Which tool a fastener takes and at which setting; null where none is at hand or none can. */
const settingOf = (
  job: JobView,
  position: string,
): { readonly tool: string; readonly key: string } | null => {
  const fastener = fastenerAt(job, position);
  const taken = fastener && !isByHand(fastener) ? toolFor(job, fastener) : null;
  if (!fastener || !taken) return null;
  const wanted = settingWith(job, fastener, taken);
  return wanted.ok ? { tool: taken.tool.code, key: `${taken.tool.code} ${wanted.value.text}` } : null;
};

/** Whether the fasteners of a position's group may be worked in any order: they do not act on each other, and come once.
 *  Source: common practice; terminals do not act on each other. */
const isFree = (job: JobView, position: string): boolean => {
  const fastener = fastenerAt(job, position);
  if (!fastener) return false;
  const { kind } = groupOf(job.plan, fastener.planned);
  return kind.order === 'reading' && kind.passes.length === 1 && !kind.roundsUntilStill;
};

/** The positions with those of one tool and setting behind each other, wherever the order is free: first the one in hand, then by where each setting comes first. */
export const sameSettingFirst = (
  job: JobView,
  positions: readonly string[],
  inHand: string | null = null,
): readonly string[] => {
  const runs = new Map<string, string[]>();
  const keyOf = (position: string): string | null => settingOf(job, position)?.key ?? null;
  const first = inHand === null ? null : keyOf(inHand);
  if (first !== null) runs.set(first, []);
  for (const position of positions) {
    const key = (isFree(job, position) ? keyOf(position) : null) ?? `alone ${position}`;
    runs.set(key, [...(runs.get(key) ?? []), position]);
  }
  return [...runs.values()].flat();
};

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
