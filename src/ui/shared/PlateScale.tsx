import { unitSymbol } from '#core/quantity/unit.ts';
import { type Scale, settingText } from '#core/tool/scale.ts';

const WIDTH = 404;
const HEIGHT = 100;
const CAPTIONS = { window: 'in the window', display: 'on the display', preset: 'one setting, on its label' };

/** A window with its counter, the display of an electronic tool, or the plain label of a preset one. */
export const PlateScale = ({
  scale,
  setting,
  form,
}: {
  readonly scale: Scale;
  readonly setting: number;
  readonly form: 'window' | 'display' | 'preset';
}) => {
  const text = settingText(scale, setting);
  const cell = 34;
  const left = WIDTH / 2 - (text.length * cell) / 2 - 20;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full font-mono"
      role="img"
      aria-label={`${text} ${unitSymbol(scale.unit)} ${CAPTIONS[form]}`}
    >
      <rect
        x="40"
        y="8"
        width={WIDTH - 80}
        height="84"
        rx={form === 'preset' ? 4 : 12}
        fill="var(--c-metal)"
        stroke="var(--c-metal-edge)"
        strokeWidth="1.5"
      />
      {form === 'window' &&
        [...text].map((sign, index) => (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: the wheels of a counter have no identity but their place
            key={index}
            x={left + index * cell + 2}
            y="22"
            width={cell - 4}
            height="44"
            fill={sign === '.' ? 'none' : 'var(--c-sheet)'}
            stroke={sign === '.' ? 'none' : 'var(--c-metal-edge)'}
          />
        ))}
      {form === 'display' && (
        <rect
          x={left - 14}
          y="20"
          width={text.length * cell + 28}
          height="48"
          rx="4"
          fill="var(--c-sheet)"
          stroke="var(--c-metal-edge)"
        />
      )}
      {[...text].map((sign, index) => (
        <text
          // biome-ignore lint/suspicious/noArrayIndexKey: the digits of a counter have no identity but their place
          key={index}
          x={left + index * cell + cell / 2}
          y="56"
          textAnchor="middle"
          fontSize="32"
          fontWeight="700"
          fill="var(--c-layout)"
        >
          {sign}
        </text>
      ))}
      <text x={left + text.length * cell + 20} y="54" fontSize="18" fill="var(--c-ink)">
        {unitSymbol(scale.unit)}
      </text>
      <text x={WIDTH / 2} y="84" textAnchor="middle" fontSize="12" fill="var(--c-faint)">
        {CAPTIONS[form]}
      </text>
    </svg>
  );
};
