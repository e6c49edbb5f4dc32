import { z } from 'zod';
import { instantSchema } from '#core/bounds.ts';

/** What the log says how it was left. */
export const STATED_THINGS = ['person', 'source', 'adapter', 'site', 'tool', 'requirement', 'table'] as const;
export type StatedThing = (typeof STATED_THINGS)[number];

const jobAt = { job: z.string(), number: z.int().nonnegative(), sequence: z.int() };

/** Something that is not as it was witnessed, chained or written down, with the exact place. */
export const ledgerFindingSchema = z.discriminatedUnion('code', [
  /** The file is not there, or holds fewer lines than the chain remembers. */
  z.strictObject({ code: z.literal('witness-missing'), lines: z.int(), known: z.int() }),
  z.strictObject({
    code: z.literal('witness-altered'),
    line: z.int(),
    problem: z.enum(['form', 'previous', 'signature', 'key', 'jobs', 'unlike-chain']),
  }),
  z.strictObject({ code: z.literal('job-missing'), ...jobAt }),
  /** A job whose head was moved back behind what was witnessed, or behind its own events, with where it is now. */
  z.strictObject({ code: z.literal('head-back'), ...jobAt, witnessed: z.int() }),
  z.strictObject({ code: z.literal('event-altered'), ...jobAt, eventId: z.string(), problem: z.string() }),
  /** Events from here on are gone, up to one; a check of before this was said named the first alone. */
  z.strictObject({ code: z.literal('event-missing'), ...jobAt, upTo: z.int().optional() }),
  /** Whole in itself, and another ledger than the one that was witnessed. */
  z.strictObject({ code: z.literal('unlike-witness'), ...jobAt }),
  z.strictObject({ code: z.literal('does-not-follow'), ...jobAt, why: z.string() }),
  z.strictObject({ code: z.literal('log-altered'), sequence: z.int() }),
  z.strictObject({ code: z.literal('log-cut'), sequence: z.int(), witnessed: z.int() }),
  z.strictObject({ code: z.literal('row-missing'), said: z.string() }),
  z.strictObject({ code: z.literal('row-altered'), said: z.string() }),
  /** Something that is not as the log left it; `field` null when it is gone. */
  z.strictObject({
    code: z.literal('state-differs'),
    what: z.enum(STATED_THINGS),
    name: z.string(),
    field: z.string().nullable(),
  }),
]);
export type LedgerFinding = Readonly<z.infer<typeof ledgerFindingSchema>>;

/** What a whole check came to. */
export const ledgerCheckSchema = z.strictObject({
  at: instantSchema,
  findings: z.array(ledgerFindingSchema),
  /** How many findings there are; the list ends at a bound. */
  found: z.int(),
  jobs: z.int(),
  events: z.int(),
  rows: z.int(),
  witnessLines: z.int(),
  witnessedAt: instantSchema.nullable(),
  /** What came after the last witness: nobody outside the database can say of it that it is as it was. */
  unwitnessed: z.strictObject({ jobs: z.int(), events: z.int(), rows: z.int() }),
});
export type LedgerCheck = Readonly<z.infer<typeof ledgerCheckSchema>>;

/** A line of a check as it goes on. */
export const ledgerCheckLineSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('progress'), done: z.int(), total: z.int() }),
  z.strictObject({ kind: z.literal('finding'), finding: ledgerFindingSchema }),
  z.strictObject({ kind: z.literal('checked'), check: ledgerCheckSchema }),
]);
export type LedgerCheckLine = Readonly<z.infer<typeof ledgerCheckLineSchema>>;
