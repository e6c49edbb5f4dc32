import type { AskedLine } from '#core/spec/label/label-reading.ts';
import { LABEL_DOUBT_WORDS } from '#wire/words/label.ts';

type Props = {
  readonly asked: readonly AskedLine[];
  readonly onNote: (line: AskedLine) => void;
  readonly onScrew: (line: AskedLine) => void;
  readonly onSettled: (line: AskedLine) => void;
};

/** Lines of a label of which something is not in the table, or may say something else: each is answered before the table is kept. */
export const AskedLines = ({ asked, onNote, onScrew, onSettled }: Props) => (
  <ul className="grid gap-3" aria-label="Lines to answer">
    {asked.map((line) => (
      <li key={line.line} className="grid gap-1 border-l-4 border-unsure pl-2">
        <p>
          <strong>Line {line.line}:</strong> <q className="font-mono">{line.text}</q>{' '}
          {LABEL_DOUBT_WORDS[line.why]}
        </p>
        <p className="flex flex-wrap gap-2">
          {line.why === 'screw-or-gauge' ? (
            <>
              <button type="button" className="act-quiet" onClick={() => onSettled(line)}>
                A wire’s gauge
              </button>
              <button type="button" className="act-quiet" onClick={() => onScrew(line)}>
                A screw
              </button>
            </>
          ) : (
            <>
              <button type="button" className="act-quiet" onClick={() => onNote(line)}>
                Keep the line as a note
              </button>
              <button type="button" className="act-quiet" onClick={() => onSettled(line)}>
                {line.why === 'no-torque' ? 'Leave it out' : 'The table says it all'}
              </button>
            </>
          )}
        </p>
      </li>
    ))}
  </ul>
);
