import type { ToolFacts } from '#core/tool/tool-blocks.ts';
import type { Transaction } from '../database/transaction.ts';
import { project } from '../projections/projections.ts';
import { insertToolEvent, type ToolAfter, type ToolEvent } from '../queries/tool-events.ts';

/** What an event leaves known of a tool: all but what its pulls say. */
export const standingOf = ({ quarantine, loan, isRetired }: ToolFacts): Omit<ToolAfter, 'tool'> => ({
  quarantine,
  loan,
  isRetired,
});

/** Adds an event to a tool, and lets everything follow that follows from it. */
export const addToolEvent = async (db: Transaction, event: ToolEvent): Promise<void> => {
  await insertToolEvent(db, event);
  await project(db, { kind: 'tool', event });
};
