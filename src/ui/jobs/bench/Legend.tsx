import type { FastenerStatus } from '#core/view/bench.ts';
import { Dialog } from '../../kit/Dialog.tsx';
import { StatusIcon } from '../../shared/StatusIcon.tsx';

const STRIPES: readonly (readonly [FastenerStatus, string])[] = [
  ['open', 'open: nothing pulled yet'],
  ['reached', 'a pass reached, more to come'],
  ['in', 'in: inside its limits'],
  ['low', 'low: below its limits'],
  ['high', 'above its limits, or past the click'],
  ['too-close', 'too close to a limit to call'],
  ['by-feel', 'by feel, unverified'],
  ['no-verdict', 'recorded without a verdict'],
  ['voided', 'its pull was voided'],
  ['finger-tight', 'by the fingers, as asked'],
];

/** What the stripes and marks of the drawing mean. */
export const Legend = ({ onClose }: { readonly onClose: () => void }) => (
  <Dialog title="Stripes and marks" onClose={onClose}>
    <ul className="grid gap-1 sm:grid-cols-2">
      {STRIPES.map(([status, words]) => (
        <li key={status} className="flex min-h-12 items-center gap-3">
          <StatusIcon status={status} drive="slot" size={40} /> {words}
        </li>
      ))}
      <li className="flex min-h-12 items-center gap-3">
        <svg viewBox="-20 -20 40 40" width="40" height="40" aria-hidden="true">
          <circle r="16" fill="none" stroke="var(--c-layout)" strokeWidth="2.5" />
        </svg>
        ringed: next
      </li>
      <li className="flex min-h-12 items-center gap-3">
        <svg viewBox="-20 -20 40 40" width="40" height="40" aria-hidden="true">
          <circle r="4" fill="var(--c-in)" />
        </svg>
        dot at its upper right: witness mark drawn
      </li>
      <li className="flex min-h-12 items-center gap-3">
        <svg viewBox="-20 -20 40 40" width="40" height="40" aria-hidden="true">
          <path d="M-14,0 h28" stroke="var(--c-faint)" strokeWidth="2.5" strokeDasharray="6 4" />
        </svg>
        dashes below it: left open with a reason
      </li>
      <li className="flex min-h-12 items-center gap-3">
        <svg viewBox="-20 -20 40 40" width="40" height="40" aria-hidden="true">
          <path d="M-16,0 h32" stroke="var(--c-layout)" strokeWidth="2" strokeDasharray="3 7" />
        </svg>
        dotted line: the order that comes next
      </li>
    </ul>
  </Dialog>
);
