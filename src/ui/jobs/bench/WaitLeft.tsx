import { useEffect, useState } from 'react';
import type { DueStep } from '#core/view/due-steps.ts';
import { MINUTE_MS } from '#core/view/last-pulled.ts';
import { waitWords } from '#wire/words/joint.ts';
import { timeHere } from '../../kit/time/here.ts';

const SECOND_MS = 1_000;

const clockWords = (leftMs: number): string => {
  const seconds = Math.ceil(leftMs / SECOND_MS);
  const [minutes, rest] = [Math.floor(seconds / 60), seconds % 60];
  return minutes >= 60 ? waitWords(minutes) : `${minutes}:${String(rest).padStart(2, '0')}`;
};

type Props = { readonly due: DueStep; readonly onOver: () => void };

/** How long is still to be waited, as the record has it: a page that is closed and opened goes on counting. Tells once when it is over. */
export const WaitLeft = ({ due, onOver }: Props) => {
  const { since, step } = due;
  const minutes = step.act.kind === 'wait' ? step.act.minutes : 0;
  const untilMs = since === null ? null : Date.parse(since) + minutes * MINUTE_MS;
  const [nowMs, setNowMs] = useState(() => Date.now());
  const isOver = untilMs !== null && nowMs >= untilMs;
  useEffect(() => {
    if (untilMs === null || isOver) return;
    const timer = setInterval(() => setNowMs(Date.now()), SECOND_MS);
    return () => clearInterval(timer);
  }, [untilMs, isOver]);
  useEffect(() => {
    if (isOver) onOver();
  }, [isOver, onOver]);
  if (untilMs === null) return <p className="text-xl font-bold">{waitWords(minutes)}, from when you begin</p>;
  return (
    <p className="text-2xl font-bold" role="timer" data-testid="wait-left">
      {isOver ? 'The time is up' : `${clockWords(untilMs - nowMs)} left`}
      <span className="block text-m font-normal text-faint">
        {waitWords(minutes)}, until {timeHere(new Date(untilMs).toISOString())}
      </span>
    </p>
  );
};
