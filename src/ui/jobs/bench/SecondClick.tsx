import { Dialog } from '../../kit/Dialog.tsx';
import type { Bench } from './use-bench.ts';

/** Asks whether a click on a fastener that is in was a second click, which is a check, or a pull after it was loosened. Nothing is recorded before. */
export const SecondClick = ({ bench, onClose }: { readonly bench: Bench; readonly onClose: () => void }) => {
  const { fastener, action } = bench;
  if (!fastener || action.kind !== 'pull') return null;
  const { position } = fastener.planned;
  return (
    <Dialog title={`${position} is in already`} isHeld onClose={onClose}>
      <p className="mb-4">
        A second click at the same setting says that the first was not under. It says nothing about over: the
        tool gives at its setting however tight the fastener is.
      </p>
      <div className="grid gap-3">
        <button
          type="button"
          className="act min-h-18 text-l"
          onClick={() => {
            bench.recordSecondClick();
            onClose();
          }}
        >
          It was a second click: record it as a check
        </button>
        <button
          type="button"
          className="act-quiet min-h-18 text-l font-bold"
          onClick={() => {
            bench.happen({ kind: 'fastener-loosened', body: { position } });
            onClose();
          }}
        >
          It was loosened: pull it again from snug
        </button>
      </div>
    </Dialog>
  );
};
