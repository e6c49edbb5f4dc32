import { canonicalText } from '#core/canonical.ts';
import { type Known, type KnownCrib, knowingCrib, knowingNothing } from '#core/command/known.ts';
import type { UnplacedEvent } from '#core/event/event.ts';
import type { PlannedRequirement } from '#core/job/plan.ts';
import type { JointKind } from '#core/joint/joint-kind.ts';
import { isKindOfSite } from '#core/joint/joint-kinds.ts';
import type { Person } from '#core/people/person.ts';
import { DEFAULT_SCHOOLS, type Schools } from '#core/target/schools.ts';
import type { Adapter } from '#core/tool/adapter.ts';
import { toolBlocks } from '#core/tool/tool-blocks.ts';
import { siteDay } from '#wire/site-time.ts';
import type { Asker } from '../asker.ts';
import type { Connection } from '../database/pool.ts';
import { selectAdapters } from '../queries/adapters.ts';
import { selectSiteKinds } from '../queries/own-kinds.ts';
import { selectPeople } from '../queries/people.ts';
import { selectSite } from '../queries/site.ts';
import { type KnownTool, selectKnownTools, selectToolsInUse } from '../queries/tools.ts';
import { requirementsInBook } from './requirements-in-book.ts';

/** What the site knows of one event of a batch, given the day it happened on. */
export type SiteKnowledge = (instant: string) => Known;

const requirementsOf = (event: UnplacedEvent): readonly PlannedRequirement[] => {
  if (event.kind === 'job-planned') return event.body.fasteners.map(({ requirement }) => requirement);
  return event.kind === 'requirement-moved' ? [event.body.requirement] : [];
};

const toolsOf = (event: UnplacedEvent): readonly string[] => {
  if (event.kind === 'pull-made') return event.body.toolId === null ? [] : [event.body.toolId];
  return event.kind === 'fastener-checked' ? [event.body.toolId] : [];
};

/** The tools that the site knows of for a batch, and how it treats one that is due. */
type KnownTools = {
  readonly known: readonly KnownTool[];
  readonly toolService: Schools['toolService'];
  /** The site's zone: a tool is due by the day there. */
  readonly timeZone: string;
};

const NO_TOOLS: KnownTools = { known: [], toolService: DEFAULT_SCHOOLS.toolService, timeZone: 'UTC' };

/** What takes more than a moment to read of all that a batch may be decided by: the crib where a tool is taken, and the book where it is
 *  referred to. */
export type ReadAhead = {
  readonly crib: (KnownTools & { readonly adapters: readonly Adapter[] }) | null;
  readonly inBook: ReadonlySet<string>;
  /** The kinds of joint that the site has, where a job is planned. */
  readonly kinds: readonly JointKind[];
  /** Who works here, where somebody is said to have taken over. */
  readonly people: readonly Person[];
};

const wholeCrib = async (db: Connection): Promise<ReadAhead['crib']> => {
  const { schools, timeZone } = await selectSite(db);
  return {
    known: await selectKnownTools(db),
    toolService: schools.toolService,
    timeZone,
    adapters: await selectAdapters(db),
  };
};

/** Reads that, before the job is locked. */
export const readAhead = async (db: Connection, events: readonly UnplacedEvent[]): Promise<ReadAhead> => ({
  crib: events.some(({ kind }) => kind === 'tool-chosen') ? await wholeCrib(db) : null,
  inBook: await requirementsInBook(db, events.flatMap(requirementsOf)),
  kinds: events.some(({ kind }) => kind === 'job-planned') ? await selectSiteKinds(db) : [],
  people: events.some(({ kind }) => kind === 'bench-taken-over') ? await selectPeople(db) : [],
});

/** All that the site knows of a batch: what was read ahead, and now, in one statement, what stands against the tools that were used. */
export const knownToSite = async (
  db: Connection,
  events: readonly UnplacedEvent[],
  person: Asker,
  { crib, inBook, kinds, people }: ReadAhead,
): Promise<SiteKnowledge> => {
  const toolIds = crib ? [] : [...new Set(events.flatMap(toolsOf))];
  const inUse = toolIds.length > 0 ? await selectToolsInUse(db, toolIds) : NO_TOOLS;
  const { known, toolService, timeZone } = crib ?? inUse;
  const cribOn = (day: string): KnownCrib => ({
    tools: known.map(({ tool, facts }) => ({ tool, blocks: toolBlocks(tool, facts, day, toolService) })),
    adapters: crib?.adapters ?? [],
  });
  const isInBook: Known['isInBook'] = (requirement) =>
    requirement.book === null || inBook.has(canonicalText(requirement));
  const isJointKind: Known['isJointKind'] = (kind) => isKindOfSite(kind, kinds);
  const isPerson: Known['isPerson'] = ({ id, name, role }) =>
    people.some((each) => each.id === id && each.name === name && each.role === role);
  const base = { ...knowingNothing(person), hasHappened: true, isInBook, isJointKind, isPerson };
  const days = new Map<string, Known>();
  return (instant) => {
    const day = siteDay(instant, timeZone);
    const known = days.get(day) ?? { ...base, ...knowingCrib(cribOn(day)) };
    days.set(day, known);
    return known;
  };
};
