/** A second pulse of a pedal, a key or a tap within this time is the first one bouncing, and no answer to what came up meanwhile. */
export const BOUNCE_MS = 400;

/** Tells pulses from bounces by when the hand made them. A bounce does not push the next pulse away. */
export const bounces = (): ((pulsedAtMs: number) => boolean) => {
  let lastPulseMs = Number.NEGATIVE_INFINITY;
  return (pulsedAtMs) => {
    const isBounce = pulsedAtMs - lastPulseMs < BOUNCE_MS;
    if (!isBounce) lastPulseMs = pulsedAtMs;
    return isBounce;
  };
};
