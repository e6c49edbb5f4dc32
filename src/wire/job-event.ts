import { z } from 'zod';
import { CAUTION_IDS, JOB_KINDS } from '#core/job/cautions.ts';
import {
  DRIVES,
  EVENT_SCHEMA_VERSION,
  type JobEvent,
  type JobPlan,
  type PlannedRequirement,
  PULL_METHODS,
  type PullBody,
  SIGNATURE_MEANINGS,
  type UnplacedEvent,
} from '#core/job/event.ts';
import { LIST_MAX_ROWS } from '#core/list/delimited-table.ts';
import { bookReferenceSchema, printedTorqueSchema, requirementSourceSchema, whySchema } from './book.ts';
import { personSchema } from './person.ts';
import { instantSchema, torqueUnitSchema, typedText, writtenTorqueSchema } from './quantity.ts';

import { schoolsSchema } from './schools.ts';
import { mountedAdapterSchema, toolBlockSchema, toolSchema } from './tool.ts';

const COORDINATE_MAX_MM = 100_000;
const positionSchema = typedText(40);
const hashSchema = z.string().regex(/^[0-9a-f]{64}$/);

const plannedRequirementSchema = z.strictObject({
  ...printedTorqueSchema.shape,
  book: bookReferenceSchema.nullable(),
}) satisfies z.ZodType<PlannedRequirement>;

export const plannedFastenerSchema = z.strictObject({
  position: positionSchema,
  label: z.string().trim().max(120),
  xMm: z.number().min(-COORDINATE_MAX_MM).max(COORDINATE_MAX_MM),
  yMm: z.number().min(-COORDINATE_MAX_MM).max(COORDINATE_MAX_MM),
  conductor: z.string().trim().max(60),
  drive: z.enum(DRIVES),
  driveAssumed: z.boolean(),
  requirement: plannedRequirementSchema,
});

export const jobPlanSchema = z
  .strictObject({
    number: typedText(12),
    title: typedText(120),
    seenFrom: typedText(60),
    jobKind: z.enum(JOB_KINDS),
    source: requirementSourceSchema,
    siteUnit: torqueUnitSchema,
    schools: schoolsSchema,
    fasteners: z.array(plannedFastenerSchema).min(1).max(LIST_MAX_ROWS),
  })
  .meta({ id: 'JobPlan' }) satisfies z.ZodType<JobPlan>;

const torqueSchema = z.number().nonnegative().max(1e6);

const pullBodySchema = z.strictObject({
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
}) satisfies z.ZodType<PullBody>;

const unplaced = {
  schemaVersion: z.literal(EVENT_SCHEMA_VERSION),
  id: z.uuid(),
  job: z.uuid(),
  deviceTime: instantSchema,
  person: personSchema,
};

const placed = {
  ...unplaced,
  sequence: z.int().positive(),
  serverTime: instantSchema,
  previousHash: hashSchema,
  hash: hashSchema,
};

const atPosition = z.strictObject({ position: positionSchema });
const why = z.strictObject({ why: whySchema });

const happenings = [
  { kind: 'job-planned', body: jobPlanSchema },
  {
    kind: 'tool-chosen',
    body: z.strictObject({
      tool: toolSchema,
      adapters: z.array(mountedAdapterSchema).max(6),
      blocks: z.array(toolBlockSchema).max(6),
      override: whySchema.nullable(),
    }),
  },
  {
    kind: 'cautions-confirmed',
    body: z.strictObject({ cautions: z.array(z.enum(CAUTION_IDS)).max(CAUTION_IDS.length) }),
  },
  { kind: 'tool-set', body: z.strictObject({ toolId: z.uuid(), setting: writtenTorqueSchema }) },
  { kind: 'pull-made', body: pullBodySchema },
  { kind: 'pull-voided', body: z.strictObject({ pullId: z.uuid(), why: whySchema }) },
  { kind: 'fastener-loosened', body: atPosition },
  { kind: 'witness-marked', body: atPosition },
  { kind: 'left-open', body: z.strictObject({ position: positionSchema, why: whySchema }) },
  {
    kind: 'requirement-moved',
    body: z.strictObject({ position: positionSchema, requirement: plannedRequirementSchema, why: whySchema }),
  },
  {
    kind: 'run-on-measured',
    body: z.strictObject({ position: positionSchema, torque: writtenTorqueSchema }),
  },
  { kind: 'job-signed', body: z.strictObject({ meaning: z.enum(SIGNATURE_MEANINGS) }) },
  { kind: 'job-reopened', body: why },
] as const;

type Happening = (typeof happenings)[number];
const withBase = <B extends z.core.$ZodShape>(base: B) =>
  happenings.map(({ kind, body }: Happening) =>
    z.strictObject({ ...base, kind: z.literal(kind), body }),
  ) as unknown as [z.ZodObject<{ kind: z.ZodLiteral }>, ...z.ZodObject<{ kind: z.ZodLiteral }>[]];

/** An event as a device sends it. */
export const unplacedEventSchema = z
  .discriminatedUnion('kind', withBase(unplaced))
  .meta({ id: 'UnplacedEvent' }) as unknown as z.ZodType<UnplacedEvent>;

/** An event in its place in the chain. */
export const jobEventSchema = z
  .discriminatedUnion('kind', withBase(placed))
  .meta({ id: 'JobEvent' }) as unknown as z.ZodType<JobEvent>;
