import type { Picture } from './use-picture.ts';

type Props = { readonly picture: Picture };

const MARK_SHARE = 0.012;

/** The picture behind the fasteners, and the two points it is scaled by. */
export const PictureBehind = ({ picture: { url, behind, marks } }: Props) => {
  if (!url || !behind) return null;
  const [width, height] = [behind.width * behind.mmPerPixel, behind.height * behind.mmPerPixel];
  const size = width * MARK_SHARE;
  return (
    <>
      <image
        href={url}
        x={behind.xMm}
        y={behind.yMm}
        width={width}
        height={height}
        opacity="0.75"
        preserveAspectRatio="none"
        pointerEvents="none"
      />
      {marks.map(({ xMm, yMm }) => (
        <path
          key={`${xMm} ${yMm}`}
          d={`M${xMm - size},${yMm}h${2 * size}M${xMm},${yMm - size}v${2 * size}`}
          stroke="var(--c-high)"
          strokeWidth={size / 4}
          pointerEvents="none"
        />
      ))}
    </>
  );
};
