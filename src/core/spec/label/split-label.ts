/** A line of a label, cut into cells where its columns are marked. */
export type LabelLine = {
  /** Counted from 1, as pasted. */
  readonly line: number;
  readonly text: string;
  readonly cells: readonly string[];
};

/** How a label marks its columns: tabs, bars, semicolons, two spaces or more, or not at all. */
export type LabelSeparator = 'tab' | 'bar' | 'semicolon' | 'spaces' | 'none';

export const LABEL_MAX_LENGTH = 100_000;
export const LABEL_MAX_LINES = 1_000;

// Leading dots count as a gap between columns: `M4........1.5`.
const GAP = /\s{2,}|\s*\.{4,}\s*/;

const SEPARATORS: readonly (readonly [LabelSeparator, RegExp])[] = [
  ['tab', /\s*\t\s*/],
  ['bar', /\s*[|¦]\s*/],
  ['semicolon', /\s*;\s*/],
  ['spaces', GAP],
];
/** The share of lines that must be cut alike before a mark counts as a column mark. */
const SHARE_CUT_ALIKE = 0.5;

const bare = (line: string): string =>
  line
    .replace(/\u00a0/g, ' ')
    .replace(/^\s*[•·▪*]\s+/, '')
    .trim();

const cellsBy = (text: string, mark: RegExp): readonly string[] =>
  text
    .replace(/^\s*\|/, '')
    .replace(/\|\s*$/, '')
    .trim()
    .split(mark)
    .map((cell) => cell.trim());

/** How far every line is indented. What a line is indented beyond it is an empty first cell. */
const indentOf = (lines: readonly string[]): number =>
  lines.reduce((least, line) => Math.min(least, /^ */.exec(line)?.[0].length ?? 0), LABEL_MAX_LENGTH);

/** Cells between gaps; a line that begins with a gap has nothing in its first column. */
const cellsByGap = (line: string, indent: number): readonly string[] => {
  const cells = cellsBy(line, GAP);
  return /^ {2,}\S/.test(line.slice(indent)) ? ['', ...cells] : cells;
};

const isRuleLine = (line: string): boolean => /^[\s|+=:_-]*$/.test(line) && !/\d/.test(line);

/** The count of cells that most lines have when cut; 1 where too few are cut alike. */
const commonCells = (lines: readonly string[], cut: (line: string) => readonly string[]): number => {
  const counts = new Map<number, number>();
  for (const line of lines) {
    const { length } = cut(line);
    counts.set(length, (counts.get(length) ?? 0) + 1);
  }
  const [cells = 1, times = 0] =
    [...counts].filter(([count]) => count > 1).sort((a, b) => b[1] - a[1] || b[0] - a[0])[0] ?? [];
  return times >= 2 && times / lines.length >= SHARE_CUT_ALIKE ? cells : 1;
};

/** Cuts a label into lines, and its lines into cells where columns are marked. Empty and ruled lines are left out. */
export const splitLabel = (
  text: string,
): { readonly separator: LabelSeparator; readonly width: number; readonly lines: readonly LabelLine[] } => {
  const numbered = text
    .split(/\r\n|\n|\r/)
    .map((line, index) => ({ line: index + 1, text: bare(line), raw: line }))
    .filter(({ text: words }) => words !== '' && !isRuleLine(words));
  const indent = indentOf(numbered.map(({ raw }) => raw));
  for (const [separator, mark] of SEPARATORS) {
    const cut = (line: string): readonly string[] =>
      separator === 'spaces' ? cellsByGap(line, indent) : cellsBy(line, mark);
    const width = commonCells(
      numbered.map(({ raw }) => raw),
      cut,
    );
    if (width > 1)
      return {
        separator,
        width,
        lines: numbered.map(({ line, text: words, raw }) => {
          const cells = cut(raw);
          // A wide cell pushes its row together until one space is all that is left between two columns.
          const bySpace = separator === 'spaces' && cells.length < width ? words.split(/\s+/) : cells;
          return { line, text: words, cells: bySpace.length === width ? bySpace : cells };
        }),
      };
  }
  return {
    separator: 'none',
    width: 1,
    lines: numbered.map(({ line, text: words }) => ({ line, text: words, cells: [words] })),
  };
};
