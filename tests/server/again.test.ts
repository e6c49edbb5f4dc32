import { v7 as uuidv7 } from 'uuid';
import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { dueAgainAt } from '#core/job/due-again.ts';
import { fastenerLines } from '#core/job/fastener-list.ts';
import { ONE_PASS } from '#core/joint/joint-kind.ts';
import { SOFT_SEAT_RING } from '#core/joint/kinds/soft-seat-ring.ts';
import { appendEvents } from '#server/append/append-events.ts';
import { intervals, openNextJob, setMachineInterval } from '#server/services/intervals.ts';
import { ownKinds, writeJointKind } from '#server/services/joint-kinds.ts';
import { planJob } from '#server/services/plan-job.ts';
import { templateLabelSvg } from '#server/services/template-label.ts';
import { allTemplates, keepTemplate, openTemplate, templateNow } from '#server/services/templates.ts';
import {
  newJob,
  PLAIN_CABINET,
  person,
  plannedJob,
  pullEvents,
  readyEvents,
  signatureOf,
  signJob,
  stateOf,
} from './sample-site.ts';

const kept = async (title: string, job?: string) => {
  const id = uuidv7();
  const of = job ?? (await plannedJob()).job;
  valueOrThrow(await keepTemplate({ id, title, job: of, basedOn: 0 }, await person('Tam')));
  return { id, job: of };
};

const asked = (title = 'Opened again') => ({
  jobId: uuidv7(),
  eventId: uuidv7(),
  deviceTime: new Date().toISOString(),
  title,
  asset: { code: 'MILL-9', name: 'mill nine' },
  isSameParts: false,
});

const COLLETS = 'position,label,requirement,shank,part\nC-1,holder 1,38 Nm,4 mm,KT-1';
const colletJob = async (asset: { readonly code: string; readonly name: string } | null = null) => {
  const { lines } = valueOrThrow(fastenerLines(COLLETS));
  const group = {
    id: 'A',
    title: 'Collets',
    jointKind: 'collet-nut',
    seenFrom: 'from the nose',
    irreplaceable: [],
  };
  return valueOrThrow(await planJob({ ...newJob(), lines, groups: [group], asset }, await person('Tam'))).job;
};

