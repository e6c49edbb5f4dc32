import { readFileSync } from 'node:fs';
import { v7 as uuidv7 } from 'uuid';
import { type UnplacedEvent, unplacedEventSchema } from '#core/event/event.ts';
import { lifted } from '#core/event/lifted.ts';
import { valueOrThrow } from '#core/fault.ts';
import { fastenerLines } from '#core/job/fastener-list.ts';
import type { SignedHead } from '#core/job/signature.ts';
import type { Person } from '#core/people/person.ts';
import type { Tool } from '#core/tool/tool.ts';
import { appendedTo } from '#server/append/append-events.ts';
import type { Contact } from '#server/append/event-clock.ts';
import { addPerson } from '#server/services/add-person.ts';
import { setMachineInterval } from '#server/services/intervals.ts';
import { planJob } from '#server/services/plan-job.ts';
import { everyone } from '#server/services/read-site.ts';
import { keepTemplate } from '#server/services/templates.ts';
import { cribTools } from '#server/services/tool-crib.ts';
import { EVENTS_MAX } from '#wire/api-jobs.ts';
import type { NewPerson } from '#wire/person.ts';
import { type DemoHistory, historyJobs } from './demo-history.ts';
import { fillDemoBook, reviseDemoBook, withBookValues } from './fill-demo-book.ts';
import { fillDemoCrib, wearDemoCrib } from './fill-demo-tools.ts';
import { inProject } from './paths.ts';
import { type DemoJob, workedEvents } from './work-demo-job.ts';

const DAY_MS = 86_400_000;
const HALF_DAY_MS = DAY_MS / 2;

/** What of the demo is worked again and again. */
type DemoAgain = {
  readonly templates: readonly { readonly id: string; readonly title: string; readonly from: string }[];
  readonly intervals: readonly { readonly code: string; readonly days: number }[];
};

const demo = <T>(name: string): T => JSON.parse(readFileSync(inProject('demo', name), 'utf8')) as T;

/** Somebody of the demo. */
export type DemoPerson = NewPerson & { readonly pin: string };

/** The demo's people, with the PINs that the start prints. */
export const demoPeople = (): readonly DemoPerson[] => demo('people.json');

/** Fills a job as it happened, and answers its id. */
const fillJob = async (job: DemoJob, people: readonly Person[], tools: readonly Tool[]): Promise<string> => {
  const person = (name: string): Person => people.find((each) => each.name === name) as Person;
  const startMs = Date.now() - job.daysAgo * DAY_MS - HALF_DAY_MS;
  const jobId = uuidv7({ msecs: startMs });
  const { lines } = valueOrThrow(fastenerLines(readFileSync(inProject('demo', 'lists', job.list), 'utf8')));
  const { title, source, asset } = job;
  const settled = await withBookValues(lines);
  const at = { jobId, eventId: uuidv7({ msecs: startMs }), deviceTime: new Date(startMs).toISOString() };
  const asItHappened = ({ deviceTime }: UnplacedEvent): Contact => ({
    receivedAt: deviceTime,
    sentAt: deviceTime,
    device: null,
    signedInAt: null,
  });
  const groups = job.groups.map(({ tools: _, ...group }) => group);
  const technician = person(job.technician);
  const plan = { ...at, title, source, asset, groups, lines: settled };
  const planned = lifted(valueOrThrow(await planJob(plan, technician, asItHappened)));
  let head: SignedHead = { sequence: planned.sequence, hash: planned.hash };
  for (const batch of batches(workedEvents(planned, job, tools, person))) {
    // Through the form of what a device sends: one key too many would keep the job's record from being proven.
    const sent = batch.map(
      (event) =>
        unplacedEventSchema.parse(
          event.kind === 'job-signed' ? { ...event, body: { ...event.body, head } } : event,
        ) as UnplacedEvent,
    );
    const by = (batch[0] as UnplacedEvent).person;
    const { placed, refused } = valueOrThrow(await appendedTo(jobId, sent, by, asItHappened));
    if (refused) throw new Error(JSON.stringify(refused));
    const last = placed.at(-1);
    if (last) head = { sequence: last.sequence, hash: last.hash };
  }
  return jobId;
};

/** Events that one person sends at once: a signature goes alone, for it names where the chain stands. */
function* batches(events: readonly UnplacedEvent[]): Generator<readonly UnplacedEvent[]> {
  let batch: UnplacedEvent[] = [];
  for (const event of events) {
    const isApart = event.kind === 'job-signed' || batch[0]?.kind === 'job-signed';
    const isOther = batch[0] !== undefined && batch[0].person.id !== event.person.id;
    if (batch.length > 0 && (isApart || isOther || batch.length === EVENTS_MAX)) {
      yield batch;
      batch = [];
    }
    batch.push(event);
  }
  if (batch.length > 0) yield batch;
}

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
  const jobs = demo<DemoJob[]>('jobs.json');
  const history = historyJobs(demo<DemoHistory[]>('history.json'), jobs);
  const filled: { readonly id: string; readonly title: string }[] = [];
  for (const job of [...jobs, ...history])
    filled.push({ id: await fillJob(job, people, tools), title: job.title });
  const { templates, intervals } = demo<DemoAgain>('again.json');
  const idOf = (title: string): string => filled.find((each) => each.title === title)?.id ?? '';
  for (const { id, title, from } of templates)
    valueOrThrow(await keepTemplate({ id, title, job: idOf(from), basedOn: 0 }, lead));
  for (const { code, days } of intervals) valueOrThrow(await setMachineInterval(code, days, lead));
  await reviseDemoBook(lead);
  await wearDemoCrib(lead);
};
