import type { Cover } from './covers.ts';
import { OFF } from './prices.ts';
import type { RouteProblem, Station } from './route-problem.ts';
import type { Standing } from './standing.ts';

/** A way through the stations of a cover: in which order they are visited, and how the tools stand after. */
export type Passage = { readonly order: readonly number[]; readonly cost: number; readonly after: Standing };

/** The stations of a tool in the order they are visited, for each that may be the last: one it stands at already comes first. */
const ordersOf = (
  wanted: readonly number[],
  leftAt: number | null,
  isUseful: (station: number) => boolean,
): readonly (readonly number[])[] => {
  const first = leftAt !== null && wanted.includes(leftAt) ? [leftAt] : [];
  const others = wanted.filter((station) => station !== first[0]);
  if (others.length === 0) return [first];
  const useful = others.filter(isUseful);
  // Which of those that nobody needs again comes last does not matter.
  return (useful.length > 0 ? useful : others.slice(-1)).map((last) => [
    ...first,
    ...others.filter((station) => station !== last),
    last,
  ]);
};

/** What an end of a tool's work takes from then on, at the least. */
type End = { readonly order: readonly number[]; readonly ahead: number };

/** One end for each tool, in every combination that does not come to more than so much. */
function* combined(choices: readonly (readonly End[])[], most: number, from = 0): Generator<readonly End[]> {
  const some = choices[from];
  if (!some) {
    yield [];
    return;
  }
  const others = choices.slice(from + 1).reduce((sum, each) => sum + lowest(each), 0);
  for (const end of some)
    if (end.ahead + others <= most)
      for (const rest of combined(choices, most - end.ahead, from + 1)) yield [end, ...rest];
}

const lowest = (ends: readonly End[]): number =>
  ends.reduce((least, { ahead }) => Math.min(least, ahead), Number.POSITIVE_INFINITY);

const throughOne = ({ tool, isDialled }: Station, station: number, from: Standing): Passage => {
  const isThere = from.leftAt[tool] === station;
  return {
    order: [station],
    cost: Number(isDialled && !isThere) + Number(from.inHand !== tool),
    after: { inHand: tool, leftAt: isThere ? from.leftAt : from.leftAt.with(tool, station) },
  };
};

/** What is known of what comes after a stage. */
export type Beyond = {
  /** Whether a station, or a tool, is needed again. */
  readonly isUseful: (station: number) => boolean;
  readonly isToolUseful: (tool: number) => boolean;
  /** What a tool that is left at a station takes at the least from then on. */
  readonly leastOf: (tool: number, leftAt: number | null, isInHand: boolean) => number;
  /** What all tools may take from before the stage on for a way to be worth it. */
  readonly most: number;
};

/** The ways through a cover with the fewest changes, one for each standing they may end in: a tool in hand is used before another is taken up, each is taken up
 *  once, and one stands at each setting once. What more costs now never saves more than that later. */
export function* passagesThrough(
  { stations }: Pick<RouteProblem, 'stations'>,
  cover: Cover,
  from: Standing,
  { isUseful, isToolUseful, leastOf, most }: Beyond,
): Generator<Passage> {
  const [first] = cover;
  const only = first?.stations[0];
  if (only !== undefined && cover.length === 1 && first?.stations.length === 1) {
    yield throughOne(stations[only] as Station, only, from);
    return;
  }
  const { inHand } = from;
  const isHeld = cover.some(({ tool }) => tool === inHand);
  let cost = cover.length - Number(isHeld);
  // What the tools of the cover take from then on at the least, and the others, of which none is in hand.
  let [ahead, idle] = [0, 0];
  for (let tool = 0; tool < from.leftAt.length; tool += 1)
    idle += leastOf(tool, from.leftAt[tool] ?? null, false);
  for (const { tool, stations: own } of cover) {
    const at = from.leftAt[tool] ?? null;
    idle -= leastOf(tool, at, false);
    let least = Number.POSITIVE_INFINITY;
    for (const station of own) {
      cost += Number(station !== at && (stations[station] as Station).isDialled);
      least = Math.min(least, leastOf(tool, station, true));
    }
    ahead += least;
  }
  const left = most + OFF - cost - idle;
  if (ahead > left) return;
  const mayBeLast = isHeld && cover.length > 1 ? cover.filter(({ tool }) => tool !== inHand) : cover;
  const useful = mayBeLast.filter(({ tool }) => isToolUseful(tool));
  for (const last of useful.length > 0 ? useful : mayBeLast.slice(-1)) {
    const sequence = [
      ...cover.filter(({ tool }) => tool === inHand && tool !== last.tool),
      ...cover.filter(({ tool }) => tool !== inHand && tool !== last.tool),
      last,
    ];
    const choices = sequence.map(({ tool, stations: own }) =>
      ordersOf(own, from.leftAt[tool] ?? null, isUseful).map((order) => ({
        order,
        ahead: leastOf(tool, order.at(-1) ?? null, tool === last.tool),
      })),
    );
    for (const ends of combined(choices, left)) {
      const leftAt = [...from.leftAt];
      for (const [place, { tool }] of sequence.entries()) leftAt[tool] = ends[place]?.order.at(-1) ?? null;
      yield { order: ends.flatMap(({ order }) => order), cost, after: { inHand: last.tool, leftAt } };
    }
  }
}
