import { useEffect } from 'react';
import { groupOf } from '#core/job/plan.ts';
import type { JobView } from '#core/view/job-view.ts';
import { Dialog } from '../../kit/Dialog.tsx';
import type { Bench } from './use-bench.ts';

type Props = { readonly bench: Bench; readonly view: JobView; readonly onClose: () => void };

/** Asks, in a round at full torque, whether the fastener turned before the tool gave. Nothing is recorded until it is answered, and no key that came by itself
 *  answers it. */
export const DidItTurn = ({ bench, view, onClose }: Props) => {
  const { fastener } = bench;
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const key = event.key.toLowerCase();
      if (event.repeat || (key !== 'n' && key !== 'm')) return;
      event.preventDefault();
      bench.sayTurned(key === 'm');
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [bench]);
  if (!fastener) return null;
  return (
    <Dialog title={`Did ${fastener.planned.position} turn?`} isHeld onClose={onClose}>
      <p className="mb-4">
        Before the tool gave, in this round. Turned means:{' '}
        {groupOf(view.plan, fastener.planned).kind.words.moved}. Nothing is recorded yet.
      </p>
      <div className="grid gap-3 sm:grid-cols-2">
        <button
          type="button"
          className="act min-h-18 justify-between text-l"
          onClick={() => bench.sayTurned(false)}
        >
          Nothing turned <span className="key">N</span>
        </button>
        <button
          type="button"
          className="act-quiet min-h-18 justify-between text-l font-bold"
          onClick={() => bench.sayTurned(true)}
        >
          It turned <span className="key">M</span>
        </button>
      </div>
    </Dialog>
  );
};
