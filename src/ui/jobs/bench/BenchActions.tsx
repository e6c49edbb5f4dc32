import Calculator from 'lucide-react/icons/calculator';
import { memo } from 'react';
import type { Person } from '#core/people/person.ts';
import type { JobView } from '#core/view/job-view.ts';
import { NumberPad } from '../../kit/NumberPad.tsx';
import { usePad } from '../../kit/use-pad.ts';
import { mainWords, typedWords } from './main-words.ts';
import { isNumberNeeded, takesNumber, unitTyped } from './number-wanted.ts';
import { smallActions } from './small-actions.ts';
import type { Bench } from './use-bench.ts';

type Props = {
  readonly bench: Bench;
  readonly view: JobView;
  readonly person: Person;
  readonly isReady: boolean;
};

const LARGE =
  'act min-h-18 w-full justify-between rounded-lg px-5 text-xl leading-7 font-bold short:min-h-14 short:text-l';
const SMALL =
  'act-quiet min-h-14 flex-col gap-0.5 px-1 py-1.5 text-s leading-4 short:min-h-11 short:flex-row';

const PAD_SIGN = <Calculator size={20} aria-hidden="true" />;

/** The one large action, a pad for what is typed, and the small actions, each with its key. Nothing here moves as the work goes on: the large action keeps its place
 *  at the foot. */
export const BenchActions = memo(({ bench, view, person, isReady }: Props) => {
  const { action, position, typed } = bench;
  const { isOpen, toggle } = usePad(isNumberNeeded(action));
  const recording = typed === '' ? null : typedWords(action, typed, bench.isInSixths);
  const takes = takesNumber(action);
  return (
    <div className="grid gap-2">
      {takes && isOpen && (
        <NumberPad unit={unitTyped(action, bench.isInSixths)} onDigit={bench.type} onErase={bench.erase} />
      )}
      {recording ? (
        <button type="button" disabled={!isReady} className={LARGE} onClick={bench.recordTyped}>
          <span>{recording}</span>
          <span className="key">Enter</span>
        </button>
      ) : (
        <button
          type="button"
          disabled={!isReady}
          className={`${LARGE} text-left`}
          onClick={({ timeStamp }) => bench.doMain(timeStamp)}
          data-testid="main-action"
        >
          <span>{mainWords(action, position)}</span>
          <span className="key">{isNumberNeeded(action) ? '0–9' : 'Space'}</span>
        </button>
      )}
      <div className={`grid gap-2 ${takes ? 'grid-cols-6' : 'grid-cols-5'}`}>
        {smallActions(bench, view, person).map(({ name, keyName, isOn, act }) => (
          <button key={name} type="button" disabled={!isOn} className={SMALL} onClick={act}>
            {name}
            {keyName && <span className="key max-sm:hidden short:hidden">{keyName}</span>}
          </button>
        ))}
        {takes && (
          <button type="button" className={SMALL} aria-pressed={isOpen} onClick={toggle}>
            {PAD_SIGN} Pad
          </button>
        )}
      </div>
    </div>
  );
});
