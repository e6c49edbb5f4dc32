import type { MountedAdapter } from '#core/tool/adapter.ts';

const WIDTH = 404;
const HEIGHT = 170;
const SHORTEST = 34;

type Props = { readonly leverMillimetres: number; readonly chain: readonly MountedAdapter[] };

type Link = {
  readonly code: string;
  /** Where it ends, in the drawing. */
  readonly x: number;
  readonly y: number;
  readonly label: { readonly x: number; readonly y: number; readonly millimetres: number };
};

const linksOf = (
  offsets: readonly MountedAdapter[],
  perMm: number,
  driveX: number,
  driveY: number,
): readonly Link[] => {
  let [x, y] = [driveX, driveY];
  return offsets.map(({ adapter: { code, offsetMillimetres }, angleDegrees }) => {
    const angle = (angleDegrees * Math.PI) / 180;
    // A short offset is drawn a little longer than to scale, or its angle could not be seen.
    const length = Math.max(offsetMillimetres * perMm, SHORTEST);
    const [fromX, fromY] = [x, y];
    [x, y] = [fromX + length * Math.cos(angle), fromY - length * Math.sin(angle)];
    // Above the link and its end, so that the number never lies on the drawing.
    const label = { x: (fromX + x) / 2, y: Math.min(fromY, y) - 18 };
    return { code, x, y, label: { ...label, millimetres: offsetMillimetres } };
  });
};

/** A tool from above with its adapters on: the lever length L from the grip mark to the drive, each offset E on the way to the fastener, and
 *  its angle θ to the tool's axis, drawn to scale. */
export const AdapterPicture = ({ leverMillimetres, chain }: Props) => {
  const offsets = chain.filter(({ adapter }) => adapter.offsetMillimetres > 0);
  const total = offsets.reduce((sum, { adapter }) => sum + adapter.offsetMillimetres, 0);
  const perMm = 250 / (leverMillimetres + total);
  const driveX = 40 + leverMillimetres * perMm;
  const y = 92;
  const links = linksOf(offsets, perMm, driveX, y);
  const end = links.at(-1);
  const [x2, y2] = [end?.x ?? driveX, end?.y ?? y];
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full font-mono"
      role="img"
      aria-label={`Lever ${leverMillimetres} mm${offsets.map(({ adapter, angleDegrees }) => `, offset ${adapter.offsetMillimetres} mm at ${angleDegrees}°`).join('')}`}
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
        d={`M${driveX},${y} ${links.map((link) => `L${link.x},${link.y}`).join(' ')}`}
        fill="none"
        strokeLinejoin="round"
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
      {links.map(({ code, label }) => (
        <text key={code} x={label.x} y={label.y} textAnchor="middle" fontSize="15" fill="var(--c-ink)">
          E {label.millimetres} mm
        </text>
      ))}
      {offsets.length > 0 && (
        <text x={Math.min(WIDTH - 90, driveX + 24)} y={y + 22} fontSize="15" fill="var(--c-layout)">
          θ {offsets.map(({ angleDegrees }) => `${angleDegrees}°`).join(', ')}
        </text>
      )}
      <text x="40" y={y - 22} textAnchor="middle" fontSize="12" fill="var(--c-faint)">
        grip
      </text>
    </svg>
  );
};