describe('a template', () => {
  test('a job opened from it has the plan it was kept with, a title and a machine of its own, and no pull', async () => {
    const { id, job } = await kept('Drive cabinet');
    const before = await stateOf(job);
    const opened = valueOrThrow(await openTemplate(id, asked('Drive cabinet 7'), await person('Ines')));
    const after = await stateOf(opened.job);
    expect(after.plan.title).toBe('Drive cabinet 7');
    expect(after.plan.asset).toMatchObject({ code: 'MILL-9' });
    expect(after.plan.number).not.toBe(before.plan.number);
    expect(after.plan.fasteners).toEqual(before.plan.fasteners);
    expect(after.fasteners.every(({ pulls }) => pulls.length === 0)).toBe(true);
  });

  test('the same sent again opens one job; its ids in another job are refused', async () => {
    const { id } = await kept('Sent twice');
    const by = await person('Tam');
    const once = asked();
    const first = valueOrThrow(await openTemplate(id, once, by));
    expect(valueOrThrow(await openTemplate(id, once, by)).id).toBe(first.id);
    const other = await openTemplate(id, { ...once, jobId: uuidv7() }, by);
    expect(other).toMatchObject({ ok: false, refusal: { code: 'event-id-used' } });
  });

  test('the same sent six times at once opens one job, and each is told so', async () => {
    const { id } = await kept('Sent at once');
    const by = await person('Tam');
    const once = asked();
    const all = await Promise.all(Array.from({ length: 6 }, () => openTemplate(id, once, by)));
    expect(new Set(all.map((each) => valueOrThrow(each).id)).size).toBe(1);
  });

  test('its next revision is the plan of another job; what was opened before stays as it was', async () => {
    const { id } = await kept('Revised');
    const by = await person('Lea');
    const opened = valueOrThrow(await openTemplate(id, asked(), by)).job;
    const collets = await colletJob();
    const next = { id, title: 'Revised', job: collets, basedOn: 1 };
    expect(valueOrThrow(await keepTemplate(next, by))).toMatchObject({ revision: 2, fasteners: 1 });
    expect((await stateOf(opened)).plan.groups[0]?.kind.code).toBe(PLAIN_CABINET.code);
    expect(valueOrThrow(await templateNow(id)).template.assembly.groups[0]?.kind.code).toBe('collet-nut');
    expect((await allTemplates()).filter((each) => each.id === id)).toHaveLength(1);
    // The same sent again is the same revision; what rests on one that is gone is refused, and who changed it named.
    expect(valueOrThrow(await keepTemplate(next, by))).toMatchObject({ revision: 2 });
    expect(await keepTemplate({ ...next, title: 'Other', basedOn: 1 }, by)).toMatchObject({
      refusal: { code: 'revision-stale', by: 'Lea' },
    });
  });

  test('of many who revise it at once one is first, the others are told', async () => {
    const { id } = await kept('At once');
    const by = await person('Tam');
    const jobs = await Promise.all(Array.from({ length: 6 }, async () => (await plannedJob()).job));
    const results = await Promise.all(
      jobs.map((job) => keepTemplate({ id, title: 'At once', job, basedOn: 1 }, by)),
    );
    expect(results.filter(({ ok }) => ok)).toHaveLength(1);
    expect(valueOrThrow(await templateNow(id)).revision).toBe(2);
  });

  test('its parts stay with the job it came from, unless the same are worked again', async () => {
    const { id } = await kept('Holder', await colletJob());
    const by = await person('Tam');
    const others = valueOrThrow(await openTemplate(id, asked(), by)).job;
    expect((await stateOf(others)).plan.groups[0]?.parts).toEqual([]);
    const same = valueOrThrow(await openTemplate(id, { ...asked(), isSameParts: true }, by)).job;
    expect((await stateOf(same)).plan.groups[0]?.parts.map(({ code }) => code)).toEqual(['KT-1']);
  });

  test('one that is not there, a job that is not there, and a revision out of nothing are refused', async () => {
    const by = await person('Tam');
    const missing = { ok: false, refusal: { code: 'not-found' } };
    expect(await openTemplate(uuidv7(), asked(), by)).toMatchObject(missing);
    expect(await keepTemplate({ id: uuidv7(), title: 'x', job: uuidv7(), basedOn: 0 }, by)).toMatchObject(
      missing,
    );
    const { job } = await plannedJob();
    expect(await keepTemplate({ id: uuidv7(), title: 'x', job, basedOn: 3 }, by)).toMatchObject(missing);
  });

  test('its label says the address that opens it; what is written on it is no markup', async () => {
    const { id } = await kept('A <b>bold</b> & "long" assembly with a very long name indeed');
    const svg = Buffer.from(
      valueOrThrow(await templateLabelSvg(id, 'https://bench.example')).bytes,
    ).toString();
    expect(svg).not.toContain('<b>');
    expect(svg).toContain('&#60;b&#62;');
    expect(svg).toContain('2 fasteners');
  });
});

describe('a kind of joint that a site writes itself', () => {
  const like = {
    ...SOFT_SEAT_RING,
    code: 'own-shutter-rail',
    name: 'Shutter rail',
    order: 'alternating',
  } as const;
  const rail = async (jointKind = 'own-shutter-rail') => {
    const { lines } = valueOrThrow(
      fastenerLines('position,label,requirement\nS1,rail,0.9 Nm\nS2,rail,0.9 Nm'),
    );
    const group = { id: 'A', title: 'Rail', jointKind, seenFrom: 'from above', irreplaceable: [] };
    return planJob({ ...newJob(), lines, groups: [group] }, await person('Tam'));
  };

  test('jobs are planned by it; its next revision leaves their plans as they were', async () => {
    expect(await rail()).toMatchObject({ refusal: { code: 'joint-kind-unknown' } });
    const lead = await person('Lea');
    expect(valueOrThrow(await writeJointKind(like, 0, lead)).kind.revision).toBe(1);
    const first = valueOrThrow(await rail()).job;
    expect((await stateOf(first)).plan.groups[0]?.kind).toEqual({ ...like, revision: 1 });
    valueOrThrow(await writeJointKind({ ...like, name: 'Shutter rail, dry' }, 1, lead));
    const second = valueOrThrow(await rail()).job;
    expect((await stateOf(second)).plan.groups[0]?.kind).toMatchObject({
      revision: 2,
      name: 'Shutter rail, dry',
    });
    expect((await stateOf(first)).plan.groups[0]?.kind.revision).toBe(1);
    expect((await ownKinds()).filter(({ kind }) => kind.code === like.code)).toHaveLength(1);
    // What is opened as before takes the kind as it is now.
    const { id } = await kept('Rail', first);
    const again = valueOrThrow(await openTemplate(id, asked(), lead)).job;
    expect((await stateOf(again)).plan.groups[0]?.kind.revision).toBe(2);
  });

  test('of an older revision nothing is kept, and one that jobs can’t be worked by is refused', async () => {
    const lead = await person('Lea');
    const other = { ...like, code: 'own-other' };
    valueOrThrow(await writeJointKind(other, 0, lead));
    expect(await writeJointKind(other, 0, lead)).toMatchObject({ refusal: { code: 'revision-stale' } });
    const refusedAs = async (change: object) => await writeJointKind({ ...other, ...change }, 1, lead);
    const [full] = ONE_PASS;
    const half = { name: 'half', amount: { kind: 'share', share: 0.5 } } as const;
    for (const [what, change] of [
      ['code', { code: 'collet-nut' }],
      ['passes', { passes: [full, half] }],
      ['passes', { passes: [half] }],
      ['moved', { words: { ...like.words, moved: '' } }],
      ['details', { details: [{ id: 'colour', name: 'Colour', missing: 'none' }] }],
      ['cautions', { steps: [] }],
    ] as const)
      expect(await refusedAs(change)).toMatchObject({ refusal: { code: 'joint-kind-impossible', what } });
  });
});

