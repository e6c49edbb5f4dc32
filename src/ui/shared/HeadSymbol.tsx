import type { Drive } from '#core/tool/drive.ts';

const polygon = (sides: number, radius: number, turnDegrees: number): string =>
  Array.from({ length: sides }, (_, index) => {
    const angle = ((index / sides) * 360 + turnDegrees) * (Math.PI / 180);
    return `${(radius * Math.cos(angle)).toFixed(3)},${(radius * Math.sin(angle)).toFixed(3)}`;
  }).join(' ');

const LOBES = 6;
const lobedPath = (radius: number): string =>
  `${Array.from({ length: LOBES * 2 }, (_, index) => {
    const angle = (index / (LOBES * 2)) * 2 * Math.PI;
    const r = index % 2 === 0 ? radius : radius * 0.62;
    return `${index === 0 ? 'M' : 'L'}${(r * Math.cos(angle)).toFixed(3)},${(r * Math.sin(angle)).toFixed(3)}`;
  }).join(' ')} Z`;

const DRIVE_SHAPES: Record<Drive, React.ReactNode> = {
  slot: <path d="M-0.62,0.24 L0.62,-0.24" strokeWidth="0.2" stroke="currentColor" />,
  cross: <path d="M-0.55,0 H0.55 M0,-0.55 V0.55" strokeWidth="0.2" stroke="currentColor" />,
  'hex-socket': <polygon points={polygon(6, 0.5, 0)} fill="currentColor" />,
  square: <polygon points={polygon(4, 0.52, 45)} fill="currentColor" />,
  lobed: <path d={lobedPath(0.56)} fill="currentColor" />,
  'hex-head': <polygon points={polygon(6, 0.8, 30)} fill="none" stroke="currentColor" strokeWidth="0.1" />,
  // A round nut with notches for a spanner, and its bore.
  'slotted-nut': (
    <g strokeWidth="0.16" stroke="currentColor" fill="none">
      <circle r="0.42" strokeWidth="0.1" />
      <path d="M0.72,0 H0.98 M-0.72,0 H-0.98 M0,0.72 V0.98 M0,-0.72 V-0.98 M0.51,0.51 L0.69,0.69 M-0.51,0.51 L-0.69,0.69 M0.51,-0.51 L0.69,-0.69 M-0.51,-0.51 L-0.69,-0.69" />
    </g>
  ),
  // A nut seen along the tube that runs through it.
  'flare-nut': (
    <g stroke="currentColor" fill="none">
      <polygon points={polygon(6, 0.82, 30)} strokeWidth="0.1" />
      <circle r="0.4" strokeWidth="0.16" />
    </g>
  ),
  // A coupling with its pin in the middle.
  'round-connector': (
    <g stroke="currentColor">
      <circle r="0.62" strokeWidth="0.1" fill="none" />
      <circle r="0.16" fill="currentColor" stroke="none" />
    </g>
  ),
};

/** A screw head seen from above in a circle of radius 1, showing what the bit engages. */
export const HeadSymbol = ({ drive }: { readonly drive: Drive }) => (
  <g className="text-ink">
    <circle r="1" fill="var(--c-ground)" stroke="currentColor" strokeWidth="0.07" opacity="0.9" />
    <g opacity="0.75">{DRIVE_SHAPES[drive]}</g>
  </g>
);
