import { z } from 'zod';
import { daySchema, typedText } from '../../bounds.ts';
import type { Shape } from '../../shape.ts';
import { placeSchema } from './requirement-source.ts';

/** What kind of document a source is, from the nearest to the part to the farthest. */
export const SOURCE_KINDS = [
  'label',
  'manual',
  'standard',
  'circular',
  'shop-instruction',
  'letter',
  'common-practice',
] as const;
export type SourceKind = (typeof SOURCE_KINDS)[number];

export const SOURCE_STATUSES = ['current', 'superseded', 'withdrawn'] as const;
export type SourceStatus = (typeof SOURCE_STATUSES)[number];

export const sourceSchema = z
  .strictObject({
    id: z.uuid(),
    title: typedText(120),
    kind: z.enum(SOURCE_KINDS),
    /** The document's number; empty where it has none. */
    number: z.string().trim().max(60),
    revision: z.string().trim().max(40),
    /** ISO day it is dated, or empty. */
    datedOn: z.union([daySchema, z.literal('')]),
    /** Where it is kept or found, such as "inside the door". */
    place: placeSchema,
    status: z.enum(SOURCE_STATUSES),
    /** The source that superseded it; null unless it is superseded by one in the book. */
    supersededBy: z.uuid().nullable(),
  })
  .meta({ id: 'Source' });
/** A document that demands something of a fastener. */
export type Source = Shape<typeof sourceSchema>;

/** A source as people name it: title, number, revision. */
export const sourceName = ({
  title,
  number,
  revision,
}: Pick<Source, 'title' | 'number' | 'revision'>): string =>
  [title, number, revision && `rev. ${revision}`].filter(Boolean).join(', ');
