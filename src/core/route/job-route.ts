import type { PlannedGroup } from '../job/plan.ts';
import { NEWEST_RULES, rulesOf } from '../rules/rules-by-number.ts';
import { isAsSure } from '../tool/as-sure.ts';
import { betterFit, type ToolCandidate, type ToolFit } from '../tool/choose-tool.ts';
import { rankedTools } from '../tool/ranked-tools.ts';
import type { Tool } from '../tool/tool.ts';
import type { ToolSetting } from '../tool/tool-setting.ts';
import { type FastenerView, fastenerAt } from '../view/bench.ts';
import { fastenersIn, groupWork, isByHand } from '../view/group-work.ts';
import type { JobView } from '../view/job-view.ts';
import { lastPass } from '../view/passes.ts';
import { isInAnyOrder } from '../view/setting-order.ts';
import { type Alike, alike } from '../view/tools-for-group.ts';
import { needsNoSetting } from '../view/wanted-setting.ts';
import { fewestTools } from './fewest-tools.ts';
import type { Changes, Stage, Stop } from './route-problem.ts';

/** Fasteners worked one after the other with one tool at one setting. */
export type RouteLeg = {
  readonly tool: Tool;
  readonly setting: ToolSetting;
  readonly stops: readonly {
    readonly group: PlannedGroup;
    readonly pass: number;
    readonly position: string;
  }[];
};

/** The way through what is left of a job with the fewest changes of tool and setting that order, passes and groups allow. */
export type JobRoute = Changes & {
  readonly legs: readonly RouteLeg[];
  readonly atLeast: number;
  readonly isProved: boolean;
  /** Pulls on the way: one for each fastener and pass, and one round where rounds follow until nothing moves. */
  readonly pulls: number;
  /** Fasteners that none of the tools can do, in some pass. */
  readonly without: readonly string[];
};

type Asked = { readonly group: PlannedGroup; readonly pass: number; readonly position: string };

/** What is left of a group to pull: pass by pass, and one round where rounds follow. */
const askedOf = (job: JobView, group: PlannedGroup): readonly Asked[] => {
  const { pass, left } = groupWork(job, group);
  if (pass === null) return [];
  const pulled = (some: readonly FastenerView[], of: number): readonly Asked[] =>
    some
      .filter((fastener) => !isByHand(fastener))
      .map(({ planned }) => ({ group, pass: of, position: planned.position }));
  const last = lastPass(group.kind) + Number(group.kind.roundsUntilStill);
  const later = Array.from({ length: Math.max(0, last - pass) }, (_, index) => pass + 1 + index);
  const all = fastenersIn(job, group).filter(({ leftOpen }) => leftOpen === null);
  return [...pulled(left, pass), ...later.flatMap((each) => pulled(all, each))];
};

/** The tools that may be taken for a group, and how much more reaches the fastener than each shows: those at hand where there are any, else those of the crib. */
const toolsOf = (
  job: JobView,
  group: PlannedGroup,
  crib: readonly ToolCandidate[],
): readonly { readonly candidate: ToolCandidate; readonly factor: number }[] => {
  const atHand = (job.toolsOf.get(group.id) ?? []).flatMap((id) => job.takenTools.get(id) ?? []);
  if (atHand.length === 0) return crib.map((candidate) => ({ candidate, factor: 1 }));
  return atHand.map(({ tool, unallowed, foundSince, setting, adapterFactor }) => ({
    candidate: { tool, blocks: [...unallowed, ...foundSince], standsAt: setting?.value ?? null },
    factor: adapterFactor,
  }));
};

/** The tools at their settings that can do each fastener of a group in a pass: of those at hand the one that the bench takes, of the crib all
 *  that do it as surely as the best. */
const fitsIn = (
  job: JobView,
  group: PlannedGroup,
  pass: number,
  crib: readonly ToolCandidate[],
): ReadonlyMap<string, readonly ToolFit[]> => {
  const rules = rulesOf(job.rules) ?? NEWEST_RULES;
  const isTaken = (job.toolsOf.get(group.id) ?? []).length > 0;
  const isEarlier = pass < lastPass(group.kind);
  const found = new Map<string, ToolFit[]>();
  // What is asked is worked out once for all tools that show it alike.
  const asked = new Map<number, readonly Alike[]>();
  for (const { candidate, factor } of toolsOf(job, group, crib)) {
    const wants = asked.get(factor) ?? alike(job, fastenersIn(job, group), pass, factor);
    asked.set(factor, wants);
    for (const { wanted, positions } of wants) {
      const { fits, unsure } = rankedTools([candidate], wanted, job.plan.schools, rules);
      const isEnough = isTaken || isEarlier || job.acceptedGaps.has(group.id);
      const [fit] = isEnough ? [...fits, ...unsure] : fits;
      if (fit) for (const position of positions) found.set(position, [...(found.get(position) ?? []), fit]);
    }
  }
  const worthTaking = (fits: readonly ToolFit[]): readonly ToolFit[] => {
    const [best] = [...fits].sort(betterFit);
    if (!best) return [];
    return isTaken ? [best] : fits.filter((fit) => isAsSure(fit, best));
  };
  return new Map([...found].map(([position, fits]) => [position, worthTaking(fits)]));
};

