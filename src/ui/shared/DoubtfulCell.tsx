import { type ReactNode, useRef, useState } from 'react';
import { displayDigits } from '#core/quantity/display.ts';
import { unitSymbol } from '#core/quantity/unit.ts';
import { problemWords } from '#wire/problems/en.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { focusNextDoubt } from './next-doubt.ts';

type Choice = { readonly text: string; readonly means: string };

const choicesOf = (refusal: Problem): readonly Choice[] => {
  if (refusal.code === 'statements-disagree' || refusal.code === 'size-doubtful')
    return refusal.candidates.map((text) => ({ text, means: '' }));
  if (refusal.code === 'unknown-choice') return refusal.known.map((text) => ({ text, means: '' }));
  if (refusal.code !== 'ambiguous-unit' && refusal.code !== 'no-unit' && refusal.code !== 'ambiguous-torque')
    return [];
  return refusal.candidates.map(({ text, inSiteUnit }) => ({
    text,
    means: inSiteUnit
      ? `${displayDigits(inSiteUnit.value, { sourceDigits: 2, graduation: null })} ${unitSymbol(inSiteUnit.unit)}`
      : '',
  }));
};

const likelyFirst = (choices: readonly Choice[], unit: string | null): readonly Choice[] =>
  unit === null
    ? choices
    : [...choices].sort((a, b) => Number(b.text.endsWith(unit)) - Number(a.text.endsWith(unit)));

type Props = {
  readonly refusal: Problem;
  /** Where it stands, such as "line 4, requirement". */
  readonly where: string;
  /** What the cell says so far. */
  readonly text: string;
  readonly onResolve: (text: string) => void;
  /** Unit that the neighbours of the cell are printed in; its candidate comes first. */
  readonly likelyUnit?: string | null;
  /** Another way to settle it, such as looking it up. */
  readonly children?: ReactNode;
};

/** A cell in doubt: what is wrong, the candidates to choose from, and a field to type what the source means. */
export const DoubtfulCell = ({ refusal, where, text, onResolve, likelyUnit = null, children }: Props) => {
  const { title, cause, fix } = problemWords(refusal);
  const [typed, setTyped] = useState(text);
  const box = useRef<HTMLDivElement>(null);
  const settle = (as: string): void => {
    if (box.current) focusNextDoubt(box.current);
    onResolve(as);
  };
  return (
    <div ref={box} data-doubt="" className="grid gap-1 border-l-4 border-unsure pl-2">
      <p className="text-s">
        <strong>
          {title}, {where}.
        </strong>{' '}
        {cause} <span className="text-faint">{fix}</span>
      </p>
      <div className="flex flex-wrap gap-2">
        {likelyFirst(choicesOf(refusal), likelyUnit).map(({ text: choice, means }) => (
          <button
            key={choice}
            type="button"
            className="act-quiet flex-col gap-0 leading-4"
            onClick={() => settle(choice)}
          >
            {choice}
            {means && !choice.endsWith(means) && <span className="text-s text-faint">= {means}</span>}
          </button>
        ))}
        <input
          className="field w-44"
          value={typed}
          aria-label={`${where}, as the source means it`}
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return;
            // Enter settles this cell; it must not send the whole list that the cell stands in.
            event.preventDefault();
            settle(typed);
          }}
        />
        <button type="button" className="act-quiet" onClick={() => settle(typed)}>
          Read it so
        </button>
        {children}
      </div>
    </div>
  );
};
