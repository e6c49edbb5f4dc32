import { z } from 'zod';
import { hashSchema, instantSchema } from '../bounds.ts';
import { type Person, personSchema } from '../people/person.ts';

export const CLOCK_FINDINGS = ['before-sign-in', 'after-receipt'] as const;

/** What the site knows of the time an event happened at. */
export type EventClock = {
  /** Which browser it came from; null where it did not say. */
  readonly device: string | null;
  /** How much the site's clock was ahead of the device's when it was received, in milliseconds; null where the device did not say. */
  readonly offsetMilliseconds: number | null;
  /** When it happened by the site's clock: what a decision that hangs on a date uses. */
  readonly correctedTime: string;
  /** Why the corrected time can't be true, so that the receipt's time stands in for it; null where it can. */
  readonly finding: (typeof CLOCK_FINDINGS)[number] | null;
};

export const eventClockSchema = z.strictObject({
  device: z.uuid().nullable(),
  offsetMilliseconds: z.int().nullable(),
  correctedTime: instantSchema,
  finding: z.enum(CLOCK_FINDINGS).nullable(),
}) satisfies z.ZodType<EventClock>;

/** What every event says beside its body. */
export type EventBase = {
  readonly schemaVersion: number;
  /** UUIDv7 (RFC 9562), made where it happened. */
  readonly id: string;
  readonly job: string;
  /** ISO 8601 UTC instant by the device's clock. */
  readonly deviceTime: string;
  readonly person: Person;
};

/** What the site adds when it places an event in the job's chain. */
export type Placing = {
  readonly clock: EventClock;
  /** Counts from 1 within the job. */
  readonly sequence: number;
  readonly serverTime: string;
  readonly previousHash: string;
  readonly hash: string;
};

/** An event with a body: what `apply` is given. `clock` is null in an event of a form that did not say, left out in one not yet placed. */
export type Happened<B> = EventBase & { readonly body: B; readonly clock?: EventClock | null };

export const eventBaseShape = {
  id: z.uuid(),
  job: z.uuid(),
  deviceTime: instantSchema,
  person: personSchema,
} as const;

export const chainShape = {
  sequence: z.int().positive(),
  serverTime: instantSchema,
  previousHash: hashSchema,
  hash: hashSchema,
} as const;

/** Who did something, when, and by which event: what stands beside whatever is shown of one. */
export type By = { readonly eventId: string; readonly person: Person; readonly at: string };

/** When an event happened, as well as it is known: the site's corrected time, else the device's own. */
export const happenedAt = ({ clock, deviceTime }: Pick<Happened<unknown>, 'clock' | 'deviceTime'>): string =>
  clock?.correctedTime ?? deviceTime;
