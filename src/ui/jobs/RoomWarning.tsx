import { useEffect, useSyncExternalStore } from 'react';
import { fewMegabytes, watchRoom } from '#client/device/room.ts';

/** Says that this device is nearly full, before it can keep no more. */
export const RoomWarning = () => {
  const left = useSyncExternalStore(fewMegabytes.subscribe, fewMegabytes.snapshot, () => null);
  useEffect(watchRoom, []);
  if (left === null) return null;
  return (
    <p role="status" className="border-b border-rule p-3 text-low max-sm:px-3 max-sm:py-1.5 max-sm:text-s">
      <strong>This device is nearly full: {left} MB left.</strong> What is kept stays. Make room before you go
      on without the network; what the site has is safe.
    </p>
  );
};
