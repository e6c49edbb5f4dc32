import { useState } from 'react';
import type { CellFinding, CellRefusal, ReadLine, TerminalColumn } from '#core/job/terminal-list.ts';
import { displayDigits } from '#core/torque/display.ts';
import { unitSymbol } from '#core/torque/unit.ts';
import { problemWords } from '#wire/problems/en.ts';

type Settle = (line: ReadLine, column: TerminalColumn, text: string) => void;

type Choice = { readonly text: string; readonly means: string };

const choicesOf = (refusal: CellRefusal): readonly Choice[] => {
  if (refusal.code === 'statements-disagree') return refusal.candidates.map((text) => ({ text, means: '' }));
  if (refusal.code !== 'ambiguous-unit' && refusal.code !== 'no-unit' && refusal.code !== 'ambiguous-torque')
    return [];
  return refusal.candidates.map(({ text, inSiteUnit }) => ({
    text,
    means: inSiteUnit
      ? `${displayDigits(inSiteUnit.value, { sourceDigits: 2, graduation: null })} ${unitSymbol(inSiteUnit.unit)}`
      : '',
  }));
};

const cellText = (line: ReadLine, column: TerminalColumn): string =>
  (column === 'requirement' ? line.source.readAs : null) ?? line.source.cells[column] ?? '';

/** A cell in doubt: what is wrong, the candidates to choose from, and a field to type what the source means. */
export const DoubtfulCell = ({
  line,
  finding,
  onSettle,
}: {
  readonly line: ReadLine;
  readonly finding: CellFinding;
  readonly onSettle: Settle;
}) => {
  const { title, cause, fix } = problemWords(finding.refusal);
  const { column } = finding;
  const choices = choicesOf(finding.refusal);
  const [typed, setTyped] = useState(cellText(line, column));
  return (
    <div className="grid gap-1 border-l-4 border-unsure pl-2">
      <p className="text-s">
        <strong>
          {title}, line {finding.line}, {column}.
        </strong>{' '}
        {cause} <span className="text-faint">{fix}</span>
      </p>
      <div className="flex flex-wrap gap-2">
        {choices.map(({ text, means }) => (
          <button
            key={text}
            type="button"
            className="act-quiet flex-col gap-0 leading-4"
            onClick={() => onSettle(line, column, text)}
          >
            {text}
            {means && !text.endsWith(means) && <span className="text-s text-faint">= {means}</span>}
          </button>
        ))}
        <input
          className="field w-44"
          value={typed}
          aria-label={`${column} of line ${finding.line}, as the source means it`}
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return;
            // Enter settles this cell; it must not send the whole list that the cell stands in.
            event.preventDefault();
            onSettle(line, column, typed);
          }}
        />
        <button type="button" className="act-quiet" onClick={() => onSettle(line, column, typed)}>
          Read it so
        </button>
      </div>
    </div>
  );
};
