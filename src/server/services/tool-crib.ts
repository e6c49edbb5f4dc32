import { randomUUID } from 'node:crypto';
import { whoMay } from '#core/people/may.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Adapter } from '#core/tool/adapter.ts';
import { toolBlocks } from '#core/tool/tool-blocks.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { siteDay } from '#wire/site-time.ts';
import type { CribTool } from '#wire/tool.ts';
import type { Asker } from '../asker.ts';
import { type Connection, database } from '../database/pool.ts';
import { inTransaction } from '../database/transaction.ts';
import { insertAdapter, selectAdapters } from '../queries/adapters.ts';
import { selectSite } from '../queries/site.ts';
import { insertLogEntry } from '../queries/site-log.ts';
import { type KnownTool, selectKnownTools } from '../queries/tools.ts';
import { now } from './clock.ts';

const standing = async (
  db: Connection,
  known: readonly KnownTool[],
  instant: string,
): Promise<readonly CribTool[]> => {
  const { schools, timeZone } = await selectSite(db);
  const day = siteDay(instant, timeZone);
  return known.map(({ tool, facts }) => ({
    tool,
    facts,
    blocks: toolBlocks(tool, facts, day, schools.toolService),
  }));
};

/** Every tool of the crib with what stands against using it today. */
export const cribTools = async (): Promise<readonly CribTool[]> =>
  standing(database(), await selectKnownTools(database()), now());

/** Every adapter of the crib. */
export const cribAdapters = (): Promise<readonly Adapter[]> => selectAdapters(database());

/** Adds an adapter. Refuses: role-may-not, tool-code-taken. */
export const addAdapter = async (
  adapter: Omit<Adapter, 'id'>,
  by: Asker,
): Promise<Result<Adapter, Problem>> => {
  const right = whoMay(by, 'add-tool');
  if (!right.ok) return right;
  const added: Adapter = { ...adapter, id: randomUUID() };
  return inTransaction(
    async (db): Promise<Result<Adapter, Problem>> => {
      if (!(await insertAdapter(db, added)))
        return refused({ code: 'tool-code-taken', toolCode: adapter.code });
      const entry = { at: now(), by, kind: 'adapter-added', subject: added.id, why: '' } as const;
      await insertLogEntry(db, { ...entry, body: { after: added } });
      return accepted(added);
    },
    (result) => result.ok,
  );
};
