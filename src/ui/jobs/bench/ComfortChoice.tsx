import Speech from 'lucide-react/icons/audio-lines';
import Keyboard from 'lucide-react/icons/keyboard';
import Volume2 from 'lucide-react/icons/volume-2';
import { memo } from 'react';
import type { Comfort, ComfortStore } from '#client/device/comfort.ts';
import { Tick } from '../../kit/Tick.tsx';

type Props = {
  readonly comfort: Comfort;
  readonly onChange: ComfortStore['change'];
  readonly onKeys: () => void;
};

/** What the bench says aloud, and the way to its keys. */
export const ComfortChoice = memo(({ comfort, onChange, onKeys }: Props) => (
  <div className="flex flex-wrap justify-between gap-x-2 text-s">
    <Tick isOn={comfort.tone} onChange={(isOn) => onChange({ tone: isOn })}>
      <Volume2 size={18} aria-hidden="true" /> tone
    </Tick>
    <Tick isOn={comfort.speech} onChange={(isOn) => onChange({ speech: isOn })}>
      <Speech size={18} aria-hidden="true" /> speak
    </Tick>
    <Tick isOn={comfort.fewest} onChange={(isOn) => onChange({ fewest: isOn })}>
      same setting
    </Tick>
    <button type="button" className="flex min-h-11 items-center gap-2 text-layout" onClick={onKeys}>
      <Keyboard size={18} aria-hidden="true" /> keys <span className="key">?</span>
    </button>
  </div>
));
