import { type Known, type KnownCrib, knowingCrib, knowingNothing } from '#core/command/known.ts';
import type { UnplacedEvent } from '#core/event/event.ts';
import type { PlannedRequirement } from '#core/job/plan.ts';
import { canonicalText } from '#core/ledger/canonical.ts';
import type { Person } from '#core/people/person.ts';
import { toolBlocks } from '#core/tool/tool-standing.ts';
import type { Connection } from '../database/pool.ts';
import { selectAdapters } from '../queries/adapters.ts';
import { selectSite } from '../queries/site.ts';
import { type KnownTool, selectKnownTools, selectToolsInUse } from '../queries/tools.ts';
import { requirementsInBook } from './requirements-in-book.ts';

/** What the site knows of one event of a batch, given the day it happened on. */
export type SiteKnowledge = (day: string) => Known;

const requirementsOf = (event: UnplacedEvent): readonly PlannedRequirement[] => {
  if (event.kind === 'job-planned') return event.body.fasteners.map(({ requirement }) => requirement);
  return event.kind === 'requirement-moved' ? [event.body.requirement] : [];
};

const toolsOf = (event: UnplacedEvent): readonly string[] => {
  if (event.kind === 'pull-made') return event.body.toolId === null ? [] : [event.body.toolId];
  return event.kind === 'fastener-checked' ? [event.body.toolId] : [];
};

/** Asks the database once for all that a batch may be decided by: the crib where a tool is taken, what stands against the tools that were
 *  used, and the book where it is referred to. */
export const knownToSite = async (
  db: Connection,
  events: readonly UnplacedEvent[],
  person: Person,
): Promise<SiteKnowledge> => {
  const isWholeCrib = events.some(({ kind }) => kind === 'tool-chosen');
  const toolIds = [...new Set(events.flatMap(toolsOf))];
  let known: readonly KnownTool[] = [];
  let toolService = 'recalibrate' as Parameters<typeof toolBlocks>[3];
  if (isWholeCrib) {
    known = await selectKnownTools(db);
    toolService = (await selectSite(db)).schools.toolService;
  } else if (toolIds.length > 0) ({ known, toolService } = await selectToolsInUse(db, toolIds));
  const adapters = isWholeCrib ? await selectAdapters(db) : [];
  const inBook = await requirementsInBook(db, events.flatMap(requirementsOf));
  const crib = (day: string): KnownCrib => ({
    tools: known.map(({ tool, facts }) => ({ tool, blocks: toolBlocks(tool, facts, day, toolService) })),
    adapters,
  });
  const isInBook: Known['isInBook'] = (requirement) =>
    requirement.book === null || inBook.has(canonicalText(requirement));
  const base = { ...knowingNothing(person), hasHappened: true, isInBook };
  const days = new Map<string, Known>();
  return (day) => {
    const known = days.get(day) ?? { ...base, ...knowingCrib(crib(day)) };
    days.set(day, known);
    return known;
  };
};
