import { memo } from 'react';
import type { JointKind } from '#core/joint/joint-kind.ts';
import { rowsOf } from '#core/order/reading-order.ts';
import type { Spot } from '#core/order/spot.ts';
import type { DrawingView } from './drawing-view.ts';

type Props = {
  readonly outline: JointKind['outline'];
  readonly places: readonly Spot[];
  readonly view: DrawingView;
  readonly pixelsPerMm: number;
};

const Rails = ({ places, view, pixelsPerMm }: Omit<Props, 'outline'>) => {
  const pad = view.radius * 1.9;
  return rowsOf(places).map((row) => {
    const [first, last] = [row[0], row.at(-1)];
    return (
      first &&
      last && (
        <rect
          key={first.position}
          x={first.xMm - pad}
          y={first.yMm - pad}
          width={last.xMm - first.xMm + pad * 2}
          height={pad * 2 + view.radius * 0.9}
          rx={view.radius * 0.4}
          fill="var(--c-sheet)"
          stroke="var(--c-rule)"
          strokeWidth={1 / pixelsPerMm}
        />
      )
    );
  });
};

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);

const Ring = ({ places, view, pixelsPerMm }: Omit<Props, 'outline'>) => {
  const [x, y] = [mean(places.map(({ xMm }) => xMm)), mean(places.map(({ yMm }) => yMm))];
  const radius = mean(places.map(({ xMm, yMm }) => Math.hypot(xMm - x, yMm - y)));
  const width = view.radius * 4;
  return (
    <g fill="none">
      <circle cx={x} cy={y} r={radius} stroke="var(--c-sheet)" strokeWidth={width} />
      {[radius - width / 2, radius + width / 2]
        .filter((each) => each > 0)
        .map((each) => (
          <circle key={each} cx={x} cy={y} r={each} stroke="var(--c-rule)" strokeWidth={1 / pixelsPerMm} />
        ))}
    </g>
  );
};

/** What is drawn around the fasteners of a group, by its kind of joint. */
export const GroupOutline = memo(({ outline, ...drawn }: Props) => {
  switch (outline) {
    case 'rails':
      return <Rails {...drawn} />;
    case 'ring':
      return <Ring {...drawn} />;
    case 'none':
      return null;
  }
});
