import { lazy, memo } from 'react';
import type { JobView } from '#core/view/job-view.ts';
import { STATUS_WORDS, verdictWords } from '#wire/words/verdict.ts';
import { Later } from '../../kit/Later.tsx';
import { StatusIcon } from '../../shared/StatusIcon.tsx';
import { requirementView } from '../requirement-view.ts';
import { loadRefusal } from './later.ts';
import type { Bench } from './use-bench.ts';

const RefusalWords = lazy(loadRefusal);

const TONES = {
  in: 'text-in',
  low: 'text-low',
  high: 'text-high',
  'too-close': 'text-unsure',
  'by-feel': 'text-unsure',
  'no-verdict': 'text-unsure',
  reached: 'text-in',
} as const;

/** What the last pull came to, or the question that has to be answered before one is recorded. */
export const BenchVerdict = memo(({ bench, view }: { readonly bench: Bench; readonly view: JobView }) => {
  const { refusal, lastPull } = bench;
  if (refusal) {
    return (
      <div role="alert" className="grid gap-2 rounded-md border-2 border-unsure p-3">
        <Later>
          <RefusalWords refusal={refusal} />
        </Later>
        {refusal.code === 'mix-up-question' && (
          <div className="flex flex-wrap gap-2">
            <button type="button" className="act" onClick={bench.clear}>
              Type it again <span className="key">Esc</span>
            </button>
            <button type="button" className="act-quiet" onClick={bench.letStand}>
              {bench.typed} stands <span className="key">Y</span>
            </button>
          </div>
        )}
      </div>
    );
  }
  if (!lastPull && bench.action.kind === 'step') return null;
  if (!lastPull)
    return (
      <p className="min-h-12 text-s text-faint short:min-h-0">
        No pull yet. Pull slowly; the last fifth takes at least half a second.
      </p>
    );
  const { planned } = lastPull.fastener;
  const { body } = lastPull.pull;
  const lastTurn = lastPull.fastener.turns.at(-1);
  const { unit, resolution } = requirementView(view, lastPull.fastener);
  const { fact, consequence } = verdictWords(body, unit, resolution);
  return (
    <div
      className="flex min-h-12 items-center gap-3 leading-5 short:min-h-0 short:text-s"
      aria-live="polite"
      data-testid="verdict"
    >
      <StatusIcon status={body.outcome} drive={planned.drive} size={40} />
      <p>
        <span className="text-faint">Last:</span> {planned.position}:{' '}
        <strong className={TONES[body.outcome]}>{STATUS_WORDS[body.outcome]}</strong>, {fact}{' '}
        {lastTurn && (
          <>
            turned {lastTurn.turned.text}° of {lastTurn.askedDegrees}° ±{lastTurn.toleranceDegrees}°:{' '}
            <strong className={TONES[lastTurn.outcome]}>{STATUS_WORDS[lastTurn.outcome]}</strong>{' '}
          </>
        )}
        {body.outcome === 'in' && lastPull.fastener.status === 'reached' && (
          <strong>Its angle comes next. </strong>
        )}
        {/* What is led through says itself what comes next. */}
        {consequence && !lastPull.fastener.remedy && <strong>{consequence}</strong>}
      </p>
    </div>
  );
});
