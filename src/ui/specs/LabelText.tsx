import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { useTypedAhead } from '../kit/form/use-typed-ahead.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { FileButton, LIST_FILES } from '../shared/FileButton.tsx';

type Props = {
  readonly text: string;
  readonly problem: ProblemDetails | null;
  readonly onText: (text: string) => void;
  readonly onFile: (file: File) => void;
};

const SAMPLE = '16-12 AWG CU 15 lb-in\n#10 21 lb-in\n2 x #12 CU 19';

/** What a label or a table prints, pasted or from a file. */
export const LabelText = ({ text, problem, onText, onFile }: Props) => {
  const ahead = useTypedAhead<HTMLTextAreaElement>(text, ({ value }) => onText(value));
  return (
    <section className="panel grid gap-3 p-4">
      <label>
        What it prints, line by line
        <textarea
          className="field mt-1 min-h-40 py-2 font-mono"
          ref={ahead}
          name="label"
          value={text}
          placeholder={SAMPLE}
          maxLength={100_000}
          onChange={(event) => onText(event.target.value)}
        />
      </label>
      <div className="flex flex-wrap items-center gap-3">
        <FileButton words="or choose a file (CSV)" accept={LIST_FILES} onFile={onFile} />
        <p className="text-s text-faint">
          Columns by tabs, bars or spaces; units in the heading or in the cells; ranges and footnotes as they
          are.
        </p>
      </div>
      <ProblemNotice problem={problem} />
    </section>
  );
};