type Known = { readonly tool: Tool; readonly setting: ToolSetting };

/** The places of tools and stations, each given out as it comes first. */
const numbering = () => {
  const tools: Tool[] = [];
  const stations: Known[] = [];
  const places = new Map<string, number>();
  const placeOf = <T>(list: T[], key: string, value: T): number => {
    const place = places.get(key) ?? list.push(value) - 1;
    places.set(key, place);
    return place;
  };
  return {
    tools,
    stations,
    toolPlace: (tool: Tool): number => placeOf(tools, tool.id, tool),
    stationPlace: ({ tool, setting }: ToolFit): number =>
      placeOf(stations, `${tool.id} ${needsNoSetting(tool) ? '' : setting.setting}`, { tool, setting }),
  };
};

/** Stops of one fastener after another as stages: neighbours in any order are one. */
const staged = (asked: readonly { readonly isFree: boolean; readonly stop: Stop }[]): readonly Stage[] => {
  const stages: { readonly isFree: boolean; readonly stops: Stop[] }[] = [];
  for (const { isFree, stop } of asked) {
    const last = stages.at(-1);
    if (isFree && last?.isFree) last.stops.push(stop);
    else stages.push({ isFree, stops: [stop] });
  }
  return stages.map(({ stops }) => stops);
};

/** The route through what is left of a job. `crib` are the tools that may be taken for groups that have none at hand yet. */
export const jobRoute = (job: JobView, crib: readonly ToolCandidate[]): JobRoute => {
  const { tools, stations, toolPlace, stationPlace } = numbering();
  const without = new Set<string>();
  const asked = job.plan.groups.flatMap((group) => {
    const known = new Map<number, ReadonlyMap<string, readonly ToolFit[]>>();
    return askedOf(job, group).flatMap((each) => {
      const fits = known.get(each.pass) ?? fitsIn(job, group, each.pass, crib);
      known.set(each.pass, fits);
      const own = fits.get(each.position) ?? [];
      if (own.length === 0) without.add(each.position);
      const stop = [...new Set(own.map(stationPlace))];
      return stop.length > 0 ? [{ ...each, isFree: isInAnyOrder(group), stop }] : [];
    });
  });
  const ofTool = stations.map(({ tool }) => toolPlace(tool));
  const lastPulled = job.lastPull && fastenerAt(job, job.lastPull.position)?.pulls.at(-1)?.body.toolId;
  const inHand = tools.findIndex(({ id }) => id === lastPulled);
  const stages = staged(asked);
  const found = fewestTools({
    stations: stations.map(({ tool }, index) => ({
      tool: ofTool[index] as number,
      isDialled: !needsNoSetting(tool),
    })),
    stages,
    inHand: inHand < 0 ? null : inHand,
    leftAt: tools.map((tool, place) => {
      const stands = job.takenTools.get(tool.id)?.setting?.value;
      const at = stations.findIndex(
        ({ setting }, index) => ofTool[index] === place && setting.setting === stands,
      );
      return at < 0 ? null : at;
    }),
  });
  // Where each stage begins among all that is asked.
  let counted = 0;
  const starts = stages.map(({ length }) => {
    counted += length;
    return counted - length;
  });
  const legs: RouteLeg[] = [];
  for (const { stage, station, stops } of found.visits) {
    const { tool, setting } = stations[station] as Known;
    const worked = stops.map((stop) => {
      const { group, pass, position } = asked[(starts[stage] ?? 0) + stop] as Asked;
      return { group, pass, position };
    });
    const last = legs.at(-1);
    if (last?.tool === tool && last.setting.setting === setting.setting)
      legs[legs.length - 1] = { ...last, stops: [...last.stops, ...worked] };
    else legs.push({ tool, setting, stops: worked });
  }
  const { settings, takenUp, atLeast, isProved } = found;
  return { legs, settings, takenUp, atLeast, isProved, pulls: asked.length, without: [...without] };
};
