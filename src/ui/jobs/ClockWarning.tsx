import { useSyncExternalStore } from 'react';
import { minutesOff, onClockChange } from '#client/device/clock.ts';

/** Says that this device's clock is off, once it is by more than two minutes: the site works with its own time, and a record shows both. */
export const ClockWarning = () => {
  const minutes = useSyncExternalStore(onClockChange, minutesOff, () => 0);
  if (minutes === 0) return null;
  const size = Math.abs(minutes);
  const by = size < 120 ? `${size} minutes` : `${Math.round(size / 60)} hours`;
  return (
    <p role="status" className="border-b border-rule p-3 text-low max-sm:px-3 max-sm:py-1.5 max-sm:text-s">
      <strong>
        This device’s clock is {by} {minutes > 0 ? 'fast' : 'slow'}.
      </strong>{' '}
      The site’s time counts.
      <span className="max-sm:hidden">
        {' '}
        Yours stands beside it in the record. Set the clock when you can.
      </span>
    </p>
  );
};
