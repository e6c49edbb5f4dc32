import Speech from 'lucide-react/icons/audio-lines';
import Keyboard from 'lucide-react/icons/keyboard';
import Volume2 from 'lucide-react/icons/volume-2';
import type { Comfort, ComfortStore } from '#client/device/comfort.ts';

type Props = {
  readonly comfort: Comfort;
  readonly onChange: ComfortStore['change'];
  readonly onKeys: () => void;
};

/** What the bench says aloud, and the way to its keys. */
export const ComfortChoice = ({ comfort, onChange, onKeys }: Props) => (
  <div className="flex justify-between gap-2 text-s">
    <label className="flex min-h-11 items-center gap-2">
      <input
        type="checkbox"
        className="size-5 accent-layout"
        checked={comfort.tone}
        onChange={(event) => onChange({ tone: event.target.checked })}
      />
      <Volume2 size={18} aria-hidden="true" /> tone
    </label>
    <label className="flex min-h-11 items-center gap-2">
      <input
        type="checkbox"
        className="size-5 accent-layout"
        checked={comfort.speech}
        onChange={(event) => onChange({ speech: event.target.checked })}
      />
      <Speech size={18} aria-hidden="true" /> say the next
    </label>
    <button type="button" className="flex min-h-11 items-center gap-2 text-layout" onClick={onKeys}>
      <Keyboard size={18} aria-hidden="true" /> keys <span className="key">?</span>
    </button>
  </div>
);
