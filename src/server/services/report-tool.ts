import { whoMay } from '#core/people/may.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { ToolFacts } from '#core/tool/tool-blocks.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { ToolReport } from '#wire/tool.ts';
import type { Asker } from '../asker.ts';
import { inTransaction } from '../database/transaction.ts';
import { type KnownTool, lockTool } from '../queries/tools.ts';
import { addToolEvent, standingOf } from './add-tool-event.ts';
import { now } from './clock.ts';

type At = { readonly at: string; readonly by: string };

const QUARANTINING: ReadonlySet<string> = new Set(['dropped', 'overloaded', 'repaired']);

/** What the crib knows of a tool after something happened to it. A drop, an overload and a repair quarantine it until a check passes; so does
 *  coming back from a loan. Refuses: tool-on-loan, tool-not-on-loan. */
const after = (facts: ToolFacts, happening: ToolReport, { at, by }: At): Result<ToolFacts, Problem> => {
  switch (happening.kind) {
    case 'lent':
      return facts.loan
        ? refused({ code: 'tool-on-loan', to: facts.loan.to })
        : accepted({ ...facts, loan: happening.loan });
    case 'returned':
      if (!facts.loan) return refused({ code: 'tool-not-on-loan' });
      return accepted({
        ...facts,
        loan: null,
        quarantine: facts.quarantine ?? { why: `back from ${facts.loan.to}: ${happening.condition}`, at, by },
      });
    case 'retired':
      return accepted({ ...facts, isRetired: true });
    default:
      return QUARANTINING.has(happening.kind)
        ? accepted({
            ...facts,
            quarantine: facts.quarantine ?? { why: `${happening.kind}: ${happening.why}`, at, by },
          })
        : accepted(facts);
  }
};

/** Writes down what happened to a tool, with what follows from it. Anyone may report a drop; lending and retiring are a lead's.
 *  Refuses: not-found, role-may-not, tool-on-loan, tool-not-on-loan. */
export const reportTool = (
  toolId: string,
  happening: ToolReport,
  by: Asker,
): Promise<Result<KnownTool, Problem>> =>
  inTransaction(
    async (db): Promise<Result<KnownTool, Problem>> => {
      const known = await lockTool(db, toolId);
      if (!known) return refused({ code: 'not-found', what: 'tool' });
      const isLeads = happening.kind === 'lent' || happening.kind === 'retired';
      const right = whoMay(by, isLeads ? 'lend-or-retire-tool' : 'report-tool');
      if (!right.ok) return right;
      const at = now();
      const facts = after(known.facts, happening, { at, by: by.name });
      if (!facts.ok) return facts;
      await addToolEvent(db, {
        toolId,
        at,
        by,
        kind: happening.kind,
        body: happening,
        after: { tool: known.tool, ...standingOf(facts.value) },
      });
      return accepted({ tool: known.tool, facts: facts.value });
    },
    (result) => result.ok,
  );
