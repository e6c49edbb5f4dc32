import CircleCheck from 'lucide-react/icons/circle-check';
import { memo } from 'react';
import type { ReadLine, TerminalColumn } from '#core/job/terminal-list.ts';
import type { Requirement } from '#core/requirement/requirement.ts';
import { printedTorques } from '#core/requirement/requirement.ts';
import { unitSymbol } from '#core/torque/unit.ts';
import { DoubtfulCell } from './DoubtfulCell.tsx';

type Settle = (line: ReadLine, column: TerminalColumn, text: string) => void;

const readWords = (requirement: Requirement): string => {
  const torques = printedTorques(requirement);
  const symbol = unitSymbol(torques[0]?.unit ?? 'N.m');
  const digits = torques.map(({ text }) => text).join(' to ');
  switch (requirement.kind) {
    case 'maximum':
      return `at most ${digits} ${symbol}`;
    case 'minimum':
      return `at least ${digits} ${symbol}`;
    case 'nominal-percent':
      return `${digits} ${symbol} ±${requirement.tolerancePercent} %`;
    case 'nominal-absolute':
      return `${digits} ${symbol}, +${requirement.plus.text} −${requirement.minus.text}`;
    case 'nominal':
      return `${digits} ${symbol}, no tolerance printed`;
    case 'torque-then-angle':
      return `${digits} ${symbol}, then ${requirement.angleDegrees}°`;
    case 'range':
      return `${digits} ${symbol}`;
  }
};

type RowProps = { readonly line: ReadLine; readonly onSettle: Settle };

const PreviewRow = memo(({ line, onSettle }: RowProps) => {
  const { source, fastener, findings } = line;
  const { cells } = source;
  const isSettled = findings.length === 0;
  return (
    <tr className="border-b border-rule align-top" data-line={source.line} data-settled={isSettled}>
      <td className="px-2 py-2 text-right font-mono text-s text-faint">{source.line}</td>
      <td className="px-2 py-2 font-mono whitespace-nowrap">{cells.position}</td>
      <td className="px-2 py-2">{cells.label}</td>
      <td className="px-2 py-2 font-mono whitespace-nowrap">
        {cells.x_mm} · {cells.y_mm}
      </td>
      <td className="px-2 py-2">{cells.conductor}</td>
      <td className="px-2 py-2">
        {cells.requirement}
        {source.readAs !== null && (
          <button
            type="button"
            className="ml-2 text-layout underline underline-offset-3"
            onClick={() => onSettle(line, 'requirement', '')}
          >
            undo
          </button>
        )}
      </td>
      <td className="min-w-56 px-2 py-2">
        {fastener ? (
          <span className="flex items-start gap-2">
            <CircleCheck size={18} className="mt-0.5 shrink-0 text-in" aria-label="settled" />
            <span>
              {readWords(fastener.requirement.requirement)}
              {source.readAs !== null && <strong className="text-unsure"> settled by hand</strong>}
              {line.read && line.read.alsoPrinted.length > 0 && (
                <span className="text-faint"> both values agree</span>
              )}
            </span>
          </span>
        ) : (
          <div className="grid gap-2">
            {findings.map((finding) => (
              <DoubtfulCell
                key={`${finding.column}${finding.refusal.code}`}
                line={line}
                finding={finding}
                onSettle={onSettle}
              />
            ))}
          </div>
        )}
      </td>
    </tr>
  );
});

/** How each line of the list was read, those in doubt first if asked for. */
export const PreviewTable = ({
  lines,
  onSettle,
}: {
  readonly lines: readonly ReadLine[];
  readonly onSettle: Settle;
}) => (
  // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls sideways must be reachable to be scrolled by keys
  <section className="overflow-x-auto" aria-label="Preview" tabIndex={0}>
    <table className="w-full border-collapse text-m">
      <caption className="sr-only">How each line was read</caption>
      <thead>
        <tr>
          {['Line', 'Position', 'Label', 'x · y mm', 'Conductor', 'Printed', 'Read as'].map((name) => (
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
          <PreviewRow key={line.source.line} line={line} onSettle={onSettle} />
        ))}
      </tbody>
    </table>
  </section>
);
