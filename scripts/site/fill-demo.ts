import { readFileSync } from 'node:fs';
import { v7 as uuidv7 } from 'uuid';
import { valueOrThrow } from '#core/fault.ts';
import { cautionsFor } from '#core/job/cautions.ts';
import {
  type JobHappening,
  type Person,
  type PullMethod,
  type UnplacedEvent,
  unplacedEvent,
} from '#core/job/event.ts';
import { isSetFor, judgePull, wantedSetting } from '#core/job/judge-pull.ts';
import { nextJobState } from '#core/job/next-state.ts';
import { type FastenerState, fastenerAt, type JobState } from '#core/job/state.ts';
import { terminalLines } from '#core/job/terminal-list.ts';
import type { Tool } from '#core/tool/tool.ts';
import { inTransaction } from '#server/database/pool.ts';
import { lockHead } from '#server/queries/jobs.ts';
import { addPerson } from '#server/services/add-person.ts';
import { appendInTransaction } from '#server/services/append-events.ts';
import { planJob } from '#server/services/plan-job.ts';
import { everyone } from '#server/services/read-site.ts';
import { cribTools } from '#server/services/tool-crib.ts';
import type { NewPerson } from '#wire/person.ts';
import { fillDemoBook, reviseDemoBook, withBookValues } from './fill-demo-book.ts';
import { fillDemoCrib, wearDemoCrib } from './fill-demo-tools.ts';
import { inProject } from './paths.ts';

const DAY_MS = 86_400_000;
const PULL_EVERY_MS = 23_000;

const demo = <T>(name: string): T => JSON.parse(readFileSync(inProject('demo', name), 'utf8')) as T;

/** The demo's people, with the PINs that the start prints. */
export const demoPeople = (): readonly NewPerson[] => demo('people.json');

type DemoJob = {
  readonly list: string;
  readonly title: string;
  readonly seenFrom: string;
  readonly source: { readonly title: string; readonly revision: string; readonly place: string };
  readonly tool: string | null;
  readonly technician: string;
  readonly daysAgo: number;
  /** How many fasteners have been pulled, in the order of the work. */
  readonly pulls: number;
  /** Pulls that were not a plain click. */
  readonly events: readonly {
    readonly position: string;
    readonly method: PullMethod;
    readonly reading: string | null;
  }[];
  readonly signed: readonly { readonly person: string; readonly meaning: 'done' | 'inspected' }[];
};

/** What a person did on a job, one happening after the other, each on the job as it then stands. */
const workedEvents = (
  planned: UnplacedEvent,
  job: DemoJob,
  tool: Tool,
  person: (name: string) => Person,
): readonly UnplacedEvent[] => {
  let state: JobState = valueOrThrow(nextJobState(null, planned));
  let atMs = Date.parse(planned.deviceTime);
  const events: UnplacedEvent[] = [];
  const happen = (happening: JobHappening, by = job.technician): void => {
    atMs += PULL_EVERY_MS;
    const at = {
      id: uuidv7({ msecs: atMs }),
      job: planned.job,
      deviceTime: new Date(atMs).toISOString(),
      person: person(by),
    };
    const event = unplacedEvent(at, happening);
    state = valueOrThrow(nextJobState(state, event));
    events.push(event);
  };
  happen({ kind: 'tool-chosen', body: { tool, adapters: [], blocks: [], override: null } });
  happen({ kind: 'cautions-confirmed', body: { cautions: cautionsFor('control-cabinet') } });
  for (const {
    planned: { position },
  } of state.fasteners.slice(0, job.pulls)) {
    const wanted = valueOrThrow(wantedSetting(state, fastenerAt(state, position) as FastenerState));
    if (!isSetFor(state, wanted)) {
      const setting = { text: wanted.text, value: wanted.setting, unit: tool.scale.unit };
      happen({ kind: 'tool-set', body: { toolId: tool.id, setting } });
    }
    const special = job.events.find((each) => each.position === position);
    const facts = {
      position,
      method: special?.method ?? 'click',
      readingText: special?.reading ?? null,
      readingStands: false,
    } as const;
    happen({ kind: 'pull-made', body: valueOrThrow(judgePull(state, facts)) });
    if (fastenerAt(state, position)?.status === 'in') happen({ kind: 'witness-marked', body: { position } });
  }
  for (const { person: name, meaning } of job.signed) happen({ kind: 'job-signed', body: { meaning } }, name);
  return events;
};

const fillJob = async (job: DemoJob, people: readonly Person[], tools: readonly Tool[]): Promise<void> => {
  const person = (name: string): Person => people.find((each) => each.name === name) as Person;
  const startMs = Date.now() - job.daysAgo * DAY_MS - (job.pulls * 3 + 4) * PULL_EVERY_MS;
  const jobId = uuidv7({ msecs: startMs });
  const { lines } = valueOrThrow(terminalLines(readFileSync(inProject('demo', 'lists', job.list), 'utf8')));
  const { title, seenFrom, source } = job;
  const settled = await withBookValues(lines);
  const at = { jobId, eventId: uuidv7({ msecs: startMs }), deviceTime: new Date(startMs).toISOString() };
  const asItHappened = (event: UnplacedEvent): string => event.deviceTime;
  const technician = person(job.technician);
  const plan = { ...at, title, seenFrom, source, lines: settled };
  const {
    sequence: _s,
    serverTime: _t,
    previousHash: _p,
    hash: _h,
    ...planned
  } = valueOrThrow(await planJob(plan, technician, asItHappened));
  const tool = tools.find(({ code }) => code === job.tool);
  if (!tool) return;
  for (const event of workedEvents(planned, job, tool, person)) {
    await inTransaction(async (db) => {
      const head = await lockHead(db, jobId);
      if (!head) throw new Error(`job ${jobId} has no head`);
      const result = await appendInTransaction(db, jobId, head, [event], event.person, asItHappened);
      if (result.refused) throw new Error(JSON.stringify(result.refused));
    });
  }
};

/** Fills an empty site with the workshop of Bukit Lintang Observatory; does nothing to a site that has people. */
export const fillDemo = async (): Promise<void> => {
  if ((await everyone()).length > 0) return;
  console.error('Loading the demo workshop …');
  const [first, ...others] = demoPeople();
  const lead = valueOrThrow(await addPerson(first as NewPerson, null));
  for (const person of others) valueOrThrow(await addPerson(person, lead));
  await fillDemoCrib(lead);
  const people = await everyone();
  const tools = (await cribTools()).map(({ tool }) => tool as Tool);
  await fillDemoBook(lead);
  for (const job of demo<DemoJob[]>('jobs.json')) await fillJob(job, people, tools);
  await reviseDemoBook(lead);
  await wearDemoCrib(lead);
};
