import { readFileSync } from 'node:fs';
import { v7 as uuidv7 } from 'uuid';
import { commandOf, decide, knewOf } from '#core/command/decide.ts';
import { judgePull } from '#core/command/judge-pull.ts';
import { knowingNothing } from '#core/command/known.ts';
import { applied } from '#core/event/apply.ts';
import { type JobHappening, type UnplacedEvent, unplacedEvent } from '#core/event/event.ts';
import { lifted } from '#core/event/lifted.ts';
import { valueOrThrow } from '#core/fault.ts';
import { cautionsFor } from '#core/job/cautions.ts';
import type { CheckSaid } from '#core/job/check.ts';
import type { PullMethod } from '#core/job/pull.ts';
import { terminalLines } from '#core/job/terminal-list.ts';
import type { Person } from '#core/people/person.ts';
import type { Tool } from '#core/tool/tool.ts';
import { type FastenerView, fastenerAt } from '#core/view/bench.ts';
import type { JobView } from '#core/view/job-view.ts';
import { isSetFor, wantedSetting } from '#core/view/wanted-setting.ts';
import { appendedTo } from '#server/append/append-events.ts';
import type { Contact } from '#server/append/event-clock.ts';
import { addPerson } from '#server/services/add-person.ts';
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
  /** Readings of finished fasteners, after the signatures. */
  readonly checks?: readonly (Pick<CheckSaid, 'position' | 'purpose' | 'method' | 'note'> & {
    readonly person: string;
    readonly tool: string;
    readonly reading: string;
  })[];
};

/** What a person did on a job, one happening after the other, each on the job as it then stands. */
const workedEvents = (
  planned: UnplacedEvent,
  job: DemoJob,
  tool: Tool,
  tools: readonly Tool[],
  person: (name: string) => Person,
): readonly UnplacedEvent[] => {
  let state = applied(null, planned) as JobView;
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
    const known = { ...knowingNothing(at.person), ...knewOf(happening) };
    const event = unplacedEvent(at, valueOrThrow(decide(state, commandOf(happening), known)));
    state = applied(state, event) as JobView;
    events.push(event);
  };
  happen({ kind: 'tool-chosen', body: { tool, adapters: [], blocks: [], override: null } });
  happen({ kind: 'cautions-confirmed', body: { cautions: cautionsFor('control-cabinet') } });
  for (const {
    planned: { position },
  } of state.fasteners.slice(0, job.pulls)) {
    const wanted = valueOrThrow(wantedSetting(state, fastenerAt(state, position) as FastenerView));
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
  for (const { person: name, meaning } of job.signed)
    happen({ kind: 'job-signed', body: { meaning, head: null, madeNoPull: false } }, name);
  for (const { person: name, tool: code, reading, ...said } of job.checks ?? []) {
    const { id: toolId, serial, calibrationDueOn, scale } = tools.find((each) => each.code === code) as Tool;
    const body = {
      ...said,
      toolId,
      reading: { text: reading, value: Number(reading), unit: scale.unit },
      tool: { code, serial, calibrationDueOn },
      lowNewtonMetres: 0,
      highNewtonMetres: 0,
      isInside: false,
    };
    happen({ kind: 'fastener-checked', body }, name);
  }
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
  const asItHappened = ({ deviceTime }: UnplacedEvent): Contact => ({
    receivedAt: deviceTime,
    sentAt: deviceTime,
    device: null,
    signedInAt: null,
  });
  const technician = person(job.technician);
  const plan = { ...at, title, seenFrom, source, lines: settled };
  const planned = lifted(valueOrThrow(await planJob(plan, technician, asItHappened)));
  let { sequence, hash } = planned;
  const tool = tools.find(({ code }) => code === job.tool);
  if (!tool) return;
  for (const event of workedEvents(planned, job, tool, tools, person)) {
    const sent: UnplacedEvent =
      event.kind === 'job-signed' ? { ...event, body: { ...event.body, head: { sequence, hash } } } : event;
    const { placed, refused } = valueOrThrow(await appendedTo(jobId, [sent], event.person, asItHappened));
    if (refused) throw new Error(JSON.stringify(refused));
    ({ sequence, hash } = placed[0] ?? { sequence, hash });
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
