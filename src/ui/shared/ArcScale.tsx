import { unitSymbol } from '#core/quantity/unit.ts';
import { type Scale, settingText } from '#core/tool/scale.ts';
import { niceStep } from './nice-step.ts';

const WIDTH = 404;
const HEIGHT = 130;
const NUMBERS_MOST = 8;
const TICKS_MOST = 60;

type Shape = {
  readonly centreX: number;
  readonly centreY: number;
  readonly radius: number;
  readonly from: number;
  readonly to: number;
};
/** A beam's plate is a shallow arc far from its pivot; a dial's is a wide one around it. */
const SHAPES: Record<'beam' | 'dial', Shape> = {
  beam: { centreX: WIDTH / 2, centreY: 300, radius: 262, from: -38, to: 38 },
  dial: { centreX: WIDTH / 2, centreY: 112, radius: 100, from: -80, to: 80 },
};

const marks = (scale: Scale, step: number): readonly number[] =>
  Array.from(
    { length: Math.floor(scale.maximum / step + 1e-9) - Math.ceil(scale.minimum / step - 1e-9) + 1 },
    (_, index) => Number(((Math.ceil(scale.minimum / step - 1e-9) + index) * step).toPrecision(10)),
  );

/** The plate of a beam or a dial with its pointer at a torque, drawn from the tool's own graduations; what it must show stands under it. */
export const ArcScale = ({
  scale,
  setting,
  form,
}: {
  readonly scale: Scale;
  readonly setting: number;
  readonly form: 'beam' | 'dial';
}) => {
  const { centreX, centreY, radius, from, to } = SHAPES[form];
  const at = (value: number, r: number): readonly [number, number] => {
    const share = (value - scale.minimum) / (scale.maximum - scale.minimum);
    const angle = ((from + share * (to - from)) * Math.PI) / 180;
    return [centreX + r * Math.sin(angle), centreY - r * Math.cos(angle)];
  };
  const span = scale.maximum - scale.minimum;
  const major = Math.max(scale.perTurn, niceStep(span / NUMBERS_MOST));
  const minor = Math.max(scale.graduation, niceStep(span / TICKS_MOST));
  const line = (value: number, inner: number, outer: number): string => {
    const [x1, y1] = at(value, inner);
    const [x2, y2] = at(value, outer);
    return `M${x1.toFixed(2)},${y1.toFixed(2)} L${x2.toFixed(2)},${y2.toFixed(2)}`;
  };
  const [arcX1, arcY1] = at(scale.minimum, radius);
  const [arcX2, arcY2] = at(scale.maximum, radius);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full font-mono"
      role="img"
      aria-label={`The pointer must reach ${settingText(scale, setting)} ${unitSymbol(scale.unit)}`}
    >
      <path
        d={`M${arcX1},${arcY1} A${radius},${radius} 0 0 1 ${arcX2},${arcY2}`}
        fill="none"
        stroke="var(--c-metal-edge)"
      />
      <path
        d={marks(scale, minor)
          .map((mark) => line(mark, radius, radius - 8))
          .join(' ')}
        stroke="var(--c-faint)"
      />
      {marks(scale, major).map((mark) => {
        const [x, y] = at(mark, radius - 28);
        return (
          <g key={mark}>
            <path d={line(mark, radius, radius - 15)} stroke="var(--c-ink)" strokeWidth="2" />
            <text x={x} y={y + 5} textAnchor="middle" fontSize="14" fill="var(--c-ink)">
              {mark}
            </text>
          </g>
        );
      })}
      <path
        d={line(setting, form === 'dial' ? 12 : radius - 90, radius - 3)}
        stroke="var(--c-layout)"
        strokeWidth="3.5"
      />
      {form === 'dial' && <circle cx={centreX} cy={centreY} r="7" fill="var(--c-layout)" />}
      <text
        x={WIDTH / 2}
        y={HEIGHT - (form === 'dial' ? 34 : 8)}
        textAnchor="middle"
        fontSize="17"
        fontWeight="800"
        fill="var(--c-layout)"
        stroke="var(--c-sheet)"
        strokeWidth="4"
        paintOrder="stroke"
      >
        {settingText(scale, setting)} {unitSymbol(scale.unit)}
      </text>
    </svg>
  );
};
