import Pause from 'lucide-react/icons/pause';
import Play from 'lucide-react/icons/play';
import { memo, useEffect, useState } from 'react';
import { viewOfAll } from '#core/layout/board-view.ts';
import { smallestPitch } from '#core/order/reading-order.ts';
import type { Spot } from '#core/order/spot.ts';
import type { Simulation } from '#core/simulate/simulation.ts';
import { shareWords } from '#wire/words/simulation.ts';

type Props = {
  /** In the order they are pulled. */
  readonly places: readonly Spot[];
  readonly found: Simulation;
  readonly passNames: readonly string[];
};

const SIZE = { width: 320, height: 260 };
const STEP_MS = 260;
const HEAD_SHARE = 0.36;
const FULL_AROUND = 0.999;

/** How full a head is, as a ring that closes at the whole force. */
const filled = (share: number): string => {
  const angle = 2 * Math.PI * Math.min(share, FULL_AROUND);
  return `M0,-1 A1,1 0 ${share > 0.5 ? 1 : 0} 1 ${Math.sin(angle).toFixed(4)},${(-Math.cos(angle)).toFixed(4)}`;
};

const toneOf = (share: number): string => {
  if (share >= 0.95) return 'var(--c-in)';
  return share >= 0.7 ? 'var(--c-unsure)' : 'var(--c-low)';
};

/** The force of every fastener after each pull, played or pulled along: a ring round each head closes as its force comes to the whole. */
export const PreloadDrawing = memo(({ places, found, passNames }: Props) => {
  const pulls = found.history.length / found.fasteners;
  const [at, setAt] = useState(pulls);
  const [isPlaying, setPlaying] = useState(false);
  const now = Math.min(at, pulls);
  useEffect(() => {
    if (!isPlaying) return undefined;
    const timer = window.setInterval(() => setAt((before) => before + 1), STEP_MS);
    return () => window.clearInterval(timer);
  }, [isPlaying]);
  useEffect(() => {
    if (at >= pulls) setPlaying(false);
  }, [at, pulls]);
  const forces =
    now === 0 ? null : found.history.subarray((now - 1) * found.fasteners, now * found.fasteners);
  const view = viewOfAll(places, SIZE);
  const [width, height] = [SIZE.width / view.pixelsPerMm, SIZE.height / view.pixelsPerMm];
  const radius = Math.min(smallestPitch(places) * HEAD_SHARE, width / 12);
  const pass = found.passEnds.findIndex((end) => now <= end);
  const pulled = now === 0 ? null : places[(now - 1) % found.fasteners];
  return (
    <div className="grid content-start gap-2">
      <svg
        viewBox={`${view.xMm - width / 2} ${view.yMm - height / 2} ${width} ${height}`}
        className="block aspect-[16/13] w-full rounded-lg border border-rule"
        role="img"
        aria-label={`Force of every fastener after pull ${now}`}
      >
        {places.map((place, index) => {
          const force = forces?.[index] ?? 0;
          return (
            <g key={place.position} transform={`translate(${place.xMm} ${place.yMm}) scale(${radius})`}>
              <circle r="1" fill="var(--c-sheet)" stroke="var(--c-rule)" strokeWidth="0.14" />
              <path d={filled(force)} fill="none" stroke={toneOf(force)} strokeWidth="0.26" />
              {place === pulled && <circle r="1.3" fill="none" stroke="var(--c-layout)" strokeWidth="0.1" />}
              <text y="0.28" textAnchor="middle" fontSize="0.78" fill="var(--c-ink)" className="font-mono">
                {Math.round(force * 100)}
              </text>
            </g>
          );
        })}
      </svg>
      <div className="flex items-center gap-2">
        <button
          type="button"
          className="act-quiet w-11 px-0"
          aria-label={isPlaying ? 'Stop' : 'Play'}
          onClick={() => {
            if (!isPlaying && now >= pulls) setAt(0);
            setPlaying(!isPlaying);
          }}
        >
          {isPlaying ? <Pause size={18} aria-hidden="true" /> : <Play size={18} aria-hidden="true" />}
        </button>
        <input
          type="range"
          className="h-11 min-w-0 flex-1 accent-layout"
          aria-label="After pull"
          min={0}
          max={pulls}
          value={now}
          onChange={(event) => {
            setPlaying(false);
            setAt(Number(event.target.value));
          }}
        />
      </div>
      <p className="text-s">
        {pulled
          ? `Pull ${now} of ${pulls}, ${passNames[pass] ?? ''}: ${pulled.position} to ${shareWords(
              forces?.[(now - 1) % found.fasteners] ?? 0,
            )}. Numbers are percent of the wanted force.`
          : 'Before the first pull.'}
      </p>
    </div>
  );
});
