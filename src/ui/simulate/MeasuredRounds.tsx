import { useState } from 'react';
import type { Spot } from '#core/order/spot.ts';
import { readNumber } from '#core/quantity/read-number.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import { fittedInteraction } from '#core/simulate/fitted-interaction.ts';
import type { Interaction } from '#core/simulate/interaction.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import { shareWords } from '#wire/words/simulation.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import type { SeatTaken } from './SeatChoice.tsx';

type Props = {
  /** In the order they are pulled. */
  readonly places: readonly Spot[];
  /** What settles: the fit says nothing of it. */
  readonly like: Interaction;
  readonly onFitted: (taken: SeatTaken) => void;
};

/** Numbers apart by spaces, lines or semicolons; null where one is none. */
const numbersIn = (text: string): readonly number[] | null => {
  const numbers = text
    .split(/[\s;]+/)
    .filter(Boolean)
    .map((each) => readNumber(each));
  return numbers.every(({ ok }) => ok) ? numbers.flatMap((each) => (each.ok ? each.value.value : [])) : null;
};

/** How strongly the fasteners act on each other, from what a person measured: all pulled to full torque once, then what each began to turn at in
 *  the second round. */
export const MeasuredRounds = ({ places, like, onFitted }: Props) => {
  const [full, setFull] = useState('');
  const [readings, setReadings] = useState('');
  const [said, setSaid] = useState<string | null>(null);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const fitted = (): Result<string, Problem> => {
    const [whole, moved] = [readNumber(full), numbersIn(readings)];
    if (!whole.ok) return whole;
    if (!moved) return refused({ code: 'not-a-number', text: readings.slice(0, 40) });
    const fit = fittedInteraction(places, {
      order: places.map((_, index) => index),
      firstMovement: moved.map((reading) => reading / whole.value.value),
    });
    if (!fit.ok) return fit;
    const { alpha, lengthPitches, residual } = fit.value;
    onFitted({ seat: 'measured', interaction: { ...like, alpha, lengthPitches } });
    return accepted(
      `Fitted; what is left between it and your readings is ${shareWords(residual)} of the torque.`,
    );
  };
  const fit = (): void => {
    const result = fitted();
    setSaid(result.ok ? result.value : null);
    setProblem(result.ok ? null : problemDetails(result.refusal));
  };
  return (
    <details>
      <summary className="flex min-h-11 cursor-pointer items-center text-layout underline underline-offset-3">
        Measure your own
      </summary>
      <div className="grid gap-2 pb-2">
        <p className="text-s">
          Pull all {places.length} to full torque once, in the order of the plan. Go round again in the same
          order and read at what torque each begins to turn, before you pull it up.
        </p>
        <label>
          Full torque, in any unit
          <input
            className="field mt-1 w-32 font-mono"
            inputMode="decimal"
            value={full}
            maxLength={12}
            onChange={(event) => setFull(event.target.value)}
          />
        </label>
        <label>
          What each began to turn at, in the same unit: {places.map(({ position }) => position).join(', ')}
          <textarea
            className="field mt-1 min-h-20 py-2 font-mono"
            value={readings}
            maxLength={4000}
            onChange={(event) => setReadings(event.target.value)}
          />
        </label>
        <ProblemNotice problem={problem} />
        {said && <p role="status">{said}</p>}
        <button type="button" className="act-quiet justify-self-start" onClick={fit}>
          Fit it
        </button>
      </div>
    </details>
  );
};
