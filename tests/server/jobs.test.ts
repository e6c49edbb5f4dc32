import Papa from 'papaparse';
import { v7 as uuidv7 } from 'uuid';
import { describe, expect, test } from 'vitest';
import { lifted } from '#core/event/lifted.ts';
import { valueOrThrow } from '#core/fault.ts';
import { verifyRecord } from '#core/ledger/verify-record.ts';
import { appendEvents } from '#server/append/append-events.ts';
import { changeSite } from '#server/services/change-site.ts';
import { exportPulls, exportRecord } from '#server/services/export-record.ts';
import { planJob } from '#server/services/plan-job.ts';
import { allJobs, siteChoices, siteFingerprint } from '#server/services/read-site.ts';
import {
  eventsInDatabase,
  LIST,
  newJob,
  PINS,
  person,
  plannedJob,
  pullEvents,
  readyEvents,
  signJob,
  stateOf,
} from './sample-site.ts';

const code = (result: { ok: boolean; refusal?: unknown }) =>
  (result as { refusal?: { code: string } }).refusal?.code;
const headOf = async (job: string) => {
  const last = (await eventsInDatabase(job)).at(-1);
  return { sequence: last?.sequence ?? 1, hash: last?.hash ?? '0'.repeat(64) };
};
/** A signature for where the job's chain stands. */
const signature = async (job: string, personId: string, pin: string, meaning: 'done' | 'inspected') => ({
  eventId: uuidv7(),
  personId,
  pin,
  meaning,
  head: await headOf(job),
  madeNoPull: false,
  deviceTime: '2026-11-02T09:00:00.000Z',
});

/** A job with every fastener in, ready to be signed. */
const finishedJob = async (): Promise<string> => {
  const { job } = await plannedJob();
  const tam = await person('Tam');
  await appendEvents(job, await readyEvents(job, tam), tam);
  for (const position of ['X1', 'X2'])
    valueOrThrow(await appendEvents(job, pullEvents(await stateOf(job), position, tam), tam));
  return job;
};

describe('planning a job', () => {
  test('takes all lines, in reading order, with the site’s schools and a number of its own', async () => {
    const list = `${LIST}X0,first,5,10,14 AWG,2.4 Nm\n`;
    const event = await plannedJob(list);
    if (event.kind !== 'job-planned') throw new Error('expected a plan');
    expect(event.body.fasteners.map(({ position }) => position)).toEqual(['X0', 'X1', 'X2']);
    expect(event.body.schools).toEqual((await siteChoices()).schools);
    expect(event.body.number).toMatch(/^\d{4}$/);
  });

  test('takes none when a line is in doubt, and names the line', async () => {
    const before = (await allJobs()).length;
    const job = newJob(`${LIST}X3,c,30,10,14 AWG,18 pounds\nX4,d,40,10,14 AWG,22\n`);
    expect(await planJob(job, await person('Tam'))).toMatchObject({
      refusal: { code: 'rows-unsettled', lines: [4, 5] },
    });
    expect(await allJobs()).toHaveLength(before);
    expect(await eventsInDatabase(job.jobId)).toEqual([]);
  });

  test('takes what a person settled, and keeps the print', async () => {
    const job = newJob(`${LIST}X3,c,30,10,14 AWG,18 pounds\n`);
    const lines = job.lines.map((line) =>
      line.cells.position === 'X3' ? { ...line, readAs: '18 lbf·in' } : line,
    );
    const event = lifted(valueOrThrow(await planJob({ ...job, lines }, await person('Tam'))));
    if (event.kind !== 'job-planned') throw new Error('expected a plan');
    expect(event.body.fasteners.at(-1)?.requirement).toMatchObject({
      printed: '18 pounds',
      readAs: '18 lbf·in',
    });
  });

  test('sent twice is one job', async () => {
    const job = newJob();
    const tam = await person('Tam');
    const [first, again] = [await planJob(job, tam), await planJob(job, tam)];
    expect(again).toEqual(first);
    expect((await allJobs()).filter(({ id }) => id === job.jobId)).toHaveLength(1);
  });

  test('sent six times at once is one job, and each is told so', async () => {
    const [job, tam] = [newJob(), await person('Tam')];
    const all = await Promise.all(Array.from({ length: 6 }, () => planJob(job, tam)));
    expect(new Set(all.map((each) => valueOrThrow(each).id)).size).toBe(1);
  });
  test('an event id of another job is refused', async () => {
    const { id } = await plannedJob();
    expect(code(await planJob({ ...newJob(), eventId: id }, await person('Tam')))).toBe('event-id-used');
  });

  test('400 lines are a normal size', async () => {
    const rows = Array.from(
      { length: 400 },
      (_, index) =>
        `P${index},t ${index},${(index % 40) * 6},${Math.floor(index / 40) * 20},14 AWG,20 to 24 in-lb`,
    );
    const event = await plannedJob(`position,label,x_mm,y_mm,conductor,requirement\n${rows.join('\n')}`);
    expect(event.kind === 'job-planned' && event.body.fasteners).toHaveLength(400);
  });

  test('a job keeps the schools it was planned with', async () => {
    const site = await siteChoices();
    const { job } = await plannedJob();
    await changeSite(
      { ...site, schools: { ...site.schools, rangeTarget: 'high-end' } },
      'a try',
      await person('Lea'),
    );
    expect((await stateOf(job)).plan.schools.rangeTarget).toBe(site.schools.rangeTarget);
    await changeSite(site, 'back again', await person('Lea'));
  });
});

