import { z } from 'zod';
import { daySchema, instantSchema, typedText } from '../bounds.ts';
import type { Shape } from '../shape.ts';
import type { Schools } from '../target/schools.ts';
import { dueReason } from './due.ts';
import type { Tool } from './tool.ts';

/** Why a tool may not be used without a lead's override. */
export const TOOL_BLOCKS = [
  'overdue-time',
  'overdue-count',
  'overdue-replace',
  'quarantined',
  'on-loan',
  'retired',
] as const;
export type ToolBlock = (typeof TOOL_BLOCKS)[number];

export const loanSchema = z.strictObject({
  to: typedText(80),
  since: daySchema,
  dueOn: daySchema,
  condition: typedText(200),
  /** Number of the parcel or the like, where it was posted. */
  proofOfPosting: z.string().trim().max(80),
});
export type ToolLoan = Shape<typeof loanSchema>;

export const toolFactsSchema = z.strictObject({
  /** Pulls since its last calibration. */
  pulls: z.int().nonnegative(),
  lastUsedAt: instantSchema.nullable(),
  /** Set by a drop, an overload or a failed check, until a check passes. */
  quarantine: z.strictObject({ why: z.string(), at: instantSchema, by: z.string() }).nullable(),
  loan: loanSchema.nullable(),
  isRetired: z.boolean(),
});
/** What the crib knows of a tool beside what it is. */
export type ToolFacts = Shape<typeof toolFactsSchema>;

/** Nothing known beside what a tool is. */
export const NO_FACTS: ToolFacts = {
  pulls: 0,
  lastUsedAt: null,
  quarantine: null,
  loan: null,
  isRetired: false,
};

const DUE_BLOCKS = { time: 'overdue-time', count: 'overdue-count', replace: 'overdue-replace' } as const;

/** Everything that stands against using a tool on a day, under the site's school of tool service. */
export const toolBlocks = (
  tool: Pick<Tool, 'calibrationDueOn' | 'dueAfterPulls' | 'takenIntoUseOn'>,
  facts: ToolFacts,
  today: string,
  school: Schools['toolService'],
): readonly ToolBlock[] => {
  const due = dueReason(tool, facts.pulls, today, school);
  return [
    ...(due ? [DUE_BLOCKS[due]] : []),
    ...(facts.quarantine ? (['quarantined'] as const) : []),
    ...(facts.loan ? (['on-loan'] as const) : []),
    ...(facts.isRetired ? (['retired'] as const) : []),
  ];
};

export const toolBlockSchema = z.enum(TOOL_BLOCKS);
