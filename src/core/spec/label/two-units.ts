import { type TorqueUnit, unitSymbol } from '../../quantity/unit.ts';
import { torqueUnitsIn } from '../../quantity/unit-spelling.ts';
import { isHeading } from './label-reading.ts';
import type { LabelLine } from './split-label.ts';

const NUMBER = String.raw`\d+(?:[.,]\d+)?`;
const VALUE = `${NUMBER}(?:\\s*(?:[-–]|to)\\s*${NUMBER})?`;
/** A value at the end of a text and the same again in brackets or behind a stroke: `0.8 (7)`, `0.8 [7]`, `0.8 / 7`. */
const TWICE = new RegExp(
  `(?<![\\d.,/-])(${VALUE})\\s*(?:\\(\\s*(${VALUE})\\s*\\)|\\[\\s*(${VALUE})\\s*\\]|\\s/\\s+(${VALUE}))\\s*$`,
);

type Units = readonly [TorqueUnit, TorqueUnit];

/** The two units that headings print for one value: `N·m (lb·in)`. Null where they print none, one, or more than two. */
const twoUnits = (lines: readonly LabelLine[]): Units | null => {
  const printed = new Set(
    lines.filter(({ text }) => isHeading(text)).flatMap(({ text }) => torqueUnitsIn(text)),
  );
  const [first, second, third] = printed;
  return first && second && !third ? [first, second] : null;
};

const inBoth = (text: string, [first, second]: Units): string => {
  const match = TWICE.exec(text);
  if (!match || torqueUnitsIn(text).length > 0) return text;
  const [whole, value = '', ...others] = match;
  const other = others.find((each) => each !== undefined) ?? '';
  const before = text.slice(0, text.length - whole.length);
  return `${before}${value} ${unitSymbol(first)} (${other} ${unitSymbol(second)})`;
};

/** Lines whose values stand twice under a heading of two units, each value with its own unit; others as they are. */
export const withBothUnits = (lines: readonly LabelLine[]): readonly LabelLine[] => {
  const units = twoUnits(lines);
  if (!units) return lines;
  return lines.map((line) =>
    isHeading(line.text)
      ? line
      : { ...line, text: inBoth(line.text, units), cells: line.cells.map((cell) => inBoth(cell, units)) },
  );
};
