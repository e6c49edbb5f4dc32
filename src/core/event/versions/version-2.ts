import { z } from 'zod';
import { positionSchema, whySchema } from '../../bounds.ts';
import { checkBodySchema } from '../../job/check.ts';
import { chainShape, eventBaseShape, eventClockSchema } from '../../job/happened.ts';
import { rulesNumberSchema } from '../../job/plan.ts';
import { judgementSchema, PULL_METHODS } from '../../job/pull.ts';
import { recallBodySchema } from '../../job/recall-note.ts';
import { signatureBodySchema } from '../../job/signature.ts';
import { writtenTorqueSchema } from '../../quantity/torque.ts';
import type { Shape } from '../../shape.ts';
import { BEFORE_GROUPS, type toolChosenSchema2 } from './before-groups.ts';
import { groupedPlan, planSchema2 } from './plan-2.ts';

// The form of events before plans had groups. What it shares with the newest form is taken from there; a golden record fails when a change to
// that would change this.

const OUTCOMES_2 = ['in', 'low', 'high', 'too-close', 'by-feel', 'no-verdict'] as const;
const OBJECTIONS_2 = [
  'job-signed',
  'cautions-incomplete',
  'loosen-first',
  'run-on-missing',
  'no-target',
  'tool-not-chosen',
  'tool-blocked',
  'outside-usable-band',
  'setting-differs',
  'mix-up-question',
  'pulled-meanwhile',
] as const;

const judgementSchema2 = judgementSchema.extend({ outcome: z.enum(OUTCOMES_2) });

const pullSchema2 = z.strictObject({
  position: positionSchema,
  pass: z.int().min(1).max(100),
  method: z.enum(PULL_METHODS),
  toolId: z.uuid().nullable(),
  setting: writtenTorqueSchema.nullable(),
  reading: writtenTorqueSchema.nullable(),
  readingStands: z.boolean(),
  seenPulls: z.int().nonnegative().max(10_000).nullable(),
  ...judgementSchema2.shape,
  shown: judgementSchema2.nullable(),
  objections: z
    .array(z.strictObject({ code: z.enum(OBJECTIONS_2), about: z.string().max(120) }))
    .max(OBJECTIONS_2.length)
    .nullable(),
});

const differingSchema2 = z.strictObject({
  position: positionSchema,
  pullId: z.uuid(),
  was: z.enum(OUTCOMES_2),
  would: z.enum(OUTCOMES_2),
});

const HAPPENINGS_2 = [
  ...BEFORE_GROUPS,
  ['pull-made', pullSchema2],
  ['job-signed', signatureBodySchema],
  [
    'rules-moved',
    z.strictObject({
      from: rulesNumberSchema,
      to: rulesNumberSchema,
      why: whySchema,
      differing: z.array(differingSchema2).max(2000),
    }),
  ],
  ['fastener-checked', checkBodySchema],
  ['recall-noted', recallBodySchema],
] as const satisfies readonly (readonly [string, z.ZodType])[];

const union = <S extends z.core.$ZodShape>(shape: S) => {
  const form = (kind: string, body: z.ZodType) =>
    z.strictObject({
      schemaVersion: z.literal(2),
      ...eventBaseShape,
      ...shape,
      kind: z.literal(kind),
      body,
    });
  return z.discriminatedUnion('kind', [
    form('job-planned', planSchema2),
    ...HAPPENINGS_2.map(([kind, body]) => form(kind, body)),
  ]);
};

/** An event of version 2 as a device sends it: one that waited in an outbox while the site was brought up to date. */
export const unplacedEventSchema2 = union({}).meta({ id: 'UnplacedEvent2' });

/** An event of version 2 in its place in the chain. */
export const jobEventSchema2 = union({ clock: eventClockSchema, ...chainShape }).meta({ id: 'JobEvent2' });

type Lifts = Readonly<Record<string, (body: never) => unknown>>;

/** What version 3 says that version 2 did not, by kind. A tool was taken for all there is and instead of what was at hand; nobody said whether a
 *  fastener moved. */
const LIFTED_BODIES: Lifts = {
  'job-planned': groupedPlan,
  'tool-chosen': (body: Shape<typeof toolChosenSchema2>) => ({ ...body, groups: null, isBeside: false }),
  'pull-made': (body: Shape<typeof pullSchema2>) => ({ ...body, moved: null }),
};

/** An event of version 2 in the form of version 3. The hash stays that of the bytes as they were. */
export const liftedFrom2 = <E extends { readonly kind: string; readonly body: unknown }>(event: E): E => ({
  ...event,
  schemaVersion: 3,
  body: LIFTED_BODIES[event.kind]?.(event.body as never) ?? event.body,
});
