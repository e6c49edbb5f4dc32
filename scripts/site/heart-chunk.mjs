// The bench, and what stands on every page.
const ROOTS = /\/src\/ui\/(?:jobs\/bench\/BenchScreen|shared\/OutboxSender|shared\/SearchEverything)\.tsx$/;
// Of a library that is read whole the bench uses one file: the rest goes with whoever uses it.
const NOT_HEART = /\/node_modules\/(?:internmap|d3-array\/src\/(?!ticks\.js))/;
const BENCH_OWN = /\/src\/ui\/jobs\/bench\//;
// With what the bundler puts around modules of the older kind: the heart stands on it, and it on nothing of the heart.
const REACT = /\/node_modules\/(?:react|react-dom|scheduler|@astrojs\/react)\/|commonjsHelpers/;

/** Everything that some modules lead to without being asked for later. */
const closure = (from, getModuleInfo) => {
  const found = new Set();
  const look = (id) => {
    if (found.has(id)) return;
    found.add(id);
    for (const next of getModuleInfo(id)?.importedIds ?? []) look(next);
  };
  for (const id of from) look(id);
  return found;
};

/** Which file of the browser's build a module goes into: what the bench stands on is one file, which every page of the application loads and the browser keeps.
 *  Thirty small ones of the same text pack a tenth worse (docs/adr/0019). */
export const heartChunk = () => {
  let heart = null;
  return (id, { getModuleIds, getModuleInfo }) => {
    heart ??= closure(
      [...getModuleIds()].filter((each) => ROOTS.test(each)),
      getModuleInfo,
    );
    if (REACT.test(id)) return 'react';
    // Named, or the bundler puts them into the heart after all.
    if (NOT_HEART.test(id)) return 'arrays';
    return heart.has(id) && !BENCH_OWN.test(id) ? 'heart' : null;
  };
};
