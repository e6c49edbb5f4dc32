import type { RouteProblem, Station } from './route-problem.ts';

/** For a tool that may have been left at any station: where only what is needed at the least is asked. */
export const ANYWHERE = -1;

/** How the tools stand at a moment: which is in hand, and at which station each was left. */
export type Standing = { readonly inHand: number | null; readonly leftAt: readonly (number | null)[] };

/** What tells one standing from another. */
export const standingKey = ({ inHand, leftAt }: Standing): string => `${inHand ?? ''}|${leftAt.join()}`;

/** Whether it takes no more than so many changes more from one standing than from another, whatever comes: who follows the other's way step by step pays once for each tool
 *  that stands elsewhere, and once for the one in hand. One that was left at no station may as well stand at any. */
export const isBehindByMost = (own: Standing, other: Standing, most: number): boolean => {
  let left = most - Number(other.inHand !== null && own.inHand !== other.inHand);
  for (let tool = 0; left >= 0 && tool < other.leftAt.length; tool += 1) {
    const [at, here] = [other.leftAt[tool], own.leftAt[tool]];
    if (at !== null && at !== here && here !== ANYWHERE) left -= 1;
  }
  return left >= 0;
};

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

const product = <T>(choices: readonly (readonly T[])[]): readonly (readonly T[])[] =>
  choices.reduce<readonly (readonly T[])[]>(
    (all, some) => all.flatMap((before) => some.map((each) => [...before, each])),
    [[]],
  );

const throughOne = ({ tool, isDialled }: Station, station: number, from: Standing): Passage => {
  const isThere = from.leftAt[tool] === station;
  const mayBeThere = isThere || from.leftAt[tool] === ANYWHERE;
  return {
    order: [station],
    cost: Number(isDialled && !mayBeThere) + Number(from.inHand !== tool),
    after: { inHand: tool, leftAt: isThere ? from.leftAt : from.leftAt.with(tool, station) },
  };
};

/** The ways through a cover with the fewest changes, one for each standing they may end in: a tool in hand is used before another is taken up, each is taken up
 *  once, and one stands at each setting once. What more costs now never saves more than that later.
 *  `isUseful` says whether a station, or a tool, is needed again. */
export const passagesThrough = (
  { stations }: Pick<RouteProblem, 'stations'>,
  cover: readonly number[],
  from: Standing,
  isUseful: (station: number) => boolean,
  isToolUseful: (tool: number) => boolean,
): readonly Passage[] => {
  const [only] = cover;
  if (only !== undefined && cover.length === 1) return [throughOne(stations[only] as Station, only, from)];
  const byTool = new Map<number, number[]>();
  for (const station of cover) {
    const { tool } = stations[station] as { readonly tool: number };
    byTool.set(tool, [...(byTool.get(tool) ?? []), station]);
  }
  const tools = [...byTool.keys()];
  const { inHand } = from;
  const isHeld = inHand !== null && byTool.has(inHand);
  const mayBeLast = isHeld && tools.length > 1 ? tools.filter((tool) => tool !== inHand) : tools;
  const useful = mayBeLast.filter(isToolUseful);
  const lasts = useful.length > 0 ? useful : mayBeLast.slice(-1);
  const isDialled = (station: number): boolean => {
    const { tool, isDialled: isSet } = stations[station] as Station;
    return isSet && from.leftAt[tool] !== station && from.leftAt[tool] !== ANYWHERE;
  };
  const cost = cover.filter(isDialled).length + tools.length - Number(isHeld);
  return lasts.flatMap((last) => {
    const sequence = [
      ...tools.filter((tool) => isHeld && tool === inHand && tool !== last),
      ...tools.filter((tool) => tool !== last && tool !== inHand),
      last,
    ];
    const choices = sequence.map((tool) =>
      ordersOf(byTool.get(tool) ?? [], from.leftAt[tool] ?? null, isUseful),
    );
    return product(choices).map((orders): Passage => {
      const leftAt = [...from.leftAt];
      for (const order of orders) {
        const end = order.at(-1);
        if (end !== undefined) leftAt[stations[end]?.tool ?? 0] = end;
      }
      return { order: orders.flat(), cost, after: { inHand: last, leftAt } };
    });
  });
};
