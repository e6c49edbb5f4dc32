import { memo } from 'react';
import type { FastenerView } from '#core/view/bench.ts';
import { STATUS_WORDS } from '#wire/words/verdict.ts';
import { HeadSymbol } from '../../shared/HeadSymbol.tsx';
import { WitnessStripe } from '../../shared/WitnessStripe.tsx';
import type { ShortName } from './short-names.ts';

type HeadProps = {
  readonly fastener: FastenerView;
  readonly radius: number;
  readonly isNext: boolean;
  /** What is written under it. */
  readonly name: ShortName;
  readonly onChoose: (position: string) => void;
};

/** A fastener's head on the drawing, with its witness stripe and the short form of its position. */
export const FastenerHead = memo(({ fastener, radius, isNext, name, onChoose }: HeadProps) => {
  const { planned, status, isWitnessMarked, leftOpen, moved } = fastener;
  const { position, label, xMm, yMm, drive } = planned;
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the list beside the drawing offers the same to a keyboard
    <g
      transform={`translate(${xMm} ${yMm}) scale(${radius})`}
      onClick={() => onChoose(position)}
      className="cursor-pointer"
      data-position={position}
      data-status={status}
      data-moved={moved === true || undefined}
    >
      <title>{`${position} ${label}: ${STATUS_WORDS[status]}${isWitnessMarked ? ', witness marked' : ''}${moved ? ', moved in the last round' : ''}${leftOpen ? `, left open: ${leftOpen.why}` : ''}`}</title>
      <rect
        x="-1.45"
        y="-1.55"
        width="2.9"
        height={name.strip === '' ? 3.95 : 4.3}
        rx="0.2"
        fill="var(--c-sheet)"
        stroke="var(--c-rule)"
        strokeWidth="0.05"
      />
      {isNext && (
        <>
          <circle r="1.26" fill="none" stroke="var(--c-layout)" strokeWidth="0.13" />
          <circle r="1.44" fill="none" stroke="var(--c-layout)" strokeWidth="0.07" className="ring-next" />
        </>
      )}
      <HeadSymbol drive={drive} />
      <WitnessStripe status={status} />
      {isWitnessMarked && <circle cx="1.15" cy="-1.15" r="0.14" fill="var(--c-in)" />}
      {moved && (
        // It turned before the tool gave: an arc with its head, beside the stripe.
        <path
          d="M-1.25,-0.55 A1.36,1.36 0 0 1 -0.35,-1.31 M-0.75,-1.46 L-0.33,-1.31 L-0.55,-0.93"
          fill="none"
          stroke="var(--c-low)"
          strokeWidth="0.16"
          strokeLinecap="round"
        />
      )}
      {leftOpen && status !== 'in' && (
        <path d="M-1.2,1.25 h2.4" stroke="var(--c-faint)" strokeWidth="0.12" strokeDasharray="0.3 0.2" />
      )}
      {name.strip !== '' && (
        <text y="1.92" textAnchor="middle" fontSize="0.58" fill="var(--c-faint)" className="font-mono">
          {name.strip}
        </text>
      )}
      <text
        y={name.strip === '' ? 2.18 : 2.6}
        textAnchor="middle"
        fontSize="0.72"
        fontWeight={isNext ? 800 : 400}
        fill={isNext ? 'var(--c-layout)' : 'var(--c-faint)'}
        className="font-mono"
      >
        {name.own}
      </text>
    </g>
  );
});
