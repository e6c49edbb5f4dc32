import { accepted, type Result, refused } from '#core/result.ts';
import type { ToolAtLength } from '#wire/api-tools.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { database } from '../database/pool.ts';
import { selectAttachments } from '../queries/attachments.ts';
import { selectSessions } from '../queries/calibration-sessions.ts';
import { selectToolEventLines } from '../queries/tool-events.ts';
import { undecidedJobs } from './recall-tool.ts';
import { cribTools } from './tool-crib.ts';

/** All there is to a tool: how it stands, its sessions, what happened to it, its photographs. Refuses: not-found. */
export const readTool = async (id: string): Promise<Result<ToolAtLength, Problem>> => {
  const known = (await cribTools()).find(({ tool }) => tool.id === id);
  if (!known) return refused({ code: 'not-found', what: 'tool' });
  const [sessions, events, attachments, undecided] = await Promise.all([
    selectSessions(database(), id),
    selectToolEventLines(database(), id),
    selectAttachments(database(), { kind: 'tool', id }),
    undecidedJobs(id),
  ]);
  return accepted({ known, sessions, events, attachments, undecided });
};