describe('a machine that is tightened again and again', () => {
  const CODE = 'Drehbank Ω-7';
  const signed = async (job: string): Promise<void> => {
    const by = await person('Tam');
    await appendEvents(job, await readyEvents(job, by), by);
    for (const { planned } of (await stateOf(job)).fasteners)
      await appendEvents(job, pullEvents(await stateOf(job), planned.position, by), by);
    valueOrThrow(await signJob(job, await signatureOf(job, by, 'done')));
  };

  test('it is due so many days after what was recorded last, and never while its job is open', async () => {
    const asset = { code: CODE, name: 'lathe' };
    const by = await person('Ines');
    const { lines, groups } = newJob();
    const job = valueOrThrow(await planJob({ ...newJob(), lines, groups, asset }, by)).job;
    valueOrThrow(await setMachineInterval(CODE, 30, by));
    const [open] = await intervals(CODE);
    expect(open).toMatchObject({ code: CODE, name: 'lathe', days: 30, setBy: 'Ines', isDue: false });
    expect(open?.job.isSigned).toBe(false);
    await signed(job);
    const [done] = await intervals(CODE);
    expect(done?.job).toMatchObject({ id: job, isSigned: true });
    const left = Date.parse(done?.dueAt ?? '') - Date.now();
    expect(left).toBeGreaterThan(29.9 * 86_400_000);
    expect(left).toBeLessThan(30.1 * 86_400_000);
    const ids = { jobId: uuidv7(), eventId: uuidv7(), deviceTime: new Date().toISOString() };
    const next = valueOrThrow(await openNextJob(CODE, ids, by));
    expect(valueOrThrow(await openNextJob(CODE, ids, by)).id).toBe(next.id);
    const after = await stateOf(next.job);
    expect(after.plan).toMatchObject({ asset: { code: CODE } });
    expect(after.plan.fasteners).toEqual((await stateOf(job)).plan.fasteners);
    expect((await intervals(CODE))[0]?.job.id).toBe(next.job);
    valueOrThrow(await setMachineInterval(CODE, null, by));
    expect(await intervals(CODE)).toEqual([]);
  });

  test('a machine that no job was planned on has none', async () => {
    const by = await person('Tam');
    expect(await setMachineInterval('NOBODY-1', 10, by)).toMatchObject({ refusal: { code: 'not-found' } });
    const ids = { jobId: uuidv7(), eventId: uuidv7(), deviceTime: new Date().toISOString() };
    expect(await openNextJob('NOBODY-1', ids, by)).toMatchObject({ refusal: { code: 'not-found' } });
  });

  test('days are days, over the end of a year and a leap day', () => {
    expect(dueAgainAt('2027-12-31T10:00:00.000Z', 1)).toBe('2028-01-01T10:00:00.000Z');
    expect(dueAgainAt('2028-02-28T10:00:00.000Z', 2)).toBe('2028-03-01T10:00:00.000Z');
  });
});
