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

/** A document that demands something of a fastener. */
export type Source = {
  readonly id: string;
  readonly title: string;
  readonly kind: SourceKind;
  /** The document's number; empty where it has none. */
  readonly number: string;
  readonly revision: string;
  /** ISO day it is dated, or empty. */
  readonly datedOn: string;
  /** Where it is kept or found, such as "inside the door". */
  readonly place: string;
  readonly status: SourceStatus;
  /** The source that superseded it; null unless it is superseded by one in the book. */
  readonly supersededBy: string | null;
};

/** A source as people name it: title, number, revision. */
export const sourceName = ({
  title,
  number,
  revision,
}: Pick<Source, 'title' | 'number' | 'revision'>): string =>
  [title, number, revision && `rev. ${revision}`].filter(Boolean).join(', ');