describe('signing', () => {
  test('by PIN, done and then inspected by someone else', async () => {
    const job = await finishedJob();
    const [tam, ines] = [await person('Tam'), await person('Ines')];
    expect(code(await signJob(job, await signature(job, tam.id, '0000', 'done')))).toBe('wrong-pin');
    const done = await signature(job, tam.id, PINS.Tam, 'done');
    const first = valueOrThrow(await signJob(job, done));
    expect(valueOrThrow(await signJob(job, done))).toEqual(first);
    expect(code(await signJob(job, await signature(job, tam.id, PINS.Tam, 'inspected')))).toBe(
      'second-person-needed',
    );
    valueOrThrow(await signJob(job, await signature(job, ines.id, PINS.Ines, 'inspected')));
    expect((await stateOf(job)).signatures).toHaveLength(2);
    expect((await allJobs()).find(({ id }) => id === job)?.stage).toBe('inspected');
  });

  test('open items and jobs that do not exist are refused', async () => {
    const { job } = await plannedJob();
    const lea = await person('Lea');
    expect(await signJob(job, await signature(job, lea.id, PINS.Lea, 'done'))).toMatchObject({
      refusal: { code: 'open-items-remain', count: 2 },
    });
    expect(code(await signJob(uuidv7(), await signature(uuidv7(), lea.id, PINS.Lea, 'done')))).toBe(
      'not-found',
    );
  });

  test('a wrong PIN at a signature counts like one at the door', async () => {
    const job = await finishedJob();
    const tam = await person('Tam');
    expect(await signJob(job, await signature(job, tam.id, '0000', 'done'))).toMatchObject({
      refusal: { triesLeft: 4 },
    });
    expect(await signJob(job, await signature(job, tam.id, '0000', 'done'))).toMatchObject({
      refusal: { triesLeft: 3 },
    });
    valueOrThrow(await signJob(job, await signature(job, tam.id, PINS.Tam, 'done')));
  });
});

describe('what leaves the house', () => {
  test('a record that holds by itself, sealed with the site’s key', async () => {
    const file = valueOrThrow(await exportRecord(await finishedJob()));
    const verified = valueOrThrow(verifyRecord(file.text, { expectedKey: siteFingerprint() }));
    expect(verified).toMatchObject({ title: 'Test cabinet', pulls: 2, openItems: 0, site: 'Test site' });
    expect(file.name).toMatch(/^jentik-job-\d{4}\.json$/);
  });

  test('the pulls as CSV that a spreadsheet reads and never runs', async () => {
    const list =
      'position,label,x_mm,y_mm,conductor,requirement\nX1,"=1+1, ""odd""",10,10,14 AWG,20 to 24 in-lb\n';
    const { job } = await plannedJob(list);
    const tam = await person('Tam');
    await appendEvents(job, await readyEvents(job, tam), tam);
    await appendEvents(job, pullEvents(await stateOf(job), 'X1', tam), tam);
    const { text } = valueOrThrow(await exportPulls(job));
    const { data, errors } = Papa.parse<Record<string, string>>(text.trimEnd(), { header: true });
    expect(errors).toEqual([]);
    expect(data).toMatchObject([
      {
        position: 'X1',
        label: '\'=1+1, "odd"',
        verdict: 'in',
        reading: '22.0',
        unit: 'lbf·in',
        person: 'Tam',
      },
    ]);
    expect(text.endsWith('\r\n')).toBe(true);
  });

  test('a job that does not exist is not found', async () => {
    expect(code(await exportRecord(uuidv7()))).toBe('not-found');
    expect(code(await exportPulls(uuidv7()))).toBe('not-found');
  });
});
