/** Chance that can be had again: the same seed gives the same campaign. */
export type Random = {
  /** From 0 up to, and not with, 1. */
  readonly next: () => number;
  /** A whole number from 0 up to, and not with, `below`. */
  readonly whole: (below: number) => number;
  readonly pick: <T>(list: readonly T[]) => T;
  /** Whether, so many times out of one. */
  readonly chance: (share: number) => boolean;
};

/** Numbers that follow from a seed. Source: the mulberry32 generator, in the public domain; from memory. */
export const seeded = (seed: number): Random => {
  let state = seed >>> 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
  const whole = (below: number): number => Math.floor(next() * below);
  return {
    next,
    whole,
    pick: (list) => list[whole(list.length)] as (typeof list)[number],
    chance: (share) => next() < share,
  };
};

/** What stands behind an option as a number, or what it is without one. */
export const numberOption = (option: string, usual: number): number => {
  const at = process.argv.indexOf(option);
  const given = at < 0 ? Number.NaN : Number(process.argv[at + 1]);
  return Number.isFinite(given) ? given : usual;
};
