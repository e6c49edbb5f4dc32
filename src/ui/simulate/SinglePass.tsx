import type { Spot } from '#core/order/spot.ts';
import type { Simulation } from '#core/simulate/simulation.ts';
import { shareWords } from '#wire/words/simulation.ts';

type Props = { readonly places: readonly Spot[]; readonly found: Simulation };

/** What each would be pulled to so that one pass leaves all alike, as shares of the target. It is worked out from the seat, and never replaces the
 *  source's torque. */
export const SinglePass = ({ places, found: { singlePass } }: Props) => (
  <details>
    <summary className="flex min-h-11 cursor-pointer items-center text-layout underline underline-offset-3">
      Torques for a single pass
    </summary>
    {singlePass ? (
      <div className="grid gap-2 pb-2">
        <p className="text-s">
          Pulled once in this order to these shares of the target, all would end alike, by the model. The
          first go past the target: only where the source allows it.
        </p>
        <ol className="flex flex-wrap gap-x-4 gap-y-1 font-mono" data-testid="single-pass">
          {places.map(({ position }, index) => (
            <li key={position}>
              {position} <span className="text-faint">{shareWords(singlePass[index] ?? 1)}</span>
            </li>
          ))}
        </ol>
      </div>
    ) : (
      <p className="pb-2 text-s">
        None: one of them would have to be pulled past twice the target. Several passes are needed.
      </p>
    )}
  </details>
);
