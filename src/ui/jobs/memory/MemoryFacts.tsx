import { counted } from '#wire/words/memory.ts';
import { ProgressBar } from '../../shared/ProgressBar.tsx';
import { RefusalWords } from '../bench/RefusalWords.tsx';
import type { Memory } from './use-memory.ts';

type Props = { readonly memory: Memory; readonly isReady: boolean };

/** How many readings of a memory are matched, what has none, and the way into the record. */
export const MemoryFacts = ({ memory, isReady }: Props) => {
  const { read, matched, unmet, progress, recorded } = memory;
  if (!read) return null;
  const ready = matched.filter(({ match }) => 'awaited' in match).length;
  const unlike = matched.filter(({ match }) => match.kind === 'unlike' || match.kind === 'over').length;
  return (
    <div className="grid gap-3 rounded-md border border-rule p-4" data-testid="memory-facts">
      <p className="text-l">
        <strong>{counted(ready, 'reading is', 'readings are')} matched</strong>
        {unlike > 0 && (
          <span className="text-unsure"> · {counted(unlike, 'matches', 'match')} no fastener</span>
        )}
        {unmet.length > 0 && (
          <span className="text-unsure"> · {counted(unmet.length, 'pull has', 'pulls have')} no reading</span>
        )}
      </p>
      {unmet.length > 0 && (
        <p className="text-s">
          Without one:{' '}
          {unmet
            .slice(0, 12)
            .map(({ position, pass }) => `${position} (pass ${pass})`)
            .join(', ')}
          {unmet.length > 12 && ` and ${unmet.length - 12} more`}. They stay open.
        </p>
      )}
      {progress ? (
        <ProgressBar progress={progress} what="Recorded" />
      ) : (
        <button
          type="button"
          className="act justify-self-start"
          disabled={ready === 0 || !isReady}
          onClick={() => void memory.record()}
        >
          Record {counted(ready, 'pull', 'pulls')}
        </button>
      )}
      {recorded && (
        <p role="status" data-testid="memory-recorded">
          <strong>{counted(recorded.recorded, 'pull', 'pulls')} recorded.</strong>{' '}
          {recorded.stopped
            ? `Stopped at line ${recorded.stopped.line}, ${recorded.stopped.position}: do what it says, then record the rest.`
            : 'Each is judged as at the bench.'}
        </p>
      )}
      {recorded?.stopped && (
        <div role="alert" className="rounded-md border-2 border-unsure p-3">
          <RefusalWords refusal={recorded.stopped.refusal} />
        </div>
      )}
    </div>
  );
};
