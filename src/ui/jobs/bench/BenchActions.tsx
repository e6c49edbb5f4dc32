import type { JobView } from '#core/view/job-view.ts';
import { isRoundNext } from '#core/view/passes.ts';
import { mainWords, typedWords } from './main-words.ts';
import { smallActions } from './small-actions.ts';
import type { Bench } from './use-bench.ts';

type Props = { readonly bench: Bench; readonly view: JobView; readonly isReady: boolean };

const LARGE = 'act min-h-18 w-full justify-between rounded-lg px-5 text-xl leading-7 font-bold';

/** The one large action, and the small ones, each with its key. */
export const BenchActions = ({ bench, view, isReady }: Props) => {
  const { action, position, fastener, typed } = bench;
  const isRound = fastener !== undefined && isRoundNext(view, fastener);
  const recording = typed === '' ? null : typedWords(action, typed);
  return (
    <div className="grid gap-2">
      {recording ? (
        <button type="button" className={LARGE} onClick={() => bench.recordTyped()}>
          <span>
            {recording}
            {isRound && action.kind === 'pull' && ', nothing moved'}
          </span>
          <span className="key">Enter</span>
        </button>
      ) : (
        <button
          type="button"
          disabled={!isReady}
          className={`${LARGE} text-left`}
          onClick={bench.doMain}
          data-testid="main-action"
        >
          <span>{mainWords(action, position, isRound)}</span>
          <span className="key">Space</span>
        </button>
      )}
      <div className="grid grid-cols-5 gap-2">
        {smallActions(bench, view).map(({ name, keyName, isOn, act }) => (
          <button
            key={name}
            type="button"
            disabled={!isOn}
            className="act-quiet min-h-14 flex-col gap-0.5 px-1 py-1.5 text-s leading-4"
            onClick={act}
          >
            {name}
            {keyName && <span className="key max-sm:hidden">{keyName}</span>}
          </button>
        ))}
      </div>
    </div>
  );
};
