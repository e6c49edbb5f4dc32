import type { MountedAdapter } from '#core/adapter/adapter.ts';

const WIDTH = 404;
const HEIGHT = 170;

type Props = { readonly leverMillimetres: number; readonly chain: readonly MountedAdapter[] };

/** A tool from above with its adapter on: the lever length L from the grip mark to the drive, the offset E from the drive to the fastener,
 *  and the angle θ between them, drawn to scale. */
export const AdapterPicture = ({ leverMillimetres, chain }: Props) => {
  const offset = chain.find(({ adapter }) => adapter.offsetMillimetres > 0);
  const e = offset?.adapter.offsetMillimetres ?? 0;
  const angle = ((offset?.angleDegrees ?? 0) * Math.PI) / 180;
  const perMm = 250 / (leverMillimetres + Math.max(0, e));
  const driveX = 40 + leverMillimetres * perMm;
  const y = 92;
  // A short offset is drawn a little longer than to scale, or its angle could not be seen.
  const length = Math.max(e * perMm, e > 0 ? 34 : 0);
  const [x2, y2] = [driveX + length * Math.cos(angle), y - length * Math.sin(angle)];
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full font-mono"
      role="img"
      aria-label={`Lever ${leverMillimetres} mm, offset ${e} mm at ${offset?.angleDegrees ?? 0}°`}
    >
      <rect
        x="24"
        y={y - 9}
        width={driveX - 24}
        height="18"
        rx="9"
        fill="var(--c-metal)"
        stroke="var(--c-metal-edge)"
        strokeWidth="1.5"
      />
      <path d={`M40,${y - 14} v28`} stroke="var(--c-ink)" strokeWidth="2.5" />
      <path
        d={`M${driveX},${y} L${x2},${y2}`}
        stroke="var(--c-metal-edge)"
        strokeWidth="12"
        strokeLinecap="round"
      />
      <path d={`M${driveX},${y} L${WIDTH - 20},${y}`} stroke="var(--c-faint)" strokeDasharray="4 4" />
      <circle cx={driveX} cy={y} r="11" fill="var(--c-metal)" stroke="var(--c-ink)" strokeWidth="1.5" />
      <rect x={driveX - 4} y={y - 4} width="8" height="8" fill="var(--c-ink)" />
      <circle cx={x2} cy={y2} r="9" fill="var(--c-sheet)" stroke="var(--c-layout)" strokeWidth="3" />
      <path
        d={`M40,${y + 34} H${driveX} M40,${y + 28} v12 M${driveX},${y + 28} v12`}
        stroke="var(--c-layout)"
        strokeWidth="1.5"
        fill="none"
      />
      <text x={(40 + driveX) / 2} y={y + 54} textAnchor="middle" fontSize="15" fill="var(--c-ink)">
        L {leverMillimetres} mm
      </text>
      {offset && (
        <>
          <text
            x={(driveX + x2) / 2 + 16 * Math.sin(angle)}
            y={(y + y2) / 2 - 16}
            textAnchor="middle"
            fontSize="15"
            fill="var(--c-ink)"
          >
            E {e} mm
          </text>
          <text x={Math.min(WIDTH - 60, driveX + 44)} y={y + 20} fontSize="15" fill="var(--c-layout)">
            θ {offset.angleDegrees}°
          </text>
        </>
      )}
      <text x="40" y={y - 22} textAnchor="middle" fontSize="12" fill="var(--c-faint)">
        grip
      </text>
    </svg>
  );
};
