/** A tool at a setting. */
export type Station = {
  /** The tool's place among those of the problem, from 0. */
  readonly tool: number;
  /** Whether the tool must be brought to it: not one that shows what it feels, nor one of a single setting. */
  readonly isDialled: boolean;
};

/** A fastener in a pass: the stations that can do it, by their places, each once. */
export type Stop = readonly number[];

/** Stops that may be worked in any order. Stages follow each other: a fixed order is one of stages with one stop each. */
export type Stage = readonly Stop[];

/** What is to be worked, and how the tools stand before. */
export type RouteProblem = {
  readonly stations: readonly Station[];
  readonly stages: readonly Stage[];
  /** By tool: the station it was left at; null where that is none of them. */
  readonly leftAt: readonly (number | null)[];
  /** The tool in hand; null for none. */
  readonly inHand: number | null;
};

/** How often a tool is brought to a setting it does not stand at, and how often one is taken up that is not in hand. */
export type Changes = { readonly settings: number; readonly takenUp: number };

/** Stops of one stage that are worked at one station, in the order of the stage. */
export type Visit = { readonly stage: number; readonly station: number; readonly stops: readonly number[] };

export type FoundRoute = Changes & {
  readonly visits: readonly Visit[];
  /** No way can have fewer changes of tool and setting than this. */
  readonly atLeast: number;
  /** Whether it is sure that no other way has fewer. */
  readonly isProved: boolean;
};
