import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { inProject } from '../../scripts/site/paths.ts';

const files = (folder: string): readonly string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? files(path) : [path];
  });
const root = inProject('src', 'ui');
const ui = files(root).map((path) => ({
  name: path.slice(root.length + 1),
  text: readFileSync(path, 'utf8'),
}));

const MOST_LINES = 120;
/** Components that are longer, each with its reason. */
const LONGER: Readonly<Record<string, string>> = {
  'specs/DependentsOfSource.tsx': 'one list with its two questions, which share what was chosen in it',
  'specs/ImportBookScreen.tsx':
    'the import of the book: it takes its parts from the import of a job when that is shared',
};

/** Hooks that have no test of their own, each with its reason. */
const HOOKS: Readonly<Record<string, string>> = {
  'kit/answer/use-answer.ts': 'a face of the query library; tried in Chromium by kit.spec and tools.spec',
  'kit/answer/use-told.ts': 'a face of the query library; tried in Chromium by tools.spec and specs.spec',
  'kit/form/use-field.ts': 'a face of the form library; tried in Chromium by kit.spec',
  'kit/form/use-kept-draft.ts': 'localStorage and state; tried in Chromium by import.spec and specs.spec',
  'kit/form/use-kit-form.ts': 'a face of the form library; tried in Chromium by kit.spec',
  'kit/form/use-listening.ts': 'one question to the page; tried in Chromium by kit.spec',
  'kit/form/use-typed-ahead.ts': 'one effect and a ref; tried in Chromium by kit.spec',
  'kit/table/use-kept-view.ts': 'localStorage and the table library; tried in Chromium by kit.spec',
  'kit/table/use-list-table.ts': 'a face of the table library; tried in Chromium by kit.spec',
  'kit/table/use-row-keys.ts': 'rowAfter is tested in tests/ui/kit; the focus in Chromium by kit.spec',
  'kit/table/use-shown-rows.ts': 'a face of the virtual library; tried in Chromium by kit.spec',
  'jobs/bench/use-after-frame.ts': 'one effect and a state; measured in Chromium by bench -- screen',
  'jobs/bench/use-comfort.ts': 'subscribes to comfortStore, which tests/client tests',
  'kit/use-pad.ts': 'one media query and a choice; tried in Chromium by hands.spec',
  'people/use-people.ts':
    'what a lead asks of PEOPLE_OPERATIONS and how all stand then; tried in Chromium by people.spec',
  'shared/use-lines.ts': 'reads lines as readLines does; tried in Chromium by keeping.spec',
  'shared/use-search.ts': 'a pause and a request; tried in Chromium by specs.spec',
  'jobs/plan/use-route.ts':
    'asks the worker jobRoute, which tests/core/route tests; tried in Chromium by hands.spec',
  'jobs/use-job.ts': 'subscribes to jobStore, which tests/client/job-store tests',
  'jobs/drawing/use-size.ts': 'one observer of the browser; tried in Chromium by screens.spec',
  'jobs/bench/use-bench-keys.ts':
    'hands keys to benchStore, which tests/client/bench-store tests; the keys in Chromium by bench.spec',
  'jobs/bench/use-bench.ts': 'subscribes to benchStore and comfortStore, which tests/client tests',
  'specs/use-table-draft.ts':
    'a draft over readLabel, which tests/core/spec/label tests; tried in Chromium by specs.spec',
  'jobs/memory/use-memory.ts':
    'hands a file to memoryReadings, matchMemory and recordMemory, which tests/core and tests/client test; tried in Chromium by devices.spec',
  'tools/use-session.ts': 'a draft over the session plan; tried in Chromium by tools.spec',
  'layout/use-board-gestures.ts':
    'hands pulls, pinches and turns to board-view, which tests/core/layout tests; tried in Chromium by plan.spec',
  'layout/use-choice.ts': 'a set and boardKey, which tests/ui tests; tried in Chromium by plan.spec',
  'layout/use-growing.ts': 'a count that grows with the frames; tried in Chromium by plan.spec',
  'layout/use-laying.ts': 'subscribes to boardStore, which tests/client tests',
  'layout/use-picture.ts':
    'a file and scaledBy, which tests/core/layout tests; tried in Chromium by plan.spec',
  'preload/use-preload.ts':
    'asks the worker preloadFacts, which tests/core/preload tests; tried in Chromium by plan.spec',
  'simulate/use-in-turn.ts': 'a part a frame; tried in Chromium by plan.spec, measured by bench -- board',
  'simulate/use-simulation.ts':
    'asks the worker simulation, which tests/core/simulate tests; tried in Chromium by plan.spec',
  'import/use-fastener-list.ts':
    'a draft over readFastenerLines, which tests/core/job tests; tried in Chromium by import.spec and joints.spec',
};

/** The longest component of a file, in lines. */
const longest = (text: string): number => {
  const lines = text.split('\n');
  return lines.reduce((most, line, start) => {
    if (!/^(?:export )?const [A-Z][a-z]\w* = (?:memo\()?[(<]/.test(line)) return most;
    const length = lines.slice(start + 1).findIndex((each) => /^(?:\}|\))\)?;/.test(each)) + 2;
    return Math.max(most, length);
  }, 0);
};

describe('a screen is a composition', () => {
  test('the measure finds the length of a component, and takes nothing else for one', () => {
    expect(longest('export const Panel = ({ a }: Props) => {\n  return a;\n};\n')).toBe(3);
    expect(longest('const Row = memo(() => (\n  <p />\n));\n')).toBe(3);
    expect(longest('const ROWS = [\n  1,\n];\nconst row = () => {\n};\n')).toBe(0);
  });

  test(`a component over ${MOST_LINES} lines is an exception with a reason`, () => {
    const over = ui.filter(({ name, text }) => name.endsWith('.tsx') && longest(text) > MOST_LINES);
    expect(over.map(({ name }) => name).sort()).toEqual(Object.keys(LONGER).sort());
  });

  test('a hook without a test of its own is an exception with a reason', () => {
    const hooks = ui.filter(({ name }) => /\/use-[^/]+\.tsx?$/.test(name)).map(({ name }) => name);
    expect([...hooks].sort()).toEqual(Object.keys(HOOKS).sort());
  });

  test('no component has more than three effects', () => {
    const many = ui.filter(({ text }) => (text.match(/\buse(?:Layout)?Effect\(/g) ?? []).length > 3);
    expect(many.map(({ name }) => name)).toEqual([]);
  });
});

test('no cast quiets the compiler', () => {
  const casting = files(inProject('src')).filter((path) =>
    readFileSync(path, 'utf8').includes('as unknown as'),
  );
  expect(casting).toEqual([]);
});
