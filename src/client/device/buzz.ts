const SHORT_MS = 60;
const LONG_MS = 200;

/** Tells in from out to the hand that holds the device: one short buzz for in, two long ones otherwise. Nothing where the device can't. */
export const buzzVerdict = (isGood: boolean): void => {
  if ('vibrate' in navigator) navigator.vibrate(isGood ? SHORT_MS : [LONG_MS, SHORT_MS, LONG_MS]);
};
