const KEY = 'jentik-seen';
const MOST = 1000;

const read = (): readonly string[] => {
  try {
    return (localStorage.getItem(KEY) ?? '').split(' ').filter(Boolean);
  } catch {
    // A browser that keeps nothing tells again what was told.
    return [];
  }
};

/** Whether somebody on this device has said that they have seen what they were told of an event. */
export const wasSeen = (eventId: string): boolean => read().includes(eventId);

/** Keeps that somebody has seen it, so that a page opened later does not tell it again. */
export const markSeen = (eventId: string): void => {
  try {
    localStorage.setItem(KEY, [...read(), eventId].slice(-MOST).join(' '));
  } catch {
    // It is told again.
  }
};
