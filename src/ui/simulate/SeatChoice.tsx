import { INVENTED, type Interaction, SEATS, type Seat } from '#core/simulate/interaction.ts';
import { SEAT_WORDS, shareWords } from '#wire/words/simulation.ts';

/** What a joint is taken for: one of those invented, or one that was measured. */
export type SeatTaken = { readonly seat: Seat | 'measured'; readonly interaction: Interaction };

/** The one of those invented. */
export const inventedSeat = (seat: Seat): SeatTaken => ({ seat, interaction: INVENTED[seat] });

type Props = {
  readonly taken: SeatTaken;
  readonly measured: SeatTaken | null;
  readonly onTake: (taken: SeatTaken) => void;
};

/** What lies between the parts: it decides what tightening one does to the others. */
export const SeatChoice = ({ taken, measured, onTake }: Props) => {
  const { alpha, lengthPitches } = taken.interaction;
  return (
    <fieldset className="grid gap-2">
      <legend className="mb-1">Between the parts is</legend>
      <div className="flex flex-wrap gap-2">
        {SEATS.map((seat) => (
          <button
            key={seat}
            type="button"
            aria-pressed={taken.seat === seat}
            className="act-quiet px-3 aria-pressed:border-layout aria-pressed:font-bold"
            onClick={() => onTake(inventedSeat(seat))}
          >
            {SEAT_WORDS[seat]}
          </button>
        ))}
        {measured && (
          <button
            type="button"
            aria-pressed={taken.seat === 'measured'}
            className="act-quiet px-3 aria-pressed:border-layout aria-pressed:font-bold"
            onClick={() => onTake(measured)}
          >
            as measured
          </button>
        )}
      </div>
      <p className="text-s">
        {taken.seat === 'measured' ? (
          <>Fitted to your two rounds: </>
        ) : (
          <strong>Invented numbers until you measure your own: </strong>
        )}
        a neighbour loses {shareWords(alpha * Math.exp(-1 / lengthPitches))} of what is added beside it.
      </p>
    </fieldset>
  );
};
