import { randomUUID } from 'node:crypto';
import type { Adapter } from '#core/adapter/adapter.ts';
import type { Person, UnplacedEvent } from '#core/job/event.ts';
import { canonicalText } from '#core/ledger/hash-chain.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import { toolBlocks } from '#core/tool/tool-standing.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { CribTool } from '#wire/tool.ts';
import { type Connection, database } from '../database/pool.ts';
import { insertAdapter, selectAdapters } from '../queries/adapters.ts';
import { selectSite } from '../queries/site.ts';
import { type KnownTool, selectKnownTools } from '../queries/tools.ts';
import { now } from './clock.ts';

const standing = async (
  db: Connection,
  known: readonly KnownTool[],
  day: string,
): Promise<readonly CribTool[]> => {
  const { schools } = await selectSite(db);
  return known.map(({ tool, facts }) => ({
    tool,
    facts,
    blocks: toolBlocks(tool, facts, day, schools.toolService),
  }));
};

/** Every tool of the crib with what stands against using it today. */
export const cribTools = async (): Promise<readonly CribTool[]> =>
  standing(database(), await selectKnownTools(database()), now().slice(0, 10));

/** Every adapter of the crib. */
export const cribAdapters = (): Promise<readonly Adapter[]> => selectAdapters(database());

/** Adds an adapter. Refuses: role-forbidden, tool-code-taken. */
export const addAdapter = async (
  adapter: Omit<Adapter, 'id'>,
  by: Person,
): Promise<Result<Adapter, Problem>> => {
  if (by.role !== 'lead') return refused({ code: 'role-forbidden', needed: 'lead' });
  const added: Adapter = { ...adapter, id: randomUUID() };
  return (await insertAdapter(database(), added))
    ? accepted(added)
    : refused({ code: 'tool-code-taken', toolCode: adapter.code });
};

/** Why a job may not take a tool as an event says: the tool or an adapter is not in the crib so, or something stands against it that the
 *  event does not own up to. Null when it may. */
export const toolChoiceProblem = async (
  db: Connection,
  event: Extract<UnplacedEvent, { readonly kind: 'tool-chosen' }>,
): Promise<Problem | null> => {
  const { tool, adapters, blocks } = event.body;
  const crib = await standing(db, await selectKnownTools(db), event.deviceTime.slice(0, 10));
  const known = crib.find((each) => canonicalText(each.tool) === canonicalText(tool));
  if (!known) return { code: 'tool-changed', toolCode: tool.code };
  const have = new Set((await selectAdapters(db)).map((adapter) => canonicalText(adapter)));
  const foreign = adapters.find(({ adapter }) => !have.has(canonicalText(adapter)));
  if (foreign) return { code: 'tool-changed', toolCode: foreign.adapter.code };
  const hidden = known.blocks.filter((block) => !blocks.includes(block));
  return hidden.length > 0 ? { code: 'tool-blocked', toolCode: tool.code, blocks: hidden } : null;
};
