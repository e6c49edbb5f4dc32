import { randomUUID } from 'node:crypto';
import type { Person } from '#core/job/event.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import { checkedScale, settingInNewtonMetres } from '#core/setting/scale.ts';
import { permissibleDeviationPercent } from '#core/tool/class-limit.ts';
import type { Tool } from '#core/tool/tool.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { NewTool } from '#wire/tool.ts';
import { inTransaction } from '../database/pool.ts';
import { insertTool, insertToolEvent } from '../queries/tools.ts';
import { now } from './clock.ts';
import { indexEntries, toolEntries } from './site-search.ts';

/** Adds a tool; its class gives its permissible deviation unless its maker's is given.
 *  Refuses: role-forbidden, calibration-dates-reversed, tool-code-taken, and what checkedScale refuses. */
export const addTool = async (tool: NewTool, by: Person): Promise<Result<Tool, Problem>> => {
  if (by.role !== 'lead') return refused({ code: 'role-forbidden', needed: 'lead' });
  const scale = checkedScale(tool.scale);
  if (!scale.ok) return scale;
  if (tool.calibrationDueOn < tool.calibratedOn) return refused({ code: 'calibration-dates-reversed' });
  const maximum = settingInNewtonMetres(tool.scale, tool.scale.maximum);
  const added: Tool = {
    ...tool,
    id: randomUUID(),
    limitPercent: tool.limitPercent ?? permissibleDeviationPercent(tool.toolClass, maximum),
    calibration: null,
  };
  return inTransaction(
    async (db): Promise<Result<Tool, Problem>> => {
      const at = now();
      if (!(await insertTool(db, added, at)))
        return refused({ code: 'tool-code-taken', toolCode: tool.code });
      await insertToolEvent(db, { toolId: added.id, at, by, kind: 'added', body: { tool: added } });
      await indexEntries(db, 'tool', added.id, toolEntries(added));
      return accepted(added);
    },
    (result) => result.ok,
  );
};
