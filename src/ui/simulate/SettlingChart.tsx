import { memo } from 'react';
import { CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { Interaction } from '#core/simulate/interaction.ts';
import { settled, settledAfterRepull } from '#core/simulate/settling.ts';
import { shareWords } from '#wire/words/simulation.ts';

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
  const rows = Array.from({ length: POINTS + 1 }, (_, index) => {
    const hours = (end * index) / POINTS;
    return {
      hours: Math.round(hours * 10) / 10,
      once: settled(interaction, hours) * 100,
      again:
        (hours < wait ? settled(interaction, hours) : settledAfterRepull(interaction, wait, hours - wait)) *
        100,
    };
  });
  return (
    <figure className="grid gap-1">
      <div className="h-40">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={rows} margin={{ top: 8, right: 8, bottom: 4, left: 0 }}>
            <CartesianGrid stroke="var(--c-rule)" strokeDasharray="2 4" />
            <XAxis
              dataKey="hours"
              unit=" h"
              stroke="var(--c-faint)"
              fontSize={13}
              tickLine={false}
              minTickGap={40}
            />
            <YAxis
              domain={[(least: number) => Math.floor(least / 5) * 5, 100]}
              stroke="var(--c-faint)"
              fontSize={13}
              width={34}
              tickFormatter={(value: number) => value.toFixed(0)}
            />
            <Line
              dataKey="once"
              stroke="var(--c-low)"
              dot={false}
              isAnimationActive={false}
              strokeDasharray="5 4"
            />
            <Line
              dataKey="again"
              stroke="var(--c-in)"
              dot={false}
              isAnimationActive={false}
              strokeWidth={2}
            />
          </LineChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-s text-faint">
        Force left as it settles, %. Pulled again after {Math.round(wait * 10) / 10} h (whole line) it ends at{' '}
        {shareWords(settledAfterRepull(interaction, wait, 1e6))}, never again (broken line) at{' '}
        {shareWords(settled(interaction, 1e6))}.
      </figcaption>
    </figure>
  );
});
