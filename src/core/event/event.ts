import { z } from 'zod';
import {
  chainShape,
  type EventBase,
  type EventClock,
  eventBaseShape,
  eventClockSchema,
  type Placing,
} from '../job/happened.ts';
import type { JobPlan } from '../job/plan.ts';
import { jobPlanned } from './kinds/job-planned.ts';
import { EVENT_KINDS } from './kinds.ts';

/** Version of the event form that is written; older ones are lifted to it, step by step, wherever they are read. */
export const EVENT_SCHEMA_VERSION = 3;

type Kinds = typeof EVENT_KINDS;
type BodyOf<K extends keyof Kinds> = Kinds[K]['body'] extends z.ZodType<infer B> ? B : never;

/** What can happen to a job. */
export type JobHappening =
  | { readonly kind: 'job-planned'; readonly body: JobPlan }
  | { [K in keyof Kinds]: { readonly kind: K; readonly body: BodyOf<K> } }[keyof Kinds];

/** An event before the server has placed it in the chain. */
export type UnplacedEvent = EventBase & JobHappening;

/** The events of one kind. */
export type EventOf<K extends JobHappening['kind']> = Extract<UnplacedEvent, { readonly kind: K }>;

/** An event in its place in the job's chain. `clock` is null where the form it was written in did not say. */
export type JobEvent = UnplacedEvent & Omit<Placing, 'clock'> & { readonly clock: EventClock | null };

/** An event from who, when and what; the id and the time come from where it happened. */
export const unplacedEvent = (
  at: Omit<EventBase, 'schemaVersion'>,
  happening: JobHappening,
): UnplacedEvent => ({ schemaVersion: EVENT_SCHEMA_VERSION, ...at, ...happening });

const withShape = <S extends z.core.$ZodShape>(shape: S) => {
  const form = (kind: JobHappening['kind'], body: z.ZodType) =>
    z.strictObject({
      schemaVersion: z.literal(EVENT_SCHEMA_VERSION),
      ...eventBaseShape,
      ...shape,
      kind: z.literal(kind),
      body,
    });
  const others = Object.values(EVENT_KINDS).map(({ kind, body }) => form(kind, body));
  return z.discriminatedUnion('kind', [form(jobPlanned.kind, jobPlanned.body), ...others]);
};

/** An event as a device sends it. */
export const unplacedEventSchema = withShape({}).meta({ id: 'UnplacedEvent' });

/** An event in its place in the chain, in the one order of its keys. */
export const jobEventSchema = withShape({ clock: eventClockSchema, ...chainShape }).meta({ id: 'JobEvent' });
