import {
  leftOver,
  NEVER_TRIED,
  STRANGE_AFTER,
  type Tries,
  triedWrong,
  waitOfStranger,
  waitOnDevice,
} from '#core/people/guessing.ts';
import { seeded } from '../campaign/seeded.ts';

// How far somebody comes who types wrong PINs, by a simulated clock and the very functions that the site asks: 100,000 tries from one address over all people, at
// paces from all at once to one a day for 274 years; and the same with ten thousand addresses.

const TRIES = 100_000;
const PEOPLE = 6;
const SIX_DIGITS = 1e6;
const SECOND = 1_000;
const DAY = 86_400 * SECOND;
/** A pace: a try every so often; null for one who tries each time at the very moment at which it is read, for a hundred years. */
const HUNDRED_YEARS_MS = 36_525 * DAY;
export const PACES: readonly (readonly [words: string, everyMs: number | null])[] = [
  ['all at once', 0],
  ['a thousand a second', 1],
  ['one a second', SECOND],
  ['one a minute', 60 * SECOND],
  ['one an hour', 3_600 * SECOND],
  ['ten a day', DAY / 10],
  ['one a day', DAY],
  ['whenever it is read', null],
];

type Place = { here: Tries[]; address: Tries };
const newPlace = (): Place => ({
  here: Array.from({ length: PEOPLE }, () => NEVER_TRIED),
  address: NEVER_TRIED,
});

/** What came of an attack: how many of its tries were read, and how many seconds an honest person waits, on a new device elsewhere and on their own. */
type Outcome = { readonly read: number; readonly newDevice: number; readonly ownDevice: number };

/** Somebody tries again and again, at so many addresses by turns, over all people by turns, each as soon as it is read. */
export const attacked = (everyMs: number | null, addresses: number): Outcome => {
  const places = Array.from({ length: addresses }, newPlace);
  const people: Tries[] = Array.from({ length: PEOPLE }, () => NEVER_TRIED);
  let read = 0;
  let nowMs = 0;
  for (let count = 0; count < TRIES && nowMs <= HUNDRED_YEARS_MS * 3; count += 1) {
    const place = places[count % addresses] as Place;
    const who = Math.floor(count / addresses) % PEOPLE;
    const person = people[who] as Tries;
    const here = place.here[who] as Tries;
    if (everyMs !== null) nowMs = count * everyMs;
    const { seconds } = waitOfStranger({ here, address: place.address, person }, nowMs);
    if (everyMs === null) nowMs += seconds * SECOND;
    if (everyMs === null ? nowMs > HUNDRED_YEARS_MS : seconds > 0) continue;
    read += 1;
    place.here[who] = triedWrong(here, nowMs);
    place.address = triedWrong(place.address, nowMs);
    people[who] = { wrong: leftOver(person, nowMs) + 1, lastAtMs: nowMs };
  }
  const endMs = everyMs === null ? Math.min(nowMs, HUNDRED_YEARS_MS) : TRIES * everyMs;
  const elsewhere = (person: Tries) =>
    waitOfStranger({ here: NEVER_TRIED, address: NEVER_TRIED, person }, endMs);
  return {
    read,
    newDevice: Math.max(...people.map((person) => elsewhere(person).seconds)),
    ownDevice: waitOnDevice(NEVER_TRIED, endMs).seconds,
  };
};

/** How many of so many sites, each with people of random PINs, lose one to so many tries of PINs that were not tried before. */
const sitesLost = (read: number): number => {
  const random = seeded(1);
  const SITES = 10_000;
  let lost = 0;
  for (let site = 0; site < SITES; site += 1) {
    // Of each person a share of the tries; each of them is right with one in a million.
    const isFound = Array.from({ length: PEOPLE }).some(() => random.whole(SIX_DIGITS) < read / PEOPLE);
    if (isFound) lost += 1;
  }
  return lost;
};

const print = (words: string, { read, newDevice, ownDevice }: Outcome): void =>
  console.log(
    `  ${words.padEnd(22)}${String(read).padStart(8)} read${((read / SIX_DIGITS) * 100).toFixed(4).padStart(10)} %${String(newDevice).padStart(12)} s${String(ownDevice).padStart(8)} s`,
  );

/** How many of 100,000 wrong PINs are read, how likely one of six digits is found, and who is kept waiting. */
export const benchGuessing = async (): Promise<void> => {
  const head = `  ${'pace'.padEnd(22)}${'of 100,000'.padStart(13)}${'a PIN found'.padStart(12)}${'new device'.padStart(14)}${'own'.padStart(9)}`;
  console.log(`From one address, over ${PEOPLE} people by turns:\n${head}`);
  let most = 0;
  for (const [words, everyMs] of PACES) {
    const outcome = attacked(everyMs, 1);
    most = Math.max(most, outcome.read);
    print(words, outcome);
  }
  console.log(
    `  the most that was read, against 10,000 sites of ${PEOPLE} random PINs: ${sitesLost(most)} lose one`,
  );
  console.log(`From 10,000 addresses by turns:\n${head}`);
  for (const [words, everyMs] of PACES) print(words, attacked(everyMs, 10_000));
  const onDevice = Array.from(
    { length: STRANGE_AFTER },
    (_, wrong) => waitOnDevice({ wrong, lastAtMs: 0 }, 0).seconds,
  );
  console.log(
    `On a person's own device: ${STRANGE_AFTER} are read, waiting ${onDevice.join(', ')} s; then it is a stranger's.`,
  );
};
