import { canonicalText } from '#core/canonical.ts';
import type { LedgerFinding } from '#wire/ledger-check.ts';
import type { Connection } from '../database/pool.ts';
import { selectToolEvents, type ToolAfter } from '../queries/tool-events.ts';
import { selectToolRows } from '../queries/tools.ts';
import { selectUnlikeRevisions } from '../queries/unlike-revisions.ts';

/** Tools that are not as their last event left them, and requirements and tables of the book that are not as their newest revision says. */
export const misprojected = async (db: Connection): Promise<readonly LedgerFinding[]> => {
  const left = new Map<string, ToolAfter>();
  const findings: LedgerFinding[] = [];
  try {
    for (const { toolId, after } of await selectToolEvents(db)) left.set(toolId, after);
  } catch {
    // Without all of them no tool can be told to be as it was left.
    return [
      { code: 'row-altered', said: 'an event of a tool, which can’t be read' },
      ...(await selectUnlikeRevisions(db)),
    ];
  }
  const here = new Set<string>();
  for (const row of await selectToolRows(db)) {
    here.add(row.id);
    const after = left.get(row.id);
    const field = after ? differing(row, after) : 'unlogged';
    if (field) findings.push({ code: 'state-differs', what: 'tool', name: row.code, field });
  }
  for (const [id, { tool }] of left)
    if (!here.has(id)) findings.push({ code: 'state-differs', what: 'tool', name: tool.code, field: null });
  return [...findings, ...(await selectUnlikeRevisions(db))];
};

type ToolRow = Awaited<ReturnType<typeof selectToolRows>>[number];

const differing = (row: ToolRow, { tool, quarantine, loan, isRetired }: ToolAfter): string | null => {
  if (row.code !== tool.code) return 'code';
  const parts = { tool, quarantine, loan, isRetired } as const;
  const names = Object.keys(parts) as (keyof typeof parts)[];
  return names.find((name) => canonicalText(row[name]) !== canonicalText(parts[name])) ?? null;
};
