import { z } from 'zod';
import { instantSchema, typedText } from '#core/bounds.ts';
import { bookReferenceSchema, requirementSourceSchema } from '#core/job/plan.ts';
import type { TerminalLine } from '#core/job/terminal-list.ts';
import { LIST_MAX_ROWS } from '#core/list/delimited-table.ts';
import { printedRequirementSchema } from '#core/requirement/read-requirement.ts';

const CELL_MAX_LENGTH = 200;
const cell = z.string().max(CELL_MAX_LENGTH).optional();

const terminalLineSchema = z.strictObject({
  line: z.int().positive(),
  cells: z.strictObject({
    position: cell,
    label: cell,
    x_mm: cell,
    y_mm: cell,
    conductor: cell,
    requirement: cell,
    drive: cell,
  }),
  readAs: printedRequirementSchema.nullable(),
  book: bookReferenceSchema.nullable().optional(),
});

/** A terminal list with every line settled, to become a job. */
export const newJobSchema = z.strictObject({
  jobId: z.uuid(),
  eventId: z.uuid(),
  deviceTime: instantSchema,
  sentAt: instantSchema.optional(),
  device: z.uuid().optional(),
  title: typedText(120),
  seenFrom: typedText(60),
  source: requirementSourceSchema,
  lines: z.array(terminalLineSchema).min(1).max(LIST_MAX_ROWS),
});
export type NewJob = Omit<z.infer<typeof newJobSchema>, 'lines'> & {
  readonly lines: readonly TerminalLine[];
};
