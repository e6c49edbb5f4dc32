import { fastenerAt } from '#core/view/bench.ts';
import { type DueStep, openSteps } from '#core/view/due-steps.ts';
import { comingPositions, type OpenItem, openItems } from '#core/view/open-items.ts';
import { STATUS_WORDS } from '#wire/words/verdict.ts';
import { StatusIcon } from '../../shared/StatusIcon.tsx';
import type { OpenJob } from '../use-job.ts';

const stepKeyOf = ({ step, group, of, afterPass }: DueStep): string =>
  [group?.id, step.id, of, afterPass].join(' ');

/** What is still open of a job: fasteners that are not as required, each to be pulled or given a reason, and steps that are due. */
export const OpenList = ({
  job,
  onLeave,
}: {
  readonly job: OpenJob;
  readonly onLeave: (items: readonly OpenItem[]) => void;
}) => {
  const { view } = job;
  const items = openItems(view);
  const steps = openSteps(view);
  const hasRound = items.length === 0 && steps.length === 0 && comingPositions(view, null).length > 0;
  if (hasRound)
    return (
      <p>
        Something moved in the last round, or none was made yet: another round at full torque follows on the{' '}
        <a href={`/jobs/${view.job}/bench`}>Bench</a>.
      </p>
    );
  if (items.length === 0 && steps.length === 0) return <p>None: every fastener is as required.</p>;
  const unexplained = items.filter(({ leftOpenWhy }) => leftOpenWhy === null);
  return (
    <>
      {unexplained.length > 1 && (
        <button
          type="button"
          className="act-quiet mb-2"
          disabled={!job.isReady}
          onClick={() => onLeave(unexplained)}
        >
          Leave all {unexplained.length} open, with one reason …
        </button>
      )}
      <ul className="grid gap-1">
        {items.map((item) => (
          <li key={item.position} className="flex flex-wrap items-center gap-3 border-b border-rule py-1">
            <StatusIcon
              status={item.status}
              drive={fastenerAt(view, item.position)?.planned.drive ?? 'slot'}
            />
            <span className="min-w-0 flex-1 basis-40">
              <strong className="font-mono">{item.position}</strong> {item.label}: {STATUS_WORDS[item.status]}
              {item.leftOpenWhy !== null && (
                <span className="block text-faint">Left open: {item.leftOpenWhy}</span>
              )}
            </span>
            {item.leftOpenWhy === null && (
              <button
                type="button"
                className="act-quiet"
                disabled={!job.isReady}
                onClick={() => onLeave([item])}
              >
                Leave it open
              </button>
            )}
          </li>
        ))}
        {steps.map((due) => (
          <li key={stepKeyOf(due)} className="flex flex-wrap items-center gap-3 border-b border-rule py-1">
            <span className="min-w-0 flex-1 basis-40">
              Step: <strong>{due.step.title}</strong> {due.of}
              {!due.step.isBlocking && <span className="text-faint"> nothing waits for it</span>}
            </span>
            <a className="act-quiet" href={`/jobs/${view.job}/bench`}>
              To the Bench
            </a>
          </li>
        ))}
      </ul>
    </>
  );
};
