import Delete from 'lucide-react/icons/delete';
import type { ReactNode } from 'react';

type Props = {
  /** What the digits are in, said to a screen reader with each key. */
  readonly unit: string;
  readonly onDigit: (character: string) => void;
  readonly onErase: () => void;
  /** What takes the number, in the place beside the erasing key. */
  readonly children?: ReactNode;
};

const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0'] as const;
const KEY = 'act-quiet min-h-14 px-0 text-l font-bold';

/** Digits as large as the bench's targets, for a gloved finger. */
export const NumberPad = ({ unit, onDigit, onErase, children }: Props) => (
  // biome-ignore lint/a11y/useSemanticElements: a fieldset would be announced as part of a form
  <div
    role="group"
    aria-label={`Number pad, ${unit}`}
    className="mt-2 grid grid-cols-3 gap-1.5"
    data-testid="number-pad"
  >
    {KEYS.map((key) => (
      <button
        key={key}
        type="button"
        className={KEY}
        aria-label={key === '.' ? 'decimal point' : key}
        onClick={() => onDigit(key)}
      >
        {key}
      </button>
    ))}
    <button type="button" className={KEY} aria-label="Take back the last digit" onClick={onErase}>
      <Delete size={24} aria-hidden="true" />
    </button>
    {children}
  </div>
);
