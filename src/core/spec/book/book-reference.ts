import { z } from 'zod';
import { typedText, whySchema } from '../../bounds.ts';
import { type Conditions, conditionsSchema } from '../requirement/conditions.ts';
import { type BookRequirement, otherPartSchema } from './book-requirement.ts';
import { type RequirementSource, requirementSourceSchema } from './requirement-source.ts';

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
