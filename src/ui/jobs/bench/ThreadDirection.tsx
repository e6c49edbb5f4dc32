import RotateCcw from 'lucide-react/icons/rotate-ccw';
import RotateCw from 'lucide-react/icons/rotate-cw';
import { memo } from 'react';
import type { Direction } from '#core/tool/tool.ts';

/** Which way the fastener turns to tighten, in words and as an arrow. A left-hand thread stands out: it is the one that is got wrong. */
export const ThreadDirection = memo(({ direction }: { readonly direction: Direction }) => {
  const isLeft = direction === 'left';
  const Arrow = isLeft ? RotateCcw : RotateCw;
  return (
    <span
      className={`inline-flex items-center gap-1.5 py-0.5 ${isLeft ? 'rounded bg-low px-2 font-bold text-ground' : 'text-faint'}`}
      data-testid="direction"
    >
      <Arrow size={20} aria-hidden="true" />
      {isLeft ? 'left-hand thread: tighten anticlockwise' : 'tighten clockwise'}
    </span>
  );
});
