import { memo, useId } from 'react';
import type { Outcome } from '#core/verdict/tightening-verdict.ts';
import { niceStep } from './nice-step.ts';

type Props = {
  /** What stands under the hairline, in the tape's unit. */
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly unit: string;
  /** Torque between the finest ticks. */
  readonly graduation: number;
  readonly caption: string;
  readonly tone?: Outcome | 'none';
  readonly height?: number;
};

const WIDTH = 404;
const BAND_SHARE = 0.42;
const LABEL_GAP = 52;
const TICK_GAP = 6;
/** A number nearer to the hairline than this would be struck out by it; the caption says what stands there. */
const HAIRLINE_CLEAR = 15;
const TONES = {
  in: 'var(--c-in)',
  low: 'var(--c-low)',
  high: 'var(--c-high)',
  'too-close': 'var(--c-unsure)',
  'by-feel': 'var(--c-unsure)',
  'no-verdict': 'var(--c-unsure)',
  reached: 'var(--c-in)',
  none: 'var(--c-layout)',
};

const ticks = (from: number, to: number, step: number): readonly number[] => {
  const first = Math.max(0, Math.ceil(from / step - 1e-9));
  const count = Math.floor(to / step + 1e-9) - first + 1;
  return Array.from({ length: Math.max(0, count) }, (_, index) =>
    Number(((first + index) * step).toPrecision(12)),
  );
};

/** A straight ruler that slides under a fixed hairline, the acceptance band shaded on it. */
export const Tape = memo(
  ({ value, low, high, unit, graduation, caption, tone = 'none', height = 54 }: Props) => {
    const clip = useId();
    const perUnit = (WIDTH * BAND_SHARE) / Math.max(high - low, graduation);
    const x = (torque: number): number => (torque - value) * perUnit + WIDTH / 2;
    const from = value - WIDTH / 2 / perUnit;
    const to = value + WIDTH / 2 / perUnit;
    const major = niceStep(LABEL_GAP / perUnit);
    const minor = Math.max(graduation, niceStep(TICK_GAP / perUnit));
    const colour = TONES[tone];
    return (
      <svg
        viewBox={`0 0 ${WIDTH} ${height + 34}`}
        className="block w-full font-mono"
        role="img"
        aria-label={`${caption} ${unit}, acceptance ${low.toFixed(2)} to ${high.toFixed(2)} ${unit}`}
      >
        <clipPath id={clip}>
          <rect x="0" y="8" width={WIDTH} height={height} />
        </clipPath>
        <rect
          x="0.5"
          y="8.5"
          width={WIDTH - 1}
          height={height - 1}
          fill="var(--c-ground)"
          stroke="var(--c-rule)"
        />
        <g clipPath={`url(#${clip})`}>
          <rect x={x(low)} y="8" width={x(high) - x(low)} height={height} fill="var(--c-in)" opacity="0.16" />
          <path
            d={`M${x(low)},8 v${height} M${x(high)},8 v${height}`}
            stroke="var(--c-in)"
            strokeWidth="2.5"
          />
          {ticks(from, to, minor).map((tick) => (
            <line
              key={`t${tick}`}
              x1={x(tick)}
              x2={x(tick)}
              y1={height + 8}
              y2={height - 3}
              stroke="var(--c-faint)"
            />
          ))}
          {ticks(from, to, major).map((tick) => (
            <g key={`m${tick}`}>
              <line
                x1={x(tick)}
                x2={x(tick)}
                y1={height + 8}
                y2={height - 12}
                stroke="var(--c-ink)"
                strokeWidth="1.5"
              />
              {Math.abs(x(tick) - WIDTH / 2) > HAIRLINE_CLEAR && (
                <text
                  x={x(tick)}
                  y="27"
                  textAnchor="middle"
                  fontSize="14"
                  fill="var(--c-ink)"
                  stroke="var(--c-ground)"
                  strokeWidth="3"
                  paintOrder="stroke"
                >
                  {tick}
                </text>
              )}
            </g>
          ))}
        </g>
        <path d={`M${WIDTH / 2 - 8},0 h16 l-8,10 z`} fill={colour} />
        <line x1={WIDTH / 2} x2={WIDTH / 2} y1="4" y2={height + 14} stroke={colour} strokeWidth="2.5" />
        <text x={WIDTH / 2} y={height + 30} textAnchor="middle" fontSize="15" fontWeight="700" fill={colour}>
          {caption} {unit}
        </text>
      </svg>
    );
  },
);
