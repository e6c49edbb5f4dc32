import { beforeEach, describe, expect, test, vi } from 'vitest';
import { type JobStore, jobStore } from '#client/job/job-store.ts';
import { sendSignal } from '#client/outbox/signals.ts';
import { forgetEntries, keepEvent, readOutbox } from '#client/outbox/store.ts';
import { JOB_ID, SampleJob, TECHNICIAN, TOOL, taken } from '../core/job/sample-job.ts';
import { appliedPulls } from './applied-pulls.ts';
import { inABrowser, siteAnswering } from './browser.ts';
import { eventually } from './eventually.ts';

inABrowser();

beforeEach(async () => {
  const { entries } = await readOutbox();
  await forgetEntries(entries);
});

const quiet = () => siteAnswering(() => ({ status: 200, body: [] }));
const opened = async (job: SampleJob, upTo = job.events.length): Promise<JobStore> => {
  const store = jobStore(JOB_ID, job.chain().slice(0, upTo), TECHNICIAN);
  store.start();
  await eventually(() => expect(store.snapshot().isReady).toBe(true));
  return store;
};

describe('a job on this device', () => {
  test('what happens is folded at once, kept here, and told to whoever sends', async () => {
    quiet();
    const store = await opened(new SampleJob());
    const heard = vi.fn();
    store.subscribe(heard);
    expect(store.happen({ kind: 'tool-chosen', body: taken(TOOL) }).ok).toBe(true);
    expect(store.snapshot().view.takenTools.has(TOOL.id)).toBe(true);
    expect(store.snapshot().waiting).toBe(1);
    expect(heard).toHaveBeenCalled();
    await eventually(async () => expect((await readOutbox()).entries).toHaveLength(1));
  });

  test('what can’t happen changes nothing', async () => {
    quiet();
    const store = await opened(new SampleJob());
    const before = store.snapshot();
    const refused = store.happen({ kind: 'fastener-loosened', body: { position: '1' } });
    expect(refused).toMatchObject({ ok: false, refusal: { code: 'nothing-to-loosen' } });
    expect(store.snapshot()).toBe(before);
  });

  test('what waited here since before is part of the job again', async () => {
    quiet();
    const job = new SampleJob().ready();
    for (const event of job.events.slice(1)) await keepEvent(event);
    const store = await opened(job, 1);
    expect(store.snapshot().view.cautions).not.toBeNull();
    expect(store.snapshot().waiting).toBe(2);
  });

  test('what a tab kept that was ended before it told of it is part of the job once one turns to this tab', async () => {
    quiet();
    const job = new SampleJob().ready();
    const store = await opened(job, 1);
    const { entries } = await readOutbox();
    expect(entries).toEqual([]);
    for (const event of job.events.slice(1)) await keepEvent(event);
    expect(store.snapshot().waiting).toBe(0);
    window.dispatchEvent(new Event('focus'));
    await eventually(() => expect(store.snapshot().waiting).toBe(2));
  });

  test('once the site has placed it, it waits no more and the head has moved', async () => {
    quiet();
    const job = new SampleJob().ready();
    for (const event of job.events.slice(1)) await keepEvent(event);
    const store = await opened(job, 1);
    sendSignal({ kind: 'placed', events: job.chain().slice(1) });
    expect(store.snapshot()).toMatchObject({ waiting: 0, head: { sequence: 3 } });
  });

  test('what a colleague placed between is fetched whole', async () => {
    const job = new SampleJob().ready().setFor('1');
    siteAnswering((path) => ({ status: 200, body: path.includes('after=') ? [] : job.chain() }));
    const store = await opened(job, 1);
    store.take(job.chain().slice(3));
    await eventually(() => expect(store.snapshot().view.cautions).not.toBeNull());
    expect(store.snapshot().head.sequence).toBe(4);
  });

  test('the work goes on when the site does not answer', async () => {
    siteAnswering(() => 'no-connection');
    const store = await opened(new SampleJob());
    expect(store.happen({ kind: 'tool-chosen', body: taken(TOOL) }).ok).toBe(true);
  });

  test('a device that is set back an hour goes on looking for what others did', async () => {
    const asked = vi.fn(() => ({ status: 200, body: [] }));
    siteAnswering(asked);
    await opened(new SampleJob());
    const clock = vi.spyOn(Date, 'now').mockReturnValue(Date.now() - 3_600_000);
    const before = asked.mock.calls.length;
    await eventually(() => expect(asked.mock.calls.length).toBeGreaterThan(before));
    clock.mockRestore();
  });

  test('what holds up the sending is said until something is sent', async () => {
    quiet();
    const job = new SampleJob();
    const store = await opened(job);
    sendSignal({ kind: 'stuck', because: 'site-busy', job: JOB_ID });
    expect(store.snapshot().stuck).toBe('site-busy');
    sendSignal({ kind: 'placed', events: job.chain().map((event) => ({ ...event, job: 'another' })) });
    expect(store.snapshot().stuck).toBe('site-busy');
    sendSignal({ kind: 'placed', events: job.chain() });
    expect(store.snapshot().stuck).toBeNull();
  });

  test('a pull that the site judges otherwise is told until it is seen, and not told again', async () => {
    quiet();
    const job = appliedPulls();
    const store = await opened(job);
    expect(store.snapshot().told).toMatchObject([{ position: '1', stands: 'no-verdict' }]);
    store.seen(store.snapshot().told[0]?.eventId ?? '');
    expect(store.snapshot().told).toEqual([]);
    expect((await opened(job)).snapshot().told).toEqual([]);
  });

  test('a device that can’t store says so', async () => {
    quiet();
    const store = await opened(new SampleJob());
    vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('the disk is full', 'QuotaExceededError');
    });
    store.happen({ kind: 'tool-chosen', body: taken(TOOL) });
    await eventually(() =>
      expect(store.snapshot().storageProblem?.problem).toEqual({ code: 'device-storage-failed' }),
    );
  });
});
