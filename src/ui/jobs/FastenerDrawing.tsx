import { memo, useMemo, useRef } from 'react';
import { rowsOf } from '#core/sequence/reading-order.ts';
import type { FastenerView } from '#core/view/bench.ts';
import { STATUS_WORDS } from '#wire/words/verdict.ts';
import { HeadSymbol } from '../shared/HeadSymbol.tsx';
import { niceStep } from '../shared/nice-step.ts';
import { WitnessStripe } from '../shared/WitnessStripe.tsx';
import { type DrawingView, drawingView } from './drawing-view.ts';
import { useSize } from './use-size.ts';

type Props = {
  readonly fasteners: readonly FastenerView[];
  readonly seenFrom: string;
  /** The fastener with the ring; null when none is next. */
  readonly next: string | null;
  /** Those that follow it, joined by a dotted line. */
  readonly coming: readonly string[];
  readonly onChoose: (position: string) => void;
};

const FIRST_SIZE = { width: 690, height: 560 };
const RULER_GAP_PX = 70;

// What is out of view is not drawn: 400 heads repainted at each pull would hold up the verdict.
const isInView = (
  { x, y, width, height, radius }: DrawingView,
  place: { readonly xMm: number; readonly yMm: number },
): boolean =>
  place.xMm > x - radius * 3 &&
  place.xMm < x + width + radius * 3 &&
  place.yMm > y - radius * 3 &&
  place.yMm < y + height + radius * 3;

const shortName = (position: string): string => /[^\-/: ]+$/.exec(position)?.[0] ?? position;

type HeadProps = {
  readonly fastener: FastenerView;
  readonly radius: number;
  readonly isNext: boolean;
  readonly onChoose: (position: string) => void;
};

const Head = memo(({ fastener, radius, isNext, onChoose }: HeadProps) => {
  const { planned, status, isWitnessMarked, leftOpen } = fastener;
  const { position, label, xMm, yMm, drive } = planned;
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the list beside the drawing offers the same to a keyboard
    <g
      transform={`translate(${xMm} ${yMm}) scale(${radius})`}
      onClick={() => onChoose(position)}
      className="cursor-pointer"
      data-position={position}
      data-status={status}
    >
      <title>{`${position} ${label}: ${STATUS_WORDS[status]}${isWitnessMarked ? ', witness marked' : ''}${leftOpen ? `, left open: ${leftOpen.why}` : ''}`}</title>
      <rect
        x="-1.45"
        y="-1.55"
        width="2.9"
        height="3.95"
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
      {leftOpen && status !== 'in' && (
        <path d="M-1.2,1.25 h2.4" stroke="var(--c-faint)" strokeWidth="0.12" strokeDasharray="0.3 0.2" />
      )}
      <text
        y="2.18"
        textAnchor="middle"
        fontSize="0.72"
        fontWeight={isNext ? 800 : 400}
        fill={isNext ? 'var(--c-layout)' : 'var(--c-faint)'}
        className="font-mono"
      >
        {shortName(position)}
      </text>
    </g>
  );
});

const Ruler = ({ view, pixelsPerMm }: { readonly view: DrawingView; readonly pixelsPerMm: number }) => {
  const major = niceStep(RULER_GAP_PX / pixelsPerMm);
  const minor = major / 10;
  const first = Math.ceil(view.x / minor);
  const count = Math.floor((view.x + view.width) / minor) - first + 1;
  return (
    <g stroke="var(--c-faint)" strokeWidth={1 / pixelsPerMm}>
      {Array.from({ length: Math.max(0, count) }, (_, index) => {
        const at = (first + index) * minor;
        const isMajor = (first + index) % 10 === 0;
        return (
          <g key={at}>
            <line x1={at} x2={at} y1={view.y} y2={view.y + (isMajor ? 14 : 7) / pixelsPerMm} />
            {isMajor && (
              <text
                x={at + 4 / pixelsPerMm}
                y={view.y + 17 / pixelsPerMm}
                fontSize={12 / pixelsPerMm}
                fill="var(--c-faint)"
                stroke="none"
                className="font-mono"
              >
                {Math.round(at)}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
};

/** The fasteners where they sit, in millimetres as seen from one side, each with its head and witness stripe. Follows the next one when the
 *  whole would be too small to read. */
export const FastenerDrawing = ({ fasteners, seenFrom, next, coming, onChoose }: Props) => {
  const frame = useRef<HTMLDivElement>(null);
  const size = useSize(frame, FIRST_SIZE);
  const places = useMemo(() => fasteners.map(({ planned }) => planned), [fasteners]);
  const rows = useMemo(() => rowsOf(places), [places]);
  const around = places.find(({ position }) => position === next);
  const view = drawingView(places, size, around);
  const pixelsPerMm = size.width / view.width;
  const path = [next, ...coming].flatMap(
    (position) => places.find((place) => place.position === position) ?? [],
  );
  const pad = view.radius * 1.9;
  return (
    <div className="flex h-full min-h-0 flex-col">
      <div className="flex justify-between gap-3 px-1 pb-1 text-s text-faint">
        <span>seen {seenFrom} · ↑ top · millimetres</span>
        {view.isFollowing && (
          <span className="max-sm:hidden">showing the part around {next ?? places[0]?.position}</span>
        )}
      </div>
      <div ref={frame} className="min-h-0 flex-1 overflow-hidden rounded-lg border border-rule">
        <svg
          viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`}
          className="block h-full w-full"
          role="img"
          aria-label="Drawing of the fasteners"
        >
          {rows.map((row) => {
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
          })}
          {fasteners
            .filter(({ planned }) => isInView(view, planned))
            .map((fastener) => (
              <Head
                key={fastener.planned.position}
                fastener={fastener}
                radius={view.radius}
                isNext={fastener.planned.position === next}
                onChoose={onChoose}
              />
            ))}
          {path.length > 1 && (
            <polyline
              points={path.map(({ xMm, yMm }) => `${xMm},${yMm}`).join(' ')}
              fill="none"
              stroke="var(--c-layout)"
              strokeWidth={2 / pixelsPerMm}
              strokeDasharray={`${3 / pixelsPerMm} ${7 / pixelsPerMm}`}
              pointerEvents="none"
            />
          )}
          <rect x={view.x} y={view.y} width={view.width} height={20 / pixelsPerMm} fill="var(--c-ground)" />
          <Ruler view={view} pixelsPerMm={pixelsPerMm} />
        </svg>
      </div>
    </div>
  );
};
