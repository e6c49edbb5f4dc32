/** Keeps the screen on while the page is looked at, until the returned function is called. A browser that can't leaves it to the device. */
export const stayAwake = (): (() => void) => {
  if (!('wakeLock' in navigator)) return () => {};
  let isOver = false;
  let held: WakeLockSentinel | null = null;
  const hold = async (): Promise<void> => {
    if (document.visibilityState !== 'visible' || isOver) return;
    try {
      const lock = await navigator.wakeLock.request('screen');
      if (isOver) void lock.release();
      else held = lock;
    } catch {
      // A device that saves its battery says no; it is asked again when the page is looked at next.
    }
  };
  // A page that is put aside loses its hold.
  const again = (): void => void hold();
  document.addEventListener('visibilitychange', again);
  void hold();
  return () => {
    isOver = true;
    document.removeEventListener('visibilitychange', again);
    void held?.release();
  };
};
