// How long whoever types wrong PINs waits. Two kinds of asker are told apart. A device on which that person has signed in before is slowed by itself and by nothing that
// anybody does elsewhere: so an outsider locks nobody out. A stranger is slowed at their address for that person, at their address over all people, and over all
// addresses for that person. A try that must wait is not read, so it costs nothing and counts nothing.

/** Wrong tries that were read, and when the last of them was, in milliseconds of the Unix epoch; null before the first. */
export type Tries = { readonly wrong: number; readonly lastAtMs: number | null };

/** What a stranger has tried: for this person at this address, for everybody at this address, and what this person has been asked by strangers anywhere. */
export type StrangerTries = { readonly here: Tries; readonly address: Tries; readonly person: Tries };

/** What comes of a try before it is read: how many seconds it must wait first, and how many wrong ones may still be read at once. */
export type Wait = { readonly seconds: number; readonly triesLeft: number };

const NEVER_TRIED: Tries = { wrong: 0, lastAtMs: null };

export { NEVER_TRIED };

const FIRST_WAIT_SECONDS = 60;
/** Wrong tries before the first wait: of one person on their device or at an address, and of everybody at an address. */
const FREE_HERE = 5;
const FREE_AT_ADDRESS = 15;
/** A person who comes back from lunch is not kept out of their own device for longer. */
const LONGEST_ON_DEVICE_SECONDS = 15 * 60;
/** So many wrong PINs on a device, and it is a stranger's. */
export const STRANGE_AFTER = 10;
/** What strangers may try for one person over all addresses before they wait, and how soon each of these tries is given back. */
const FREE_FOR_PERSON = 50;
const GIVEN_BACK_SECONDS = 4 * 60 * 60;

const secondsSince = ({ lastAtMs }: Tries, nowMs: number): number =>
  lastAtMs === null ? Number.POSITIVE_INFINITY : Math.max(0, (nowMs - lastAtMs) / 1000);

/** What still has to be waited after so many wrong tries, each doubling it. Departures: none is forgotten with time, so that patience finds no more than haste. */
const doubling = (tries: Tries, free: number, longestSeconds: number, nowMs: number): Wait => {
  const { wrong } = tries;
  if (wrong < free) return { seconds: 0, triesLeft: free - wrong };
  const asked = Math.min(FIRST_WAIT_SECONDS * 2 ** (wrong - free), longestSeconds);
  return { seconds: Math.max(0, Math.ceil(asked - secondsSince(tries, nowMs))), triesLeft: 1 };
};

/** What is left of the tries that strangers made for a person: one is forgotten every four hours. */
export const leftOver = (tries: Tries, nowMs: number): number =>
  tries.lastAtMs === null ? 0 : Math.max(0, tries.wrong - secondsSince(tries, nowMs) / GIVEN_BACK_SECONDS);

const leaking = (tries: Tries, nowMs: number): Wait => {
  const level = leftOver(tries, nowMs);
  const room = Math.floor(FREE_FOR_PERSON - level);
  return room >= 1
    ? { seconds: 0, triesLeft: room }
    : { seconds: Math.ceil((level - FREE_FOR_PERSON + 1) * GIVEN_BACK_SECONDS), triesLeft: 0 };
};

/** How long the next try waits on a device that a person has signed in on. */
export const waitOnDevice = (tries: Tries, nowMs: number): Wait =>
  doubling(tries, FREE_HERE, LONGEST_ON_DEVICE_SECONDS, nowMs);

/** How long the next try of a stranger waits: as long as the longest of the three. */
export const waitOfStranger = ({ here, address, person }: StrangerTries, nowMs: number): Wait => {
  const waits = [
    doubling(here, FREE_HERE, Number.MAX_SAFE_INTEGER, nowMs),
    doubling(address, FREE_AT_ADDRESS, Number.MAX_SAFE_INTEGER, nowMs),
    leaking(person, nowMs),
  ];
  return {
    seconds: Math.max(...waits.map(({ seconds }) => seconds)),
    triesLeft: Math.min(...waits.map(({ triesLeft }) => triesLeft)),
  };
};

/** The tries after one more wrong one. */
export const triedWrong = ({ wrong }: Tries, nowMs: number): Tries => ({
  wrong: wrong + 1,
  lastAtMs: nowMs,
});
