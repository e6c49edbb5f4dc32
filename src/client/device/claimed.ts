import { z } from 'zod';
import { instantSchema } from '#core/bounds.ts';
import { type Person, personSchema } from '#core/people/person.ts';
import { type OwnStore, type Store, storeOf } from '../store.ts';

// Who has taken this device over where the site can't be reached. It is a claim, and outlives the tab: the site asks for the PIN once it answers.

const claimedSchema = z.strictObject({
  claimed: personSchema,
  by: personSchema,
  since: instantSchema,
  job: z.uuid(),
});
/** Who is said to be at this device, who said so and is signed in, since when, and in which job it stands. */
export type ClaimedHere = z.infer<typeof claimedSchema>;

const NAME = 'jentik-claimed';

const read = (): ClaimedHere | null => {
  try {
    const kept = claimedSchema.safeParse(JSON.parse(globalThis.localStorage?.getItem(NAME) ?? 'null'));
    return kept.success ? kept.data : null;
  } catch {
    return null;
  }
};

let store: OwnStore<ClaimedHere | null> | null = null;
const opened = (): OwnStore<ClaimedHere | null> => {
  store ??= storeOf(read());
  return store;
};

/** Who has taken this device over; null where nobody has. */
export const claimedHere: Store<ClaimedHere | null> = {
  snapshot: () => opened().snapshot(),
  subscribe: (listener) => opened().subscribe(listener),
};

/** Keeps that somebody takes this device over. A browser that keeps nothing knows it until its tab is closed. */
export const claimDevice = (claim: ClaimedHere): void => {
  try {
    globalThis.localStorage?.setItem(NAME, JSON.stringify(claim));
  } catch {
    // What was said of it is in the outbox all the same.
  }
  opened().change(claim);
};

/** Nobody has taken it over any more: the person who is signed in goes on, or another has signed in. */
export const releaseDevice = (): void => {
  try {
    globalThis.localStorage?.removeItem(NAME);
  } catch {
    // It was not kept either.
  }
  opened().change(null);
};

/** Who does what is done here: whoever took the device over from the person who is signed in, else that person. */
export const handsOf = (claim: ClaimedHere | null, person: Person): Person =>
  claim !== null && claim.by.id === person.id ? claim.claimed : person;
