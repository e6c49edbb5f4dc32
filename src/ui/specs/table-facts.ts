import { z } from 'zod';
import { lookupTableSchema } from '#core/spec/lookup/lookup-table.ts';
import type { KeptTable } from '#wire/book.ts';

const { name, subject, madeForMaterial, mayInterpolate } = lookupTableSchema.shape;

/** What a person says of a table beside its cells; a change of one that is in the book says why. */
export const tableFactsSchema = (isChange: boolean) =>
  z.object({
    name,
    subject,
    madeForMaterial,
    mayInterpolate,
    sourceId: z.uuid('Choose the document it is printed in.'),
    place: z.string().trim().max(120),
    why: isChange ? z.string().trim().min(1).max(300) : z.string().trim().max(300),
  });
export type TableFactsSaid = z.output<ReturnType<typeof tableFactsSchema>>;
type TableFactsDraft = z.input<ReturnType<typeof tableFactsSchema>>;

/** What is said of a table that is kept; of a new one nothing. */
export const tableFacts = (kept: KeptTable | null): TableFactsDraft => ({
  name: kept?.body.name ?? '',
  subject: kept?.body.subject ?? '',
  madeForMaterial: kept?.body.madeForMaterial ?? '',
  mayInterpolate: kept?.body.mayInterpolate ?? false,
  sourceId: kept?.sourceId ?? '',
  place: kept?.place ?? '',
  why: '',
});
