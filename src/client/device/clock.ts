/** How far this device's clock may be off before a person is told, in milliseconds. */
const TOLD_FROM_MS = 120_000;

let aheadMs = 0;
const listeners = new Set<() => void>();

/** Takes the site's time from an answer's `Date`, which is good to a second. */
export const noteSiteTime = (date: string | null): void => {
  const site = date === null ? Number.NaN : Date.parse(date);
  if (Number.isNaN(site)) return;
  const before = minutesOff();
  aheadMs = Date.now() - site;
  if (minutesOff() !== before) for (const listener of listeners) listener();
};

/** By how many minutes this device's clock is ahead of the site's, below zero when it is behind; 0 while it is near enough. */
export const minutesOff = (): number => (Math.abs(aheadMs) < TOLD_FROM_MS ? 0 : Math.round(aheadMs / 60_000));

/** Listens for a clock that is found off, or right again, until the returned function is called. */
export const onClockChange = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
