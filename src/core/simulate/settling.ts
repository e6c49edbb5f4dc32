import type { Interaction } from './interaction.ts';

/** What is left of a force after so many hours, as a share of it.
 *    F(t) = F·(1 − ρ·(1 − e^(−t/τ)))
 *  Source: exponential relaxation, domain practice; ρ and τ are the joint's. */
export const settled = (
  { relaxation, settlingHours }: Pick<Interaction, 'relaxation' | 'settlingHours'>,
  hours: number,
): number => 1 - relaxation * (1 - Math.exp(-hours / settlingHours));

/** The same where it was pulled up again after a wait: what it had lost by then it does not lose again, what was still to come it does.
 *  Departures: that only the rest of the relaxation is left after a re-pull is assumed. */
export const settledAfterRepull = (
  joint: Pick<Interaction, 'relaxation' | 'settlingHours'>,
  waitedHours: number,
  hoursAfter: number,
): number =>
  settled(
    { ...joint, relaxation: joint.relaxation * Math.exp(-waitedHours / joint.settlingHours) },
    hoursAfter,
  );
