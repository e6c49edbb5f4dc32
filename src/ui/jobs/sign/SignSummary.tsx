import type { TakenTool } from '#core/view/bench.ts';
import type { JobView } from '#core/view/job-view.ts';
import { pullSummary } from '#core/view/pull-summary.ts';
import { dayWords } from '#wire/site-time.ts';
import { STATUS_WORDS } from '#wire/words/verdict.ts';
import { AssumedLines } from '../AssumedLines.tsx';

const onTool = ({ adapters }: TakenTool): string =>
  adapters.map(({ adapter, angleDegrees }) => ` with ${adapter.code} at ${angleDegrees}°`).join('');

const named = (positions: readonly string[]): string =>
  positions.length === 0 ? 'none' : positions.join(', ');

/** What a signature stands for: the pulls, the tools they were made with, what was pulled again, and what was assumed. */
export const SignSummary = ({ view }: { readonly view: JobView }) => {
  const { byStatus, pulls, voided, rePulled, stood, tools } = pullSummary(view);
  const rows = [
    [
      'Fasteners',
      `${[...byStatus].map(([status, count]) => `${count} ${STATUS_WORDS[status]}`).join(', ')}, of ${view.fasteners.length}`,
    ],
    ['Pulls', `${pulls}${voided > 0 ? `, and ${voided} voided` : ''}`],
    ['Pulled again', named(rePulled)],
    ...(stood.length > 0 ? [['Readings that were asked about and stand', named(stood)] as const] : []),
  ] as const;
  return (
    <section className="panel grid gap-3 p-4" aria-label="What is signed" data-testid="sign-summary">
      <h2 className="text-l font-bold">What is signed</h2>
      <dl className="grid gap-1">
        {rows.map(([name, value]) => (
          <div key={name} className="flex flex-wrap justify-between gap-x-6 border-b border-rule py-1">
            <dt className="text-faint">{name}</dt>
            <dd className="text-right">{value}</dd>
          </div>
        ))}
      </dl>
      <ul className="grid gap-1">
        {tools.map(({ taken, pulls: made }) => (
          <li key={taken.tool.id}>
            <strong>{taken.tool.code}</strong>
            {onTool(taken)}, serial {taken.tool.serial}, calibrated until{' '}
            {dayWords(taken.tool.calibrationDueOn)}: {made} {made === 1 ? 'pull' : 'pulls'}
          </li>
        ))}
      </ul>
      <AssumedLines view={view} />
    </section>
  );
};
