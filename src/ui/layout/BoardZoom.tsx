import Maximize from 'lucide-react/icons/maximize';
import Minus from 'lucide-react/icons/minus';
import Plus from 'lucide-react/icons/plus';
import { niceStep } from '../shared/nice-step.ts';

const BAR_PX = 90;
const ZOOM = 1.4;

type Props = {
  readonly pixelsPerMm: number;
  readonly onZoom: (factor: number) => void;
  readonly onAll: () => void;
};

/** How large the drawing is shown: a bar of known length, and the way closer, farther, and to all of it. */
export const BoardZoom = ({ pixelsPerMm, onZoom, onAll }: Props) => {
  const barMm = niceStep(BAR_PX / pixelsPerMm);
  return (
    <div className="pointer-events-none absolute inset-x-2 bottom-2 flex items-end justify-between gap-2">
      <span className="grid gap-1 rounded bg-ground/80 px-1 font-mono text-s text-faint">
        {barMm} mm
        <span
          className="block h-1.5 border border-t-0 border-faint"
          style={{ width: `${barMm * pixelsPerMm}px` }}
        />
      </span>
      <span className="pointer-events-auto flex gap-1">
        <button
          type="button"
          className="act-quiet w-11 px-0"
          aria-label="Farther"
          onClick={() => onZoom(1 / ZOOM)}
        >
          <Minus size={18} aria-hidden="true" />
        </button>
        <button
          type="button"
          className="act-quiet w-11 px-0"
          aria-label="Closer"
          onClick={() => onZoom(ZOOM)}
        >
          <Plus size={18} aria-hidden="true" />
        </button>
        <button type="button" className="act-quiet w-11 px-0" aria-label="Show all" onClick={onAll}>
          <Maximize size={18} aria-hidden="true" />
        </button>
      </span>
    </div>
  );
};
