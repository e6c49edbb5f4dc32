import { groupOf, type PlannedGroup } from '../job/plan.ts';
import { fastenerAt } from './bench.ts';
import { isByHand } from './group-work.ts';
import type { JobView } from './job-view.ts';
import { settingWith, toolFor } from './tool-for.ts';

/** Which tool a fastener takes and at which setting; null where none is at hand or none can. */
export const settingOf = (
  job: JobView,
  position: string,
): { readonly tool: string; readonly key: string } | null => {
  const fastener = fastenerAt(job, position);
  const taken = fastener && !isByHand(fastener) ? toolFor(job, fastener) : null;
  if (!fastener || !taken) return null;
  const wanted = settingWith(job, fastener, taken);
  return wanted.ok ? { tool: taken.tool.code, key: `${taken.tool.code} ${wanted.value.text}` } : null;
};

/** Whether the fasteners of a group may be worked in any order: they do not act on each other, and come once.
 *  Source: common practice; terminals do not act on each other. */
export const isInAnyOrder = ({ kind }: Pick<PlannedGroup, 'kind'>): boolean =>
  kind.order === 'reading' && kind.passes.length === 1 && !kind.roundsUntilStill;

const isFree = (job: JobView, position: string): boolean => {
  const fastener = fastenerAt(job, position);
  return fastener !== undefined && isInAnyOrder(groupOf(job.plan, fastener.planned));
};

/** Positions by a key, those of one key behind each other, in the order in which each key comes first. */
const byKey = (positions: readonly string[], keyOf: (position: string) => string): readonly string[][] => {
  const runs = new Map<string, string[]>();
  for (const position of positions) {
    const key = keyOf(position);
    const run = runs.get(key) ?? [];
    run.push(position);
    runs.set(key, run);
  }
  return [...runs.values()];
};

/** The positions with those of one tool behind each other, and of those the ones of one setting, wherever the order is free: first what the one in hand takes, then by
 *  where each comes first. */
export const sameSettingFirst = (
  job: JobView,
  positions: readonly string[],
  inHand: string | null = null,
): readonly string[] => {
  const settings = new Map(
    [...positions, ...(inHand === null ? [] : [inHand])].map((each) => [each, settingOf(job, each)]),
  );
  const held = inHand === null ? null : (settings.get(inHand) ?? null);
  const sorted = (free: readonly string[]): readonly string[] => {
    const keyed = (part: 'tool' | 'key', some: readonly string[]): readonly string[][] => {
      const keyOf = (position: string): string => settings.get(position)?.[part] ?? `none ${position}`;
      const runs = byKey(some, keyOf);
      const own = runs.filter(([first = '']) => held !== null && keyOf(first) === held[part]);
      return [...own, ...runs.filter((run) => !own.includes(run))];
    };
    return keyed('tool', free).flatMap((run) => keyed('key', run).flat());
  };
  const stretches: { readonly isFree: boolean; readonly positions: string[] }[] = [];
  for (const position of positions) {
    const free = isFree(job, position);
    const last = stretches.at(-1);
    if (last?.isFree === free) last.positions.push(position);
    else stretches.push({ isFree: free, positions: [position] });
  }
  return stretches.flatMap((stretch) => (stretch.isFree ? sorted(stretch.positions) : stretch.positions));
};
