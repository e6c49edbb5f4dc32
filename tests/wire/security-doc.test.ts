import { existsSync, readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { inProject } from '../../scripts/site/paths.ts';

const TEXT = readFileSync(inProject('docs', 'security.md'), 'utf8');

/** Each test that the document names: a file, and pieces of titles behind it. */
const named = (): readonly { readonly file: string; readonly title: string }[] =>
  [...TEXT.matchAll(/`([a-z-]+(?:\/[a-z-]+)+\.(?:test|spec))`((?: ?› [^|;`›)\n]+;?)+)/g)].flatMap(
    ([, file = '', titles = '']) =>
      titles
        .split('›')
        .slice(1)
        .map((title) => ({ file, title: title.trim().split(/[.:;]/)[0] as string })),
  );

/** What a file of tests calls them: every text that begins one, with the lines on which a table of them ends. */
const titlesIn = (path: string): string =>
  readFileSync(path, 'utf8')
    .split('\n')
    .filter(
      (line, at, all) =>
        /(?:test|describe)(?:\.\w+)?\(|^\s*\]?\)\(/.test(`${all[at - 1] ?? ''}${line}`) ||
        line.includes('])('),
    )
    .join('\n');

test('every test that docs/security.md names is there', () => {
  const all = named();
  expect(all.length).toBeGreaterThan(50);
  const missing = all.filter(({ file, title }) => {
    const path = inProject('tests', `${file}.ts`);
    return !existsSync(path) || !titlesIn(path).includes(title);
  });
  expect(missing).toEqual([]);
});

test('every requirement says how it stands: met, met in part, not met or not applicable', () => {
  const rows = TEXT.split('\n').filter((line) => /^\| \d+\.\d+/.test(line));
  expect(rows.length).toBeGreaterThan(60);
  for (const row of rows) {
    const [, , , stands = ''] = row.split('|').map((cell) => cell.trim());
    expect(['met', 'met in part', 'not met', 'not applicable'], row).toContain(stands);
  }
});
