import { z } from 'zod';
import { whySchema } from '#core/bounds.ts';
import { torqueUnitSchema } from '#core/quantity/unit.ts';
import { bookReferenceSchema } from '#core/spec/book/book-reference.ts';
import { printedTorqueSchema } from '#core/spec/book/book-requirement.ts';
import { sourceSchema } from '#core/spec/book/source.ts';
import { LABEL_DOUBTS } from '#core/spec/label/label-statement.ts';
import { LABEL_MAX_LENGTH } from '#core/spec/label/split-label.ts';
import { lookupTableSchema } from '#core/spec/lookup/lookup-table.ts';
import { QUERY_MAX_LENGTH } from '#core/spec/search/search-terms.ts';
import {
  conflictEffectSchema,
  conflictSchema,
  dependentJobSchema,
  keptRequirementSchema,
  keptTableSchema,
  logEntrySchema,
  newSourceSchema,
  requirementDraftSchema,
  searchHitSchema,
  tableDraftSchema,
} from './book.ts';
import { computing, NOTHING, operation } from './operation.ts';
import { quantitySchema } from './quantity.ts';
import { RECALL_DECISIONS } from './recall.ts';

/** Most requirements of one imported list. */
export const IMPORT_MAX_ROWS = 2_000;

const siteUnit = torqueUnitSchema.default('N.m');

export const lookUpRequest = z.strictObject({
  table: lookupTableSchema,
  keys: z.array(z.string().max(60).nullable()).max(12),
  valueColumn: z.int().nonnegative().max(11).nullable().default(null),
  siteUnit,
});
export const lookUpResponse = z.strictObject({
  outcome: z.enum(['unreadable', 'open', 'found', 'interpolated', 'several', 'none']),
  /** Rows that fit so far, or the ones it found. */
  rows: z.array(z.int()),
  questions: z.array(z.strictObject({ column: z.int().nullable(), choices: z.array(z.string()) })),
  printed: z.string().nullable(),
  whyNot: z.array(z.strictObject({ column: z.int(), answer: z.string(), nearest: z.array(z.int()) })),
});

/** The row of a table that a side of a disagreement is, counted from 0; null or left out for a requirement. */
const tableRow = z.int().nonnegative().nullable().default(null);

export const readLabelRequest = z.strictObject({ text: z.string().max(LABEL_MAX_LENGTH), siteUnit });
export const readLabelResponse = z.strictObject({
  table: lookupTableSchema.extend({ name: z.string(), subject: z.string() }),
  doubts: z.array(
    z.strictObject({ row: z.int(), part: z.enum(['key', 'value']), column: z.int(), code: z.string() }),
  ),
  unread: z.array(z.strictObject({ line: z.int(), text: z.string(), why: z.enum(LABEL_DOUBTS) })),
});

export const relubricateRequest = z.strictObject({
  target: quantitySchema,
  low: quantitySchema,
  high: quantitySchema,
  fromNutFactor: z.number().min(0.05).max(0.5),
  toNutFactor: z.number().min(0.05).max(0.5),
});
export const relubricateResponse = z.strictObject({
  target: quantitySchema,
  low: quantitySchema,
  high: quantitySchema,
  ratio: z.number(),
});

const requirementViewSchema = z.strictObject({
  kept: keptRequirementSchema,
  source: sourceSchema,
  revisions: z.array(keptRequirementSchema),
  jobs: z.array(dependentJobSchema),
  conflicts: z.array(conflictSchema),
  fromBook: z.strictObject({ torque: printedTorqueSchema, book: bookReferenceSchema }),
});

