import { lazy } from 'react';
import { drift } from '#core/calibration/drift.ts';
import type { Tool } from '#core/tool/tool.ts';
import type { KeptSession } from '#wire/calibration.ts';
import { dayWords } from '#wire/site-time.ts';
import { Later } from '../kit/Later.tsx';
import { driftWords, errorAtTop } from './tool-words.ts';

// The chart brings a library with it that nothing else of the page needs.
const ErrorChart = lazy(() =>
  import('./ErrorChart.tsx').then(({ ErrorChart: chart }) => ({ default: chart })),
);

type Props = { readonly tool: Tool; readonly sessions: readonly KeptSession[] };

/** What a tool's sessions found: its error by torque, where it drifts to, and each session in a line. */
export const SessionsPanel = ({ tool, sessions }: Props) => {
  const atMaximum = sessions.filter(({ kind }) => kind !== 'cross-check').flatMap(errorAtTop);
  return (
    <section className="panel grid gap-2 p-4">
      <h2 className="text-l font-bold">What its sessions found</h2>
      <div className="min-h-72">
        <Later>
          <ErrorChart tool={tool} sessions={sessions} />
        </Later>
      </div>
      <p>{driftWords(drift(atMaximum, tool.limitPercent))}</p>
      <ul className="text-s">
        {sessions.map(
          ({
            id,
            doneOn,
            reference,
            by,
            kind,
            hasPassedAsFound,
            hasPassedAsLeft,
            keepNarrowed,
            certificate,
          }) => (
            <li key={id} className="border-b border-rule py-1 last:border-b-0">
              <strong>{dayWords(doneOn)}</strong> {kind.replace('-', ' ')}, against {reference}
              {certificate && `, certificate ${certificate}`}, {by}: as found{' '}
              <strong className={hasPassedAsFound ? 'text-in' : 'text-high'}>
                {hasPassedAsFound ? 'inside' : 'outside'}
              </strong>
              {!hasPassedAsFound &&
                `, as left ${hasPassedAsLeft ? 'inside' : keepNarrowed ? 'kept for a part' : 'outside'}`}
            </li>
          ),
        )}
      </ul>
    </section>
  );
};
