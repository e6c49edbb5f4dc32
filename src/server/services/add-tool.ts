import { randomUUID } from 'node:crypto';
import { whoMay } from '#core/people/may.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import { permissibleDeviationPercent } from '#core/tool/class-limit.ts';
import { checkedScale, settingInNewtonMetres } from '#core/tool/scale.ts';
import type { Tool } from '#core/tool/tool.ts';
import { NO_FACTS } from '#core/tool/tool-blocks.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { NewTool } from '#wire/tool.ts';
import type { Asker } from '../asker.ts';
import { inTransaction } from '../database/transaction.ts';
import { isToolCodeTaken } from '../queries/tools.ts';
import { addToolEvent, standingOf } from './add-tool-event.ts';
import { now } from './clock.ts';

/** Adds a tool; its class gives its permissible deviation unless its maker's is given.
 *  Refuses: role-may-not, calibration-dates-reversed, tool-code-taken, and what checkedScale refuses. */
export const addTool = async (tool: NewTool, by: Asker): Promise<Result<Tool, Problem>> => {
  const right = whoMay(by, 'add-tool');
  if (!right.ok) return right;
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
      if (await isToolCodeTaken(db, tool.code))
        return refused({ code: 'tool-code-taken', toolCode: tool.code });
      const after = { tool: added, ...standingOf(NO_FACTS) };
      await addToolEvent(db, { toolId: added.id, at, by, kind: 'added', body: {}, after });
      return accepted(added);
    },
    (result) => result.ok,
  );
};
