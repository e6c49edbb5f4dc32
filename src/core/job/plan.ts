import { z } from 'zod';
import { type BookRequirement, otherPartSchema, printedTorqueSchema } from '../book/book-requirement.ts';
import { positionSchema, typedText, whySchema } from '../bounds.ts';
import { LIST_MAX_ROWS } from '../list/delimited-table.ts';
import { type Conditions, conditionsSchema } from '../requirement/conditions.ts';
import type { Requirement } from '../requirement/requirement.ts';
import { type Schools, schoolsSchema } from '../target/schools.ts';
import { type TorqueUnit, torqueUnitSchema } from '../torque/unit.ts';
import { JOB_KINDS, type JobKind } from './cautions.ts';

export const DRIVES = ['slot', 'cross', 'hex-socket', 'square', 'lobed', 'hex-head'] as const;
/** What the bit or socket engages. */
export type Drive = (typeof DRIVES)[number];

/** Where the requirements were found: the document, its revision, and the place in it. */
export type RequirementSource = {
  readonly title: string;
  readonly revision: string;
  readonly place: string;
};

/** A requirement or a table row of the spec book, at the revision that was used. It stays with the job whatever becomes of the book. */
export type BookReference = {
  readonly kind: 'requirement' | 'table';
  readonly id: string;
  /** `R-12`, or the table's name. */
  readonly code: string;
  readonly revision: number;
  readonly sourceId: string;
  readonly source: RequirementSource;
  readonly otherPart: BookRequirement['otherPart'];
  readonly conditions: Conditions;
  readonly isPartSofter: boolean;
  /** The decision for this requirement where sources disagree; null where none was needed or made. */
  readonly decided: { readonly why: string; readonly by: string } | null;
};

/** A requirement on the job: as printed, and as a person settled it where the print was in doubt. */
export type PlannedRequirement = {
  readonly printed: string;
  /** What a person read it as; null when the print speaks for itself. */
  readonly readAs: string | null;
  readonly requirement: Requirement;
  /** What the spec book said when it was taken from there; null where it stands only in the job's own list. */
  readonly book: BookReference | null;
};

export type PlannedFastener = {
  readonly position: string;
  readonly label: string;
  readonly xMm: number;
  readonly yMm: number;
  readonly conductor: string;
  readonly drive: Drive;
  /** Whether the list named no drive and a slot was assumed. */
  readonly driveAssumed: boolean;
  readonly requirement: PlannedRequirement;
};

export type JobPlan = {
  /** The number of the rules it is judged by until a lead moves it to others. */
  readonly rules: number;
  readonly number: string;
  readonly title: string;
  /** From where the drawing is seen, such as "from the door". */
  readonly seenFrom: string;
  readonly jobKind: JobKind;
  readonly source: RequirementSource;
  readonly siteUnit: TorqueUnit;
  readonly schools: Schools;
  /** In the order they are to be tightened. */
  readonly fasteners: readonly PlannedFastener[];
};

const COORDINATE_MAX_MM = 100_000;
/** A place within a document. */
export const placeSchema = z.string().trim().max(120);

/** Where a value was found: the document, its revision, and the place in it. */
export const requirementSourceSchema = z.strictObject({
  title: typedText(120),
  revision: z.string().trim().max(40),
  place: placeSchema,
});

/** A requirement of the book or a row of a table, at the revision a job used. */
export const bookReferenceSchema = z
  .strictObject({
    kind: z.enum(['requirement', 'table']),
    id: z.uuid(),
    code: typedText(120),
    revision: z.int().positive(),
    sourceId: z.uuid(),
    source: requirementSourceSchema,
    otherPart: otherPartSchema.nullable(),
    conditions: conditionsSchema,
    isPartSofter: z.boolean(),
    decided: z.strictObject({ why: whySchema, by: typedText(60) }).nullable(),
  })
  .meta({ id: 'BookReference' }) satisfies z.ZodType<BookReference>;

export const plannedRequirementSchema = z.strictObject({
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

/** The number of a set of rules. */
export const rulesNumberSchema = z.int().positive().max(1000);

export const jobPlanSchema = z
  .strictObject({
    rules: rulesNumberSchema,
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
