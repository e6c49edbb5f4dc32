import { lazy, Suspense, useMemo } from 'react';
import type { Spot } from '#core/order/spot.ts';
import type { Interaction } from '#core/simulate/interaction.ts';
import type { Scatter } from '#core/simulate/monte-carlo.ts';
import type { Simulation } from '#core/simulate/simulation.ts';
import { PreloadDrawing } from './PreloadDrawing.tsx';
import { SinglePass } from './SinglePass.tsx';
import { SpreadTable } from './SpreadTable.tsx';
import { useInTurn } from './use-in-turn.ts';

const PreloadChart = lazy(() =>
  import('./PreloadChart.tsx').then(({ PreloadChart: chart }) => ({ default: chart })),
);
const SettlingChart = lazy(() =>
  import('./SettlingChart.tsx').then(({ SettlingChart: chart }) => ({ default: chart })),
);

type Props = {
  /** In the order they are pulled. */
  readonly places: readonly Spot[];
  readonly passNames: readonly string[];
  readonly found: Simulation;
  readonly interaction: Interaction;
  readonly scatter: Scatter;
  readonly within: number;
  /** How long the plan waits before it is pulled again, in hours; null where it does not. */
  readonly waitHours: number | null;
};

/** What is shown of one simulation. A part that still has one of another joint waits for its own. */
type Shown = Pick<Props, 'found' | 'interaction' | 'places'>;

const PARTS = 4;

/** What comes out when a joint is tried out: drawn after every pull, as a table after every pass, as charts. Each is drawn in a frame of its own. */
export const WhatComesOut = ({
  places,
  passNames,
  found,
  interaction,
  scatter,
  within,
  waitHours,
}: Props) => {
  const shown = useMemo((): Shown => ({ found, interaction, places }), [found, interaction, places]);
  const [drawing, table, forces, settling] = useInTurn(shown, PARTS) as readonly [Shown, Shown, Shown, Shown];
  const isOfThese = ({ found: { passEnds } }: Shown): boolean => passEnds.length === passNames.length;
  return (
    <>
      <div className="grid gap-4 md:grid-cols-2">
        <PreloadDrawing places={drawing.places} found={drawing.found} passNames={passNames} />
        <div className="grid content-start gap-4">
          {isOfThese(table) && <SpreadTable found={table.found} passNames={passNames} />}
          <p className="text-s text-faint">
            {found.runs.runs} runs, seed {found.runs.seed}: friction from fastener to fastener ±
            {Math.round(scatter.friction * 200)} %, the tool ±{Math.round(scatter.tool * 200)} % (two standard
            deviations, common practice). All within ±{within * 100} % in{' '}
            {Math.round(found.runs.shareWithin * 100)} % of them.
          </p>
        </div>
      </div>
      <Suspense fallback={<div className="h-56" />}>
        <PreloadChart found={forces.found} />
        <SettlingChart interaction={settling.interaction} waitHours={waitHours} />
      </Suspense>
      <SinglePass places={places} found={found} />
    </>
  );
};
