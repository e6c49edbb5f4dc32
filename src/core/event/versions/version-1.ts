import { z } from 'zod';
import { instantSchema, positionSchema } from '../../bounds.ts';
import { chainShape } from '../../job/happened.ts';
import { PULL_METHODS } from '../../job/pull.ts';
import { SIGNATURE_MEANINGS } from '../../job/signature.ts';
import { personSchema } from '../../people/person.ts';
import { writtenTorqueSchema } from '../../quantity/torque.ts';
import { BEFORE_GROUPS } from './before-groups.ts';
import { planSchema2 } from './plan-2.ts';

// The form of events as of the first record. What it shares with the newest form is taken from there; a golden record fails when a change
// to that would change this.

const torqueSchema = z.number().nonnegative().max(1e6);

const pullSchema = z.strictObject({
  position: positionSchema,
  pass: z.int().min(1).max(100),
  method: z.enum(PULL_METHODS),
  toolId: z.uuid().nullable(),
  setting: writtenTorqueSchema.nullable(),
  reading: writtenTorqueSchema.nullable(),
  readingStands: z.boolean(),
  targetNewtonMetres: torqueSchema,
  lowNewtonMetres: torqueSchema,
  highNewtonMetres: torqueSchema,
  torqueNewtonMetres: torqueSchema.nullable(),
  standardUncertaintyNewtonMetres: torqueSchema.nullable(),
  outcome: z.enum(['in', 'low', 'high', 'too-close', 'by-feel']),
  probability: z.number().min(0).max(1).nullable(),
});

const HAPPENINGS = [
  ['job-planned', planSchema2.omit({ rules: true }).strict()],
  ...BEFORE_GROUPS,
  ['pull-made', pullSchema],
  ['job-signed', z.strictObject({ meaning: z.enum(SIGNATURE_MEANINGS) })],
] as const satisfies readonly (readonly [string, z.ZodType])[];

const base = {
  schemaVersion: z.literal(1),
  id: z.uuid(),
  job: z.uuid(),
  deviceTime: instantSchema,
  person: personSchema,
};

const union = <S extends z.core.$ZodShape>(shape: S) => {
  const form = ([kind, body]: readonly [string, z.ZodType]) =>
    z.strictObject({ ...shape, kind: z.literal(kind), body });
  const [planned, ...others] = HAPPENINGS;
  return z.discriminatedUnion('kind', [form(planned), ...others.map(form)]);
};

/** An event of version 1 as a device sends it: one that waited in an outbox while the site was brought up to date. */
export const unplacedEventSchema1 = union(base).meta({ id: 'UnplacedEvent1' });

/** An event of version 1 in its place in the chain, in the one order of its keys. */
export const jobEventSchema1 = union({ ...base, ...chainShape }).meta({ id: 'JobEvent1' });

type Body = Readonly<Record<string, unknown>>;

/** What version 2 says that version 1 did not, by kind: null where it was not said. Rules 1 are what version 1 was judged by. */
const LIFTED_BODIES: Readonly<Record<string, (body: Body) => Body>> = {
  'job-planned': (body) => ({ rules: 1, ...body }),
  'pull-made': (body) => ({
    ...body,
    seenPulls: null,
    rules: 1,
    knownErrorPercent: null,
    shown: null,
    objections: null,
  }),
  'job-signed': (body) => ({ ...body, head: null, madeNoPull: null }),
};

/** An event of version 1 in the form of version 2. What was not said then is null; the hash stays that of the bytes as they were. */
export const liftedFrom1 = <E extends { readonly kind: string; readonly body: unknown }>(event: E): E => {
  const body = LIFTED_BODIES[event.kind]?.(event.body as Body) ?? event.body;
  return { ...event, schemaVersion: 2, clock: null, body };
};
