import { z } from 'zod';
import { instantSchema, typedText } from '#core/bounds.ts';
import type { FastenerLine } from '#core/job/fastener-list.ts';
import { GROUPS_MAX, groupIdSchema, PARTS_MAX, partCodeSchema } from '#core/job/plan.ts';
import { passSchema } from '#core/joint/joint-kind.ts';
import { idSchema } from '#core/joint/joint-step.ts';
import { ORDERS } from '#core/order/orders.ts';
import { bookReferenceSchema } from '#core/spec/book/book-reference.ts';
import { requirementSourceSchema } from '#core/spec/book/requirement-source.ts';
import { LIST_MAX_ROWS } from '#core/spec/list/list-bounds.ts';
import { printedRequirementSchema } from '#core/spec/requirement/read-requirement.ts';
import type { DeepReadonly } from './operation.ts';

const CELL_MAX_LENGTH = 200;
const CELLS_MAX = 40;

const fastenerLineSchema = z.strictObject({
  line: z.int().positive(),
  cells: z
    .record(z.string().max(40), z.string().max(CELL_MAX_LENGTH))
    .refine((cells) => Object.keys(cells).length <= CELLS_MAX, 'too many cells'),
  readAs: printedRequirementSchema.nullable(),
  book: bookReferenceSchema.nullable().optional(),
});

/** How a group of a list is to be worked. */
export const newGroupSchema = z.strictObject({
  id: groupIdSchema,
  title: typedText(80),
  /** The code of its kind of joint. */
  jointKind: idSchema,
  seenFrom: typedText(60),
  irreplaceable: z.array(partCodeSchema).max(PARTS_MAX),
  /** How it is to be worked, its lines in that order already; left out where as its kind of joint is. */
  worked: z
    .strictObject({
      order: z.enum(ORDERS),
      passes: z.array(passSchema).min(1).max(12),
      roundsUntilStill: z.boolean(),
      passesSource: z.string().trim().max(160),
    })
    .optional(),
});
export type NewGroup = z.infer<typeof newGroupSchema>;

/** A fastener list with every line settled, to become a job. */
export const newJobSchema = z.strictObject({
  jobId: z.uuid(),
  eventId: z.uuid(),
  deviceTime: instantSchema,
  sentAt: instantSchema.optional(),
  device: z.uuid().optional(),
  title: typedText(120),
  source: requirementSourceSchema,
  /** The code and name of the machine it is done on; null where none is named. */
  asset: z.strictObject({ code: partCodeSchema, name: typedText(80) }).nullable(),
  /** In the order they are to be worked. */
  groups: z.array(newGroupSchema).min(1).max(GROUPS_MAX),
  lines: z.array(fastenerLineSchema).min(1).max(LIST_MAX_ROWS),
});
export type NewJob = Omit<z.infer<typeof newJobSchema>, 'lines'> & {
  readonly lines: readonly FastenerLine[];
};

/** The same as a device sends it. */
export type SentJob = DeepReadonly<z.input<typeof newJobSchema>>;
