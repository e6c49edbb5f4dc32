import { SIXTH_DEGREES, turnTolerance } from '#core/turn/turn.ts';
import type { NextAction } from '#core/view/next-action.ts';

type Props = { readonly due: Extract<NextAction, { kind: 'turn' }>['due']; readonly isInSixths: boolean };

/** The angle that the fastener in front is turned by after its torque: how far, in which step, and how near it must be. */
export const BenchTurn = ({ due, isInSixths }: Props) => {
  const { degrees, step, of } = due;
  const tolerance = turnTolerance(isInSixths ? 'sixths' : 'read');
  return (
    <section
      aria-label="Angle"
      className="grid gap-2 rounded-md border-2 border-layout p-3"
      data-testid="turn"
    >
      <h3 className="text-2xl font-bold">
        Turn on by {degrees}°
        {of > 1 && (
          <span className="text-m font-normal text-faint">
            {' '}
            · step {step + 1} of {of}
          </span>
        )}
      </h3>
      <p>
        From the mark made at the torque, in one pull.{' '}
        {isInSixths
          ? `Count flats of the hex: each is a sixth of a turn, ${SIXTH_DEGREES}°.`
          : 'Read it off the gauge.'}
      </p>
      <p className="text-s">
        {degrees - tolerance}° to {degrees + tolerance}° <strong className="text-low">assumed</strong>
        <span className="text-faint"> · the maker’s instructions come first</span>
      </p>
    </section>
  );
};
