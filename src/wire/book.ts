import { z } from 'zod';
import { instantSchema } from '#core/bounds.ts';
import { MIX_UPS } from '#core/quantity/mix-up.ts';
import { bookReferenceSchema } from '#core/spec/book/book-reference.ts';
import { bookRequirementSchema, printedTorqueSchema } from '#core/spec/book/book-requirement.ts';
import { placeSchema } from '#core/spec/book/requirement-source.ts';
import { SOURCE_STATUSES, sourceSchema } from '#core/spec/book/source.ts';
import { lookupTableSchema } from '#core/spec/lookup/lookup-table.ts';
import type { DeepReadonly } from './operation.ts';

/** A source as a person describes it; new ones are current. */
export const newSourceSchema = sourceSchema.omit({ id: true, status: true, supersededBy: true });
export type NewSource = DeepReadonly<z.infer<typeof newSourceSchema>>;

const revised = {
  id: z.uuid(),
  revision: z.int().positive(),
  sourceId: z.uuid(),
  /** Withdrawn ones stay in the book, and in the jobs that used them. */
  isWithdrawn: z.boolean(),
  changedBy: z.string(),
  changedAt: instantSchema,
  why: z.string(),
};

/** A requirement of the book at one of its revisions. `code` is what people call it: R-12. */
export const keptRequirementSchema = z.strictObject({
  ...revised,
  code: z.string(),
  body: bookRequirementSchema,
});
export type KeptRequirement = DeepReadonly<z.infer<typeof keptRequirementSchema>>;

export const keptTableSchema = z.strictObject({ ...revised, place: placeSchema, body: lookupTableSchema });
export type KeptTable = DeepReadonly<z.infer<typeof keptTableSchema>>;

/** A requirement as a person writes it: `basedOn` is the revision that was being read, null for a new one. */
export const requirementDraftSchema = z.strictObject({
  id: z.uuid(),
  basedOn: z.int().positive().nullable(),
  sourceId: z.uuid(),
  isWithdrawn: z.boolean(),
  why: z.string().trim().max(300),
  body: bookRequirementSchema,
});
export type RequirementDraft = DeepReadonly<z.infer<typeof requirementDraftSchema>>;

export const tableDraftSchema = z.strictObject({
  ...requirementDraftSchema.shape,
  place: placeSchema,
  body: lookupTableSchema,
});
export type TableDraft = DeepReadonly<z.infer<typeof tableDraftSchema>>;

/** A job that rests on something in the book, at which revision, and whether it is still open. */
export const dependentJobSchema = z.strictObject({
  id: z.uuid(),
  number: z.string(),
  title: z.string(),
  isOpen: z.boolean(),
  revision: z.int().positive(),
  refId: z.uuid(),
  fasteners: z.int(),
});
export type DependentJob = DeepReadonly<z.infer<typeof dependentJobSchema>>;

export const SEARCH_KINDS = ['requirement', 'table-row', 'source', 'tool', 'job'] as const;

/** What a search found: what it is, and where to open it. */
export const searchHitSchema = z.strictObject({
  kind: z.enum(SEARCH_KINDS),
  refId: z.uuid(),
  /** Row of a table, counted from 0; 0 for everything else. */
  row: z.int().nonnegative(),
  title: z.string(),
  detail: z.string(),
});
export type SearchHit = DeepReadonly<z.infer<typeof searchHitSchema>>;

export const conflictSchema = z.strictObject({
  /** What both are for, as the first prints it. */
  subject: z.string(),
  /** Whether one source says both: `first` as it was settled, `other` the same requirement with what it prints beside. */
  isWithinOneSource: z.boolean(),
  first: keptRequirementSchema,
  other: keptRequirementSchema,
  /** The row of a table that a side is, counted from 0; null for a requirement. The side's id is then the table's. */
  firstRow: z.int().nonnegative().nullable(),
  otherRow: z.int().nonnegative().nullable(),
  firstNewtonMetres: z.number().nullable(),
  otherNewtonMetres: z.number().nullable(),
  differencePercent: z.number().nullable(),
  likely: z.array(
    z.strictObject({
      mixUp: z.enum(MIX_UPS),
      factor: z.number(),
      direction: z.enum(['too-high', 'too-low']),
    }),
  ),
  /** The last decision between these two revisions; null while nobody has decided. */
  decision: z
    .strictObject({
      chosen: z.uuid(),
      chosenRow: z.int().nonnegative().nullable(),
      why: z.string(),
      by: z.string(),
      at: instantSchema,
    })
    .nullable(),
});
export type BookConflict = DeepReadonly<z.infer<typeof conflictSchema>>;

/** What deciding for one of two would do to a job that uses the other. */
export const conflictEffectSchema = z.strictObject({
  job: dependentJobSchema,
  would: z.uuid(),
  pulled: z.int(),
  changed: z.array(z.strictObject({ position: z.string(), was: z.string(), would: z.string() })),
});
export type ConflictEffect = DeepReadonly<z.infer<typeof conflictEffectSchema>>;

export const logEntrySchema = z.strictObject({
  at: instantSchema,
  by: z.string(),
  kind: z.string(),
  subject: z.string(),
  why: z.string(),
  body: z.unknown(),
});
export type LogEntry = DeepReadonly<z.infer<typeof logEntrySchema>>;

/** What has become, in the book, of something a job rests on: only where it is not as it was. */
export const bookNewsSchema = z.strictObject({
  kind: z.enum(['requirement', 'table']),
  refId: z.uuid(),
  code: z.string(),
  usedRevision: z.int(),
  newestRevision: z.int(),
  usedPrint: z.string(),
  newestPrint: z.string(),
  isWithdrawn: z.boolean(),
  sourceTitle: z.string(),
  sourceStatus: z.enum(SOURCE_STATUSES),
  positions: z.array(z.string()),
  /** What the fasteners would be moved to; null where nothing in force takes its place. */
  fromBook: z.strictObject({ torque: printedTorqueSchema, book: bookReferenceSchema }).nullable(),
});
export type BookNews = DeepReadonly<z.infer<typeof bookNewsSchema>>;
