import { accepted, type Result, refused } from '#core/result.ts';
import type { Attachment } from '#wire/book.ts';
import type { KeptSession } from '#wire/calibration.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { CribTool } from '#wire/tool.ts';
import { database } from '../database/pool.ts';
import { selectAttachments } from '../queries/attachments.ts';
import { selectSessions } from '../queries/calibration-sessions.ts';
import { selectToolEventLines, type ToolEventLine } from '../queries/tool-events.ts';
import { cribTools } from './tool-crib.ts';

/** All there is to a tool: how it stands, its sessions, what happened to it, its photographs. Refuses: not-found. */
export const readTool = async (
  id: string,
): Promise<
  Result<
    {
      readonly known: CribTool;
      readonly sessions: readonly KeptSession[];
      readonly events: readonly ToolEventLine[];
      readonly attachments: readonly Attachment[];
    },
    Problem
  >
> => {
  const known = (await cribTools()).find(({ tool }) => tool.id === id);
  if (!known) return refused({ code: 'not-found', what: 'tool' });
  const [sessions, events, attachments] = await Promise.all([
    selectSessions(database(), id),
    selectToolEventLines(database(), id),
    selectAttachments(database(), { kind: 'tool', id }),
  ]);
  return accepted({ known, sessions, events, attachments });
};
