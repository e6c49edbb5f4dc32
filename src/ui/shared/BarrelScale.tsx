import { useId } from 'react';
import { type Scale, scaleMarks } from '#core/tool/scale.ts';

const WIDTH = 404;
const HEIGHT = 118;
const INDEX_Y = 58;
const EDGE_X = 222;
const PER_TURN_X = 52;
const BARREL_WIDTH = 112;
const BARREL_SPAN = 98;
const MARKS_SHOWN = 9;
const LABEL_GAP = 17;
const EDGE_MARGIN = 20;
const SHORT = (value: number): string => String(Number(value.toFixed(6)));

type Props = { readonly scale: Scale; readonly setting: number; readonly direction: 'up' | 'down' | 'none' };

const mainMarks = (scale: Scale, main: number): readonly number[] =>
  Array.from({ length: 6 }, (_, index) => Number((main - (4 - index) * scale.perTurn).toFixed(6))).filter(
    (mark) => mark >= Math.min(scale.mainStart, scale.minimum) && mark <= scale.maximum,
  );

/** How the scale of a screwdriver or click wrench must look at a setting: the main graduation on the shaft that just shows beside the
 *  barrel, and the mark on the barrel that meets the index line. Both are drawn from the tool's own scale. */
export const BarrelScale = ({ scale, setting, direction }: Props) => {
  const clip = useId();
  const { main, sub } = scaleMarks(scale, setting);
  const marksPerTurn = Math.round(scale.perTurn / scale.graduation);
  const marks = sub / scale.graduation;
  const shown = Math.min(MARKS_SHOWN, marksPerTurn);
  const gap = BARREL_SPAN / shown;
  const edge = EDGE_X + (sub / scale.perTurn) * PER_TURN_X * 0.55;
  const barrel = Array.from(
    { length: shown + 2 },
    (_, index) => Math.round(marks) + index - Math.floor((shown + 2) / 2),
  );
  const labelEvery = [1, 2, 5, 10].find((each) => each * gap >= LABEL_GAP) ?? 10;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full font-mono"
      role="img"
      aria-label={`The scale must show ${SHORT(main)} on the shaft and ${SHORT(sub)} on the barrel`}
    >
      <clipPath id={clip}>
        <rect x={edge} y="2" width={BARREL_WIDTH} height={HEIGHT - 4} rx="7" />
      </clipPath>
      <rect x="0.5" y="20" width={edge} height="76" fill="var(--c-metal)" stroke="var(--c-metal-edge)" />
      {mainMarks(scale, main).map((mark) => {
        const x =
          edge -
          10 -
          ((main - mark) / scale.perTurn) * PER_TURN_X -
          (sub / scale.perTurn) * PER_TURN_X * 0.55;
        const isMain = mark === main;
        // A number that the drawing's edge would cut could be read wrong.
        return mark > main || x < EDGE_MARGIN ? null : (
          <g key={mark}>
            <line
              x1={x}
              x2={x}
              y1={isMain ? 36 : 42}
              y2={INDEX_Y}
              stroke="var(--c-ink)"
              strokeWidth={isMain ? 3 : 1.5}
            />
            <text
              x={isMain ? x + 8 : x}
              y="34"
              textAnchor={isMain ? 'end' : 'middle'}
              fontSize={isMain ? 17 : 13}
              fontWeight={isMain ? 800 : 400}
              fill="var(--c-ink)"
            >
              {SHORT(mark)}
            </text>
          </g>
        );
      })}
      <rect
        x={edge}
        y="2"
        width={BARREL_WIDTH}
        height={HEIGHT - 4}
        rx="7"
        fill="var(--c-metal)"
        stroke="var(--c-metal-edge)"
        strokeWidth="1.5"
      />
      <g clipPath={`url(#${clip})`}>
        {barrel.map((index) => {
          const y = INDEX_Y - (index - marks) * gap;
          const onTurn = ((index % marksPerTurn) + marksPerTurn) % marksPerTurn;
          const isAt = Math.abs(index - marks) < 1e-6;
          // A label half a mark from the one that is met would run into it.
          const isLabelled = isAt || (onTurn % labelEvery === 0 && Math.abs(index - marks) > 1.4);
          return (
            <g key={index}>
              <line
                x1={edge}
                x2={edge + (isLabelled ? 26 : 15)}
                y1={y}
                y2={y}
                stroke={isAt ? 'var(--c-layout)' : 'var(--c-ink)'}
                strokeWidth={isAt ? 3 : 1.3}
              />
              {isLabelled && (
                <text
                  x={edge + 33}
                  y={y + 5}
                  fontSize={isAt ? 17 : 13}
                  fontWeight={isAt ? 800 : 400}
                  fill={isAt ? 'var(--c-layout)' : 'var(--c-ink)'}
                >
                  {SHORT(onTurn * scale.graduation)}
                </text>
              )}
            </g>
          );
        })}
      </g>
      <line x1="0" x2={edge + 27} y1={INDEX_Y} y2={INDEX_Y} stroke="var(--c-layout)" strokeWidth="2" />
      {direction !== 'none' && (
        <g
          transform={`translate(${edge + BARREL_WIDTH + 26} ${INDEX_Y}) scale(1 ${direction === 'up' ? 1 : -1})`}
          stroke="var(--c-layout)"
          strokeWidth="3.5"
          fill="none"
          strokeLinecap="round"
        >
          <path d="M0,26 V-24 M-10,-13 L0,-25 L10,-13" />
        </g>
      )}
    </svg>
  );
};
