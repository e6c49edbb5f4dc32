import { memo } from 'react';
import type { Interaction } from '#core/simulate/interaction.ts';
import { settled, settledAfterRepull } from '#core/simulate/settling.ts';
import { shareWords } from '#wire/words/simulation.ts';
import { Curve, CurveChart, through } from './CurveChart.tsx';

type Props = {
  readonly interaction: Interaction;
  /** How long the plan waits before it is pulled again, in hours; null where it does not. */
  readonly waitHours: number | null;
};

const POINTS = 48;
const TIMES = 4;

/** What is left of the force as the joint settles: without another pull, and with one after the wait. */
export const SettlingChart = memo(({ interaction, waitHours }: Props) => {
  const wait = waitHours ?? interaction.settlingHours;
  const end = Math.max(wait, interaction.settlingHours) * TIMES;
  const overTime = (left: (hours: number) => number) =>
    Array.from({ length: POINTS + 1 }, (_, index) => {
      const hours = (end * index) / POINTS;
      return [hours, left(hours) * 100] as const;
    });
  const once = overTime((hours) => settled(interaction, hours));
  // Straight up where it is pulled again.
  const again = [
    ...once.filter(([hours]) => hours < wait),
    [wait, settled(interaction, wait) * 100] as const,
    [wait, 100] as const,
    ...overTime((hours) => settledAfterRepull(interaction, wait, hours - wait)).filter(
      ([hours]) => hours > wait,
    ),
  ];
  const least = Math.min(...[...once, ...again].map(([, force]) => force));
  return (
    <figure className="grid gap-1">
      <div className="h-40">
        <CurveChart x={[0, end]} y={[Math.floor((least - 0.1) / 5) * 5, 100]} xUnit=" h">
          <Curve path={through(once)} tone="low" dashes="5 4" />
          <Curve path={through(again)} tone="in" width={2} />
        </CurveChart>
      </div>
      <figcaption className="text-s text-faint">
        Force left as it settles, %. Pulled again after {Math.round(wait * 10) / 10} h (whole line) it ends at{' '}
        {shareWords(settledAfterRepull(interaction, wait, 1e6))}, never again (broken line) at{' '}
        {shareWords(settled(interaction, 1e6))}.
      </figcaption>
    </figure>
  );
});
