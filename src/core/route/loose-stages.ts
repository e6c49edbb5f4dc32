import { type Covers, hardest } from './covers.ts';
import { followed } from './followed.ts';
import type { RouteProblem, Stage } from './route-problem.ts';
import { ANYWHERE, type Passage, passagesThrough, type Standing } from './standing.ts';
import { type ToolSet, toolSets } from './tool-sets.ts';

/** More sets of tools than so many for one stage take too long to be followed. */
const MOST_SETS = 64;

/** The sets of tools for a stage with what each takes from nothing; those left out do no less with more. Null where there are too many. */
const setsFor = (problem: RouteProblem, stage: Stage): readonly ToolSet[] | null => {
  const fromNothing = { stations: problem.stations, inHand: null, leftAt: problem.leftAt.map(() => null) };
  const sets = toolSets(fromNothing, hardest(stage), true);
  return sets && sets.length <= MOST_SETS ? sets : null;
};

/** Ways through a stage worked with some tools that take no more than any real one: each tool may have stood at one of its settings, and may have been left at any. */
const loosePassages = (
  stage: Stage,
  { stations }: Pick<RouteProblem, 'stations'>,
  sets: readonly ToolSet[],
  { inHand, leftAt }: Standing,
): readonly Passage[] => {
  const used = new Set(stage.flat());
  return sets.flatMap(({ tools, least }) => {
    const saved = [...tools].filter((tool) => {
      const at = leftAt[tool] ?? null;
      return at === ANYWHERE || (at !== null && used.has(at) && stations[at]?.isDialled === true);
    }).length;
    const isHeld = inHand !== null && tools.has(inHand);
    const cost = Math.max(tools.size - Number(isHeld), least - saved - Number(isHeld));
    const left = leftAt.map((at, tool) => (tools.has(tool) ? ANYWHERE : at));
    return [...tools].map((last): Passage => ({ order: [], cost, after: { inHand: last, leftAt: left } }));
  });
};

/** Changes that no way through all stages can do without, where a stage that can't be followed in every way is followed as if its settings could be left at will.
 *  Null where that is too much as well. */
export const leastThroughLoose = (problem: RouteProblem, covers: readonly Covers[]): number | null => {
  const loose = covers.map(({ isAll }, stage) =>
    isAll ? 'whole' : setsFor(problem, problem.stages[stage] ?? []),
  );
  if (loose.includes(null)) return null;
  const everything = (): boolean => true;
  const { best, isAll } = followed(problem, (stage, from) => {
    const sets = loose[stage];
    if (sets && sets !== 'whole') return loosePassages(problem.stages[stage] ?? [], problem, sets, from);
    return (covers[stage]?.sets ?? []).flatMap((set) =>
      passagesThrough(problem, set, from, everything, everything),
    );
  });
  return isAll ? best.cost : null;
};
