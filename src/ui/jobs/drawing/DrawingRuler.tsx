import { memo } from 'react';
import { niceStep } from '../../shared/nice-step.ts';
import type { DrawingView } from './drawing-view.ts';

const RULER_GAP_PX = 70;

/** The ruler along the top of a drawing, in millimetres. */
export const DrawingRuler = memo(
  ({ view, pixelsPerMm }: { readonly view: DrawingView; readonly pixelsPerMm: number }) => {
    const major = niceStep(RULER_GAP_PX / pixelsPerMm);
    const minor = major / 10;
    const first = Math.ceil(view.x / minor);
    const count = Math.floor((view.x + view.width) / minor) - first + 1;
    return (
      <g stroke="var(--c-faint)" strokeWidth={1 / pixelsPerMm}>
        {Array.from({ length: Math.max(0, count) }, (_, index) => {
          const at = (first + index) * minor;
          const isMajor = (first + index) % 10 === 0;
          return (
            <g key={at}>
              <line x1={at} x2={at} y1={view.y} y2={view.y + (isMajor ? 14 : 7) / pixelsPerMm} />
              {isMajor && (
                <text
                  x={at + 4 / pixelsPerMm}
                  y={view.y + 17 / pixelsPerMm}
                  fontSize={12 / pixelsPerMm}
                  fill="var(--c-faint)"
                  stroke="none"
                  className="font-mono"
                >
                  {Math.round(at)}
                </text>
              )}
            </g>
          );
        })}
      </g>
    );
  },
);
