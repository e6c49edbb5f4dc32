import { memo } from 'react';
import type { Laid } from '#core/layout/board.ts';
import type { Drive } from '#core/tool/drive.ts';
import { HeadSymbol } from '../shared/HeadSymbol.tsx';

type HeadProps = {
  readonly laid: Laid;
  readonly drive: Drive;
  readonly radiusMm: number;
  readonly isChosen: boolean;
  /** Its place in the order of its group, from 1. */
  readonly place: number;
  readonly isNamed: boolean;
};

const Head = memo(({ laid, drive, radiusMm, isChosen, place, isNamed }: HeadProps) => (
  <g
    transform={`translate(${laid.xMm} ${laid.yMm}) scale(${radiusMm})`}
    data-position={laid.position}
    data-id={laid.id}
    className="cursor-pointer"
  >
    <title>{`${laid.position}${laid.label && ` ${laid.label}`}, ${place} in the order`}</title>
    {isChosen && <circle r="1.35" fill="none" stroke="var(--c-layout)" strokeWidth="0.22" />}
    <HeadSymbol drive={drive} />
    {isNamed && (
      <>
        <text y="2.1" textAnchor="middle" fontSize="0.85" fill="var(--c-ink)" className="font-mono">
          {laid.position}
        </text>
        <text x="1.15" y="-0.95" fontSize="0.8" fill="var(--c-layout)" fontWeight="700" className="font-mono">
          {place}
        </text>
      </>
    )}
  </g>
));

const dots = (laid: readonly Laid[], radius: number): string =>
  laid
    .map(
      ({ xMm, yMm }) =>
        `M${xMm - radius},${yMm}a${radius},${radius} 0 1 0 ${2 * radius},0a${radius},${radius} 0 1 0 ${-2 * radius},0`,
    )
    .join('');

type Props = {
  readonly laid: readonly Laid[];
  readonly driveOf: (group: string) => Drive;
  readonly placeOf: ReadonlyMap<string, number>;
  readonly chosen: ReadonlySet<string>;
  readonly radiusMm: number;
  readonly isNamed: boolean;
};

/** The heads of a board, each with its drive, and its name and place in the order where there is room for them. */
export const BoardHeads = memo(({ laid, driveOf, placeOf, chosen, radiusMm, isNamed }: Props) =>
  laid.map((each) => (
    <Head
      key={each.id}
      laid={each}
      drive={driveOf(each.group)}
      radiusMm={radiusMm}
      isChosen={chosen.has(each.id)}
      place={placeOf.get(each.id) ?? 0}
      isNamed={isNamed}
    />
  )),
);

/** The heads of a board that are too small to be told apart: dots, all in one stroke, so that two thousand of them are one thing to draw. */
export const BoardDots = memo(({ laid, chosen, radiusMm }: Pick<Props, 'laid' | 'chosen' | 'radiusMm'>) => (
  <g pointerEvents="none">
    <path d={dots(laid, radiusMm)} fill="var(--c-faint)" />
    <path
      d={dots(
        laid.filter(({ id }) => chosen.has(id)),
        radiusMm * 1.4,
      )}
      fill="var(--c-layout)"
    />
  </g>
));