/** The operations of the spec book. */
export const BOOK_OPERATIONS = {
  lookUp: computing('look-up', 'Look a table up by its keys', lookUpRequest, lookUpResponse),
  readLabel: computing(
    'read-label',
    'Read the text of a label into a table',
    readLabelRequest,
    readLabelResponse,
  ),
  relubricate: computing(
    'relubricate',
    'Torque for another lubrication, as a derived offer',
    relubricateRequest,
    relubricateResponse,
  ),
  search: operation({
    method: 'GET',
    path: '/api/v1/search',
    summary: `Search everything (?q=, at most ${QUERY_MAX_LENGTH} characters)`,
    who: 'see',
    tokens: ['export', 'import'],
    request: NOTHING,
    response: z.strictObject({ hits: z.array(searchHitSchema), isPartial: z.boolean() }),
  }),
  listSources: operation({
    method: 'GET',
    path: '/api/v1/sources',
    summary: 'Every source of the spec book',
    who: 'see',
    tokens: ['export', 'import'],
    request: NOTHING,
    response: z.array(sourceSchema),
  }),
  addSource: operation({
    method: 'POST',
    path: '/api/v1/sources',
    summary: 'Add a source',
    who: 'write-book',
    tokens: ['import'],
    request: newSourceSchema,
    response: sourceSchema,
  }),
  changeSource: operation({
    method: 'PUT',
    path: '/api/v1/sources/{source}',
    summary: 'Change, supersede or withdraw a source',
    who: 'write-book',
    also: ['change-source-status', 'rename-source'],
    request: z.strictObject({ source: sourceSchema, why: z.string().trim().max(300) }),
    response: sourceSchema,
  }),
  restingOnSource: operation({
    method: 'GET',
    path: '/api/v1/sources/{source}/resting',
    summary: 'The requirements, tables and jobs that rest on a source',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: z.strictObject({
      requirements: z.array(keptRequirementSchema),
      tables: z.array(keptTableSchema),
      jobs: z.array(dependentJobSchema),
    }),
  }),
  attachment: operation({
    method: 'GET',
    path: '/api/v1/attachments/{attachment}',
    summary:
      'An attachment: a picture as the site drew it anew (?small=1 small), a PDF to be saved; ?original=1 the bytes that were sent, to be saved',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: z.unknown(),
  }),
  requirement: operation({
    method: 'GET',
    path: '/api/v1/requirements/{requirement}',
    summary: 'A requirement by its id or its code, with all there is to it',
    who: 'see',
    tokens: ['export', 'import'],
    request: NOTHING,
    response: requirementViewSchema,
  }),
  keepRequirements: operation({
    method: 'POST',
    path: '/api/v1/requirements',
    summary: 'Keep requirements as new revisions, all or none',
    who: 'write-book',
    tokens: ['import'],
    also: ['withdraw-others'],
    request: z.array(requirementDraftSchema).min(1).max(IMPORT_MAX_ROWS),
    response: z.array(keptRequirementSchema),
  }),
  exportRequirements: operation({
    method: 'GET',
    path: '/api/v1/requirements.csv',
    summary: 'Every requirement as CSV, as the import reads it',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: z.string(),
  }),
  exportSources: operation({
    method: 'GET',
    path: '/api/v1/sources.csv',
    summary: 'Every source as CSV, as the import reads it',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: z.string(),
  }),
  listTables: operation({
    method: 'GET',
    path: '/api/v1/tables',
    summary: 'Every lookup table',
    who: 'see',
    tokens: ['export', 'import'],
    request: NOTHING,
    response: z.array(keptTableSchema),
  }),
  keepTable: operation({
    method: 'POST',
    path: '/api/v1/tables',
    summary: 'Keep a lookup table as a new revision',
    who: 'write-book',
    tokens: ['import'],
    also: ['withdraw-others'],
    request: tableDraftSchema,
    response: keptTableSchema,
  }),
  exportTable: operation({
    method: 'GET',
    path: '/api/v1/tables/{table}.csv',
    summary: 'A lookup table as CSV, as the label reader reads it',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: z.string(),
  }),
  conflicts: operation({
    method: 'GET',
    path: '/api/v1/conflicts',
    summary: 'Where sources in force disagree',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: z.array(conflictSchema),
  }),
  conflictEffects: operation({
    method: 'GET',
    path: '/api/v1/conflicts/{first}/{other}/effects',
    summary: 'Which jobs and verdicts a decision would change (?firstRow=, ?otherRow= of tables)',
    who: 'see',
    request: NOTHING,
    response: z.array(conflictEffectSchema),
  }),
  decideConflict: operation({
    method: 'POST',
    path: '/api/v1/conflicts',
    summary: 'Decide which of two sources governs, with a reason',
    who: 'decide-conflict',
    request: z.strictObject({
      first: z.uuid(),
      firstRow: tableRow,
      other: z.uuid(),
      otherRow: tableRow,
      chosen: z.uuid(),
      chosenRow: tableRow,
      why: whySchema,
    }),
    response: z.array(conflictSchema),
  }),
  changedValues: operation({
    method: 'GET',
    path: '/api/v1/recalls',
    summary:
      'Every value that jobs rest on as it no longer is, with what does not conform by it now: lines of JSON',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: z.unknown(),
  }),
  valueRecall: operation({
    method: 'GET',
    path: '/api/v1/recalls/{kind}/{value}',
    summary:
      'Judge what was tightened to a corrected or withdrawn value again: lines of JSON, progress first',
    who: 'see',
    request: NOTHING,
    response: z.unknown(),
  }),
  valueRecallCsv: operation({
    method: 'GET',
    path: '/api/v1/recalls/{kind}/{value}.csv',
    summary: 'The fasteners that do not conform by the value in force, as CSV',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: z.string(),
  }),
  valueRecallPdf: operation({
    method: 'GET',
    path: '/api/v1/recalls/{kind}/{value}.pdf',
    summary: 'The fasteners that do not conform by the value in force, as PDF',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: z.unknown(),
  }),
  decideValueRecall: operation({
    method: 'POST',
    path: '/api/v1/recalls/{kind}/{value}/decisions',
    summary: 'Decide what is done about a job that a recall by value found, with a reason',
    who: 'decide-recall',
    request: z.strictObject({
      jobId: z.uuid(),
      revision: z.int().positive(),
      what: z.enum(RECALL_DECISIONS),
      why: whySchema,
    }),
    response: z.strictObject({ recheckJobId: z.uuid().nullable() }),
  }),
  sourceChanges: operation({
    method: 'GET',
    path: '/api/v1/sources/{source}/changes',
    summary: 'Who changed a source, when and why',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: z.array(logEntrySchema),
  }),
} as const;
