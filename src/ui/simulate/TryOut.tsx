import { useMemo, useState } from 'react';
import type { JointKind } from '#core/joint/joint-kind.ts';
import { waitsOf } from '#core/joint/waits.ts';
import type { Spot } from '#core/order/spot.ts';
import { sharesOf } from '#core/simulate/schedule.ts';
import { canSimulate, SIMULATED_MOST, type Simulated } from '#core/simulate/simulation.ts';
import { usualSeat } from '#core/simulate/usual-seat.ts';
import { simulationWords } from '#wire/words/simulation.ts';
import { ProgressBar } from '../shared/ProgressBar.tsx';
import { MeasuredRounds } from './MeasuredRounds.tsx';
import { inventedSeat, SeatChoice, type SeatTaken } from './SeatChoice.tsx';
import { useSimulation } from './use-simulation.ts';
import { WhatComesOut } from './WhatComesOut.tsx';

type Props = {
  /** In the order they are pulled. */
  readonly places: readonly Spot[];
  readonly kind: JointKind;
  readonly passes: JointKind['passes'];
  readonly roundsUntilStill: boolean;
};

const ROUNDS_SHOWN = 3;
const RUNS = 10_000;
const SEED = 1;
const WITHIN = [0.02, 0.05, 0.1, 0.2] as const;
/** Friction of a hand torque tool scatters the force by ±25 to 30 %, which is two standard deviations of this. Common practice. */
const SCATTER = { friction: 0.13, tool: 0.03 } as const;
/** Above so much work fewer runs are made, so that it stays a matter of seconds. */
const WORK_MOST = 600_000_000;

const passNamesOf = (passes: JointKind['passes'], rounds: number): readonly string[] => [
  ...passes.map(({ name }, index) => `pass ${index + 1}, ${name}`),
  ...Array.from({ length: rounds }, (_, index) => `round ${index + 1} at full torque`),
];

/** A joint tried out before it is pulled: what tightening one does to the others, how many passes it takes, and how it settles. */
export const TryOut = ({ places: laid, kind, passes, roundsUntilStill }: Props) => {
  // Only where they sit: what else a fastener has does not go to the worker.
  const places = useMemo(() => laid.map(({ position, xMm, yMm }): Spot => ({ position, xMm, yMm })), [laid]);
  const [chosen, setChosen] = useState<SeatTaken | null>(null);
  const [measured, setMeasured] = useState<SeatTaken | null>(null);
  const [within, setWithin] = useState<number>(0.05);
  const taken = chosen ?? inventedSeat(usualSeat(kind.code));
  const rounds = roundsUntilStill ? ROUNDS_SHOWN : 0;
  const names = useMemo(() => passNamesOf(passes, rounds), [passes, rounds]);
  const shares = sharesOf(passes, rounds);
  const work = places.length ** 2 * shares.length;
  const ask: Simulated = {
    places,
    shares,
    interaction: taken.interaction,
    scatter: SCATTER,
    within,
    runs: Math.max(200, Math.min(RUNS, Math.floor(WORK_MOST / Math.max(1, work)))),
    seed: SEED,
  };
  const isPossible = canSimulate(ask);
  const { found, progress, isBroken, cancel } = useSimulation(isPossible ? ask : null);
  if (!isPossible)
    return (
      <p className="text-s text-faint">
        {places.length > SIMULATED_MOST
          ? `${places.length} are too many to be tried out together: up to ${SIMULATED_MOST} act on each other here.`
          : 'Lay out at least two, and what tightening one does to the others is shown here.'}
      </p>
    );
  const [wait] = waitsOf(kind);
  return (
    <div className="grid gap-4">
      <SeatChoice taken={taken} measured={measured} onTake={setChosen} />
      <MeasuredRounds
        places={places}
        like={taken.interaction}
        onFitted={(fitted) => {
          setMeasured(fitted);
          setChosen(fitted);
        }}
      />
      {progress !== null && (
        <div className="flex items-end gap-3">
          <div className="flex-1">
            <ProgressBar
              what="Runs with scatter"
              progress={{ done: Math.round(progress * ask.runs), total: ask.runs }}
            />
          </div>
          <button type="button" className="act-quiet" onClick={cancel}>
            Cancel
          </button>
        </div>
      )}
      {isBroken && (
        <p role="alert">
          It could not be worked out in this browser. Load the page again; what is laid out is kept.
        </p>
      )}
      {found && found.fasteners === places.length && found.passEnds.length === names.length && (
        <>
          <p className="text-l" data-testid="simulation-words">
            {simulationWords(found, { passes: passes.length, within })}
          </p>
          <label className="flex items-center gap-2">
            All are wanted within
            <select
              className="field w-auto"
              value={within}
              onChange={(event) => setWithin(Number(event.target.value))}
            >
              {WITHIN.map((share) => (
                <option key={share} value={share}>
                  ±{share * 100} %
                </option>
              ))}
            </select>
          </label>
          <WhatComesOut
            places={places}
            passNames={names}
            found={found}
            interaction={taken.interaction}
            scatter={SCATTER}
            within={within}
            waitHours={wait ? wait.minutes / 60 : null}
          />
        </>
      )}
    </div>
  );
};
