import CircleCheck from 'lucide-react/icons/circle-check';
import { memo, type ReactNode } from 'react';
import type { ListFinding, ListLine } from '#core/spec/list/list-line.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { DoubtfulCell } from './DoubtfulCell.tsx';

/** A line of a list as far as it has been read. */
export type PreviewLine<Column extends string> = {
  readonly listed: ListLine<Column>;
  readonly findings: readonly ListFinding<Column, Problem>[];
};

type Shared<Column extends string, Line extends PreviewLine<Column>> = {
  /** The column that holds what is printed; a person's reading of it stands beside, not in its place. */
  readonly printed: Column;
  /** Columns shown before the printed one. */
  readonly columns: readonly { readonly name: string; readonly column: Column }[];
  /** How a settled line was read. */
  readonly words: (line: Line) => ReactNode;
  readonly onResolve: (line: Line, column: Column, text: string) => void;
  /** Another way to settle a doubt. */
  readonly otherWay?: (line: Line, column: Column) => ReactNode;
};

type RowProps<Column extends string, Line extends PreviewLine<Column>> = Shared<Column, Line> & {
  readonly line: Line;
};

const Row = <Column extends string, Line extends PreviewLine<Column>>({
  line,
  printed,
  columns,
  words,
  onResolve,
  otherWay,
}: RowProps<Column, Line>) => {
  const { listed, findings } = line;
  const { cells, readAs } = listed;
  const isRead = findings.length === 0;
  const textOf = (column: Column): string => (column === printed ? readAs : null) ?? cells[column] ?? '';
  return (
    <tr className="border-b border-rule align-top" data-line={listed.line} data-settled={isRead}>
      <td className="px-2 py-2 text-right font-mono text-s text-faint">{listed.line}</td>
      {columns.map(({ column }) => (
        <td key={column} className="px-2 py-2">
          {cells[column]}
        </td>
      ))}
      <td className="px-2 py-2">
        {cells[printed]}
        {readAs !== null && (
          <button
            type="button"
            className="ml-2 text-layout underline underline-offset-3"
            onClick={() => onResolve(line, printed, '')}
          >
            undo
          </button>
        )}
      </td>
      <td className="min-w-56 px-2 py-2">
        {isRead ? (
          <span className="flex items-start gap-2">
            <CircleCheck size={18} className="mt-0.5 shrink-0 text-in" aria-label="settled" />
            <span>
              {words(line)}
              {readAs !== null && <strong className="text-unsure"> settled by hand</strong>}
            </span>
          </span>
        ) : (
          <div className="grid gap-2">
            {findings.map(({ column, refusal }) => (
              <DoubtfulCell
                key={`${column}${refusal.code}`}
                refusal={refusal}
                where={`line ${listed.line}, ${column}`}
                text={textOf(column)}
                onResolve={(text) => onResolve(line, column, text)}
              >
                {otherWay?.(line, column)}
              </DoubtfulCell>
            ))}
          </div>
        )}
      </td>
    </tr>
  );
};
const PreviewRow = memo(Row) as typeof Row;

type Props<Column extends string, Line extends PreviewLine<Column>> = Shared<Column, Line> & {
  readonly lines: readonly Line[];
};

/** How each line of a list was read, and what must be settled in it. */
export const ListPreview = <Column extends string, Line extends PreviewLine<Column>>({
  lines,
  ...shared
}: Props<Column, Line>) => (
  // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls sideways must be reachable to be scrolled by keys
  <section className="overflow-x-auto" aria-label="Preview" tabIndex={0}>
    <table className="w-full border-collapse text-m">
      <caption className="sr-only">How each line was read</caption>
      <thead>
        <tr>
          {['Line', ...shared.columns.map(({ name }) => name), 'Printed', 'Read as'].map((name) => (
            <th
              key={name}
              scope="col"
              className="border-b-2 border-rule px-2 py-2 text-left text-s font-normal text-faint"
            >
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <PreviewRow key={line.listed.line} line={line} {...shared} />
        ))}
      </tbody>
    </table>
  </section>
);
