import { useState } from 'react';
import { Dialog } from './Dialog.tsx';

type Props = {
  readonly title: string;
  readonly explanation: string;
  readonly action: string;
  /** Reasons people give often, to choose instead of typing. */
  readonly usual: readonly string[];
  readonly onDone: (why: string) => void;
  readonly onClose: () => void;
};

const LONGEST = 300;

/** Asks for a reason that the record keeps. */
export const WhyDialog = ({ title, explanation, action, usual, onDone, onClose }: Props) => {
  const [why, setWhy] = useState('');
  return (
    <Dialog title={title} onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (why.trim() !== '') onDone(why.trim());
        }}
      >
        <p className="mb-3">{explanation}</p>
        <div className="mb-3 flex flex-wrap gap-2">
          {usual.map((reason) => (
            <button key={reason} type="button" className="act-quiet" onClick={() => setWhy(reason)}>
              {reason}
            </button>
          ))}
        </div>
        <label className="block">
          Why
          <input
            className="field mt-1"
            value={why}
            maxLength={LONGEST}
            required
            onChange={(event) => setWhy(event.target.value)}
          />
        </label>
        <button type="submit" className="act mt-4 min-h-14 w-full" disabled={why.trim() === ''}>
          {action}
        </button>
      </form>
    </Dialog>
  );
};
