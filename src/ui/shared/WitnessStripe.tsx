import type { FastenerStatus } from '#core/view/bench.ts';

const REACH = 1.42;
const WIDTH = 0.3;
const LEAN_DEGREES = 60;

const line = (from: number, to: number, extra: React.SVGProps<SVGLineElement> = {}) => (
  <line x1={from} x2={to} y1={0} y2={0} strokeWidth={WIDTH} strokeLinecap="round" {...extra} />
);

const STRIPES: Record<
  Exclude<FastenerStatus, 'open'>,
  { readonly colour: string; readonly shape: React.ReactNode }
> = {
  in: { colour: 'var(--c-in)', shape: line(-REACH, REACH) },
  low: {
    colour: 'var(--c-low)',
    shape: (
      <>
        {line(-REACH, -0.42)}
        {line(0.42, REACH)}
      </>
    ),
  },
  high: {
    colour: 'var(--c-high)',
    shape: (
      <>
        {line(-REACH, REACH)}
        <g transform="rotate(68)">{line(-REACH * 0.86, REACH * 0.86)}</g>
      </>
    ),
  },
  'too-close': {
    colour: 'var(--c-unsure)',
    shape: (
      <>
        {line(-REACH, 0.1)}
        <path
          d={`M0.1,0 L${REACH},-0.34 M0.1,0 L${REACH},0.34`}
          strokeWidth={WIDTH * 0.6}
          strokeLinecap="round"
          fill="none"
        />
      </>
    ),
  },
  'by-feel': { colour: 'var(--c-unsure)', shape: line(-REACH, REACH, { strokeDasharray: '0.01 0.52' }) },
  // Dotted like one by feel, and short of the part: nothing was said of it.
  'no-verdict': { colour: 'var(--c-unsure)', shape: line(-REACH, 0, { strokeDasharray: '0.01 0.52' }) },
  // Half drawn: a pass before the last was reached, and more is to come.
  reached: { colour: 'var(--c-in)', shape: line(-REACH, -0.1) },
  'finger-tight': {
    colour: 'var(--c-in)',
    shape: <circle r={1.2} fill="none" strokeWidth={WIDTH * 0.6} strokeDasharray="0.5 0.36" />,
  },
  voided: {
    colour: 'var(--c-faint)',
    shape: (
      <rect
        x={-REACH}
        y={-WIDTH / 2}
        width={REACH * 2}
        height={WIDTH}
        rx={WIDTH / 2}
        fill="var(--c-sheet)"
        strokeWidth="0.08"
      />
    ),
  },
};

/** The witness stripe of a status, drawn over a head of radius 1: the stripe carries the meaning, colour only repeats it. */
export const WitnessStripe = ({ status }: { readonly status: FastenerStatus }) => {
  if (status === 'open') return null;
  const { colour, shape } = STRIPES[status];
  return (
    <g transform={`rotate(${LEAN_DEGREES})`} stroke={colour} color={colour}>
      {shape}
    </g>
  );
};
