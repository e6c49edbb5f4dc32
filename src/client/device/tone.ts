let context: AudioContext | null = null;

const HIGH_HZ = 880;
const LOW_HZ = 220;
const LENGTH_S = 0.14;
const LOUDNESS = 0.15;

/** A short tone that tells in from out for people who can't look: one high note for in, two low ones otherwise. */
export const playVerdictTone = (isIn: boolean): void => {
  context ??= new AudioContext();
  const starts = isIn ? [0] : [0, LENGTH_S * 1.6];
  for (const start of starts) {
    const oscillator = context.createOscillator();
    const gain = context.createGain();
    oscillator.frequency.value = isIn ? HIGH_HZ : LOW_HZ;
    gain.gain.value = LOUDNESS;
    oscillator.connect(gain).connect(context.destination);
    oscillator.start(context.currentTime + start);
    oscillator.stop(context.currentTime + start + LENGTH_S);
  }
};
