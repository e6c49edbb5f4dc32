import { z } from 'zod';
import { hashSchema, instantSchema } from '#core/bounds.ts';
import { siteKeySchema } from '#core/ledger/site-key.ts';

// A backup is one gzipped file of JSON lines (docs/backup.md): a heading, then a section a table with its columns in the first line and a row in each
// further one, then an end that bears the hash of every line before it, signed with the site's key.

export const ARCHIVE = 'jentik-backup';
export const ARCHIVE_VERSION = 1;

export const headingSchema = z.strictObject({
  archive: z.literal(ARCHIVE),
  version: z.literal(ARCHIVE_VERSION),
  site: z.string(),
  madeAt: instantSchema,
  /** The migrations that had been applied, the last of which says what form the tables have. */
  migrations: z.array(z.string()).min(1),
  keys: z.array(siteKeySchema).min(1),
  publicKey: hashSchema,
});
export type Heading = z.infer<typeof headingSchema>;

export const sectionSchema = z.strictObject({
  section: z.string().regex(/^[a-z][a-z_]{0,63}$/),
  columns: z.array(z.string().regex(/^[a-z][a-z0-9_]{0,63}$/)).min(1),
  /** Columns whose values are bytes in base64. */
  bytes: z.array(z.string()),
});
export type Section = z.infer<typeof sectionSchema>;

export const endSchema = z.strictObject({
  end: z.literal(true),
  lines: z.int().positive(),
  rows: z.record(z.string(), z.int().nonnegative()),
  /** SHA-256 over every line before, each with its end of line. */
  sha256: hashSchema,
  signature: z.string().regex(/^[0-9a-f]{128}$/),
});
export type End = z.infer<typeof endSchema>;

/** What the signature of an archive is over. */
export const signedPart = ({ lines, rows, sha256 }: Pick<End, 'lines' | 'rows' | 'sha256'>): object => ({
  lines,
  rows,
  sha256,
});

/** The section of the witness file, which is no table. */
export const WITNESS_SECTION = 'witness_file';

/** The tables that hold facts, in the order in which they are restored. All others follow from them, or hold what need not outlive a machine: who is signed in,
 *  which process has what place. */
export const KEPT_TABLES = [
  'people',
  'tokens',
  'site',
  'sources',
  'attachments',
  'book_requirements',
  'book_requirement_revisions',
  'book_tables',
  'book_table_revisions',
  'site_log',
  'tool_events',
  'calibration_sessions',
  'adapters',
  'counters',
  'jobs',
  'events',
  'site_chain',
] as const;

/** What is in a database and in no backup, each because it follows from what is or is of one machine only. A table that is in neither list fails a test. */
export const UNKEPT_TABLES = [
  'invitations',
  'job_references',
  'known_devices',
  'part_events',
  'projections',
  'pull_counts',
  'pulls',
  'schema_begun',
  'schema_lock',
  'schema_migrations',
  'search_entries',
  'search_terms',
  'sessions',
  'site_sealer',
  'stranger_tries',
  'tools',
] as const;
