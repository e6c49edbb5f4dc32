import type { ValueRecallAnswer } from '#wire/recall.ts';
import { changeWords } from '#wire/words/recall.ts';
import { useTold } from '../kit/answer/use-told.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { dayHere } from '../kit/time/here.ts';
import { SpecsTabs } from './SpecsTabs.tsx';

const counted = (count: number, one: string, several: string): string =>
  `${count} ${count === 1 ? one : several}`;

const Standing = ({ recall }: { readonly recall: ValueRecallAnswer }) => {
  const open = recall.recalled.filter(({ decision }) => decision === null).length;
  if (recall.recalled.length === 0)
    return (
      <span className="text-in">
        {recall.pulled === 1
          ? 'The one pulled to it conforms.'
          : `All ${recall.pulled} pulled to it conform.`}
      </span>
    );
  return open > 0 ? (
    <strong className="text-high">{counted(open, 'job is', 'jobs are')} to be decided</strong>
  ) : (
    <span>{counted(recall.recalled.length, 'job', 'jobs')} decided</span>
  );
};

/** Values of the book that were corrected or withdrawn after jobs had been pulled to them, and whether anything is left to decide. */
export const ChangedValuesScreen = ({ undecided }: { readonly undecided: number }) => {
  const {
    value: recalls,
    isDone,
    problem,
  } = useTold<readonly ValueRecallAnswer[]>('/api/v1/recalls', {
    nothing: [],
    add: (before, line) => [...before, line as ValueRecallAnswer],
  });
  // Nobody pulled to the others yet: their jobs are told on their own Plan.
  const pulled = recalls.filter((recall) => recall.pulled > 0 || recall.unread.length > 0);
  const isWaiting = ({ recalled }: ValueRecallAnswer) => recalled.some(({ decision }) => decision === null);
  const shown = pulled.toSorted((a, b) => Number(isWaiting(b)) - Number(isWaiting(a)));
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
      <h1 className="text-xl font-bold">Specs</h1>
      <SpecsTabs tab="recalls" undecided={undecided} />
      <h2 className="text-l font-bold">Changed after it was pulled to</h2>
      <ProblemNotice problem={problem} />
      {!isDone && <p className="text-faint">Judging again what was pulled to changed values …</p>}
      {isDone && !problem && shown.length === 0 && (
        <p>
          No value has been corrected or withdrawn after anything was pulled to it. When one is, every
          fastener pulled to it is judged again here, signed jobs too.
        </p>
      )}
      <ul className="grid gap-3">
        {shown.map((recall) => {
          const { kind, id, code, subject } = recall.facts;
          return (
            <li key={id} className="panel grid gap-1 p-4" data-testid="changed-value">
              <div className="flex flex-wrap items-baseline justify-between gap-2">
                <h3 className="text-l font-bold">
                  <a href={`/specs/recalls/${kind}/${id}`}>
                    {code} {subject}
                  </a>
                </h3>
                <Standing recall={recall} />
              </div>
              <p>
                {changeWords(recall.facts)} {counted(recall.pulled, 'fastener', 'fasteners')} in{' '}
                {counted(recall.jobs, 'job', 'jobs')} had been pulled to it.
              </p>
              <p className="text-s text-faint">
                {recall.facts.changedBy}, {dayHere(recall.facts.changedAt)}
                {recall.facts.why && `: ${recall.facts.why}`}
              </p>
            </li>
          );
        })}
      </ul>
    </div>
  );
};
