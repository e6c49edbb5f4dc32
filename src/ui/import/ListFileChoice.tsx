import { FASTENER_COLUMNS, OPTIONAL_COLUMNS } from '#core/job/fastener-list.ts';
import { JOINT_KINDS } from '#core/joint/joint-kinds.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { FileButton, LIST_FILES } from '../shared/FileButton.tsx';
import type { FastenerList } from './use-fastener-list.ts';

const SEPARATOR_NAMES = { ',': 'comma', ';': 'semicolon', '\t': 'tab', '|': 'bar' };

/** The file of a list: the way to choose it, how it came, and why it was not read where it was not. */
export const ListFileChoice = ({ list }: { readonly list: FastenerList }) => {
  const { file } = list.draft ?? {};
  return (
    <>
      <div className="flex flex-wrap items-center gap-4">
        <FileButton
          words={file ? 'Choose another list' : 'Choose the list (CSV)'}
          accept={LIST_FILES}
          onFile={(chosen) => void list.load(chosen)}
        />
        {file ? (
          <p className="text-s text-faint">
            {file.name}: {list.read.length} {list.read.length === 1 ? 'line' : 'lines'}, {file.encoding},
            separated by {SEPARATOR_NAMES[file.separator]}
            {file.ignoredHeadings.length > 0 && `; not read: ${file.ignoredHeadings.join(', ')}`}. Units
            without doubt are kept as printed; the site’s unit is never put in their place.
          </p>
        ) : (
          <p className="text-s text-faint">
            Columns in any order: {FASTENER_COLUMNS.join(', ')}; if you have them{' '}
            {OPTIONAL_COLUMNS.join(', ')}, and what the kind of joint adds:{' '}
            {JOINT_KINDS.flatMap(({ details }) => details.map(({ id }) => id)).join(', ')}. x to the right and
            y downwards, in millimetres from the top left.
          </p>
        )}
      </div>
      {list.problems.length > 0 && (
        <div className="grid gap-2" data-testid="file-problems">
          <p>
            <strong>{list.problemsFile}</strong> was not read
            {file ? '; the list below is the one before' : ''}:
          </p>
          {list.problems.slice(0, 20).map((each) => (
            <ProblemNotice key={JSON.stringify(each)} problem={problemDetails(each)} />
          ))}
          {list.problems.length > 20 && <p>and {list.problems.length - 20} more lines.</p>}
        </div>
      )}
    </>
  );
};
