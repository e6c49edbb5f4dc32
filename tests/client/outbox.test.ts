import { openDB } from 'idb';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { noteSiteLife, siteLifeSettled, siteWasRestored } from '#client/device/site-life.ts';
import { isInMemory, type OutboxEntry } from '#client/outbox/entry.ts';
import { lostByRestore, sendLostAgain } from '#client/outbox/lost-by-restore.ts';
import { exportedEntries, sendAgain, setAsideFor } from '#client/outbox/refused.ts';
import { startSending } from '#client/outbox/sender.ts';
import { forgetSent, keepSent, readSent } from '#client/outbox/sent.ts';
import { type OutboxSignal, onSignal } from '#client/outbox/signals.ts';
import { forgetEntries, keepEvent, quarantineEntry, readOutbox } from '#client/outbox/store.ts';
import type { UnplacedEvent } from '#core/event/event.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import { SampleJob, TECHNICIAN } from '../core/job/sample-job.ts';
import { inABrowser, siteAnswering } from './browser.ts';
import { eventually } from './eventually.ts';

inABrowser();

const emptied = async (): Promise<void> => {
  const { entries, unreadable } = await readOutbox();
  await forgetEntries([...entries, ...unreadable]);
};
beforeEach(emptied);

const events = (): readonly UnplacedEvent[] => new SampleJob().ready().pull('1').events.slice(1);
const leftByAnotherPage = async (event: UnplacedEvent): Promise<void> => {
  const db = await openDB('jentik-outbox');
  await db.put('entries', { entryVersion: 1, state: 'queued', event, problem: null });
  db.close();
};
const idsSent = (asked: readonly { readonly body: unknown }[]): readonly string[] =>
  asked.flatMap(({ body }) => (body as { events?: UnplacedEvent[] })?.events?.map(({ id }) => id) ?? []);
const told = (): readonly OutboxSignal[] => {
  const news: OutboxSignal[] = [];
  onSignal((each) => news.push(each));
  return news;
};
/** What a site answers that places everything it is sent. */
const placing = (body: unknown) => {
  const sent = (body as { events: readonly { id: string; job: string }[] }).events;
  const chain = new SampleJob().chain();
  const placed = sent.map((event, index) => ({ ...chain[0], ...event, sequence: index + 2 }));
  return { status: 200, body: { placed, refused: null, receivedAt: '2026-11-02T08:10:00.000Z' } };
};

describe('what waits on this device', () => {
  test('is kept in the order it happened, and let go by number', async () => {
    const [first, second, third] = events();
    for (const event of [first, second, third]) await keepEvent(event as UnplacedEvent);
    const { entries } = await readOutbox();
    expect(entries.map(({ event }) => event.id)).toEqual([first, second, third].map((event) => event?.id));
    await forgetEntries(entries.slice(1, 2));
    expect((await readOutbox()).entries.map(({ event }) => event.id)).toEqual([first?.id, third?.id]);
  });

  test('many at once are written together, in their order; one that can’t be stored keeps none of the others out', async () => {
    const all = Array.from({ length: 60 }, () => events()[0] as UnplacedEvent);
    const unstorable = { ...events()[0], body: { position: () => '1' } } as unknown as UnplacedEvent;
    const kept = await Promise.all([...all.slice(0, 30), unstorable, ...all.slice(30)].map(keepEvent));
    expect(kept.filter((isOnDisk) => !isOnDisk)).toHaveLength(1);
    expect(kept[30]).toBe(false);
    const onDisk = (await readOutbox()).entries.filter((entry) => !isInMemory(entry));
    expect(onDisk.map(({ event }) => event.id)).toEqual(all.map(({ id }) => id));
    const db = await openDB('jentik-outbox');
    expect(await db.count('entries')).toBe(60);
    db.close();
    await forgetEntries((await readOutbox()).entries);
  });

  test('what was refused stays, with why', async () => {
    await keepEvent(events()[0] as UnplacedEvent);
    const [entry] = (await readOutbox()).entries;
    await quarantineEntry(entry as never, problemDetails({ code: 'job-signed' }));
    expect((await readOutbox()).entries).toMatchObject([
      { state: 'refused', problem: { problem: { code: 'job-signed' } } },
    ]);
  });

  test('an event that an older page queued is lifted; what can’t be read is kept and counted', async () => {
    const [chosen] = events();
    const {
      groups: _,
      isBeside: __,
      ...older
    } = (chosen as { body: object } & UnplacedEvent).body as never as {
      groups: null;
      isBeside: boolean;
    };
    await keepEvent({ ...chosen, schemaVersion: 2, body: older } as never);
    const db = await openDB('jentik-outbox');
    await db.put('entries', { entryVersion: 99, note: 'from the future' });
    const { entries, unreadable } = await readOutbox();
    expect(entries[0]?.event).toMatchObject({ schemaVersion: 3, body: { groups: null, isBeside: false } });
    expect(unreadable).toHaveLength(1);
    expect(await db.count('entries')).toBe(2);
  });
});

describe('sending', () => {
  const sentAll = (): Promise<unknown> =>
    eventually(async () => expect((await readOutbox()).entries).toEqual([]));

  test('sends what waits of the person who is signed in, in order, and lets go of what was placed', async () => {
    const waiting = events();
    for (const event of waiting) await keepEvent(event);
    const asked = siteAnswering((_, body) => placing(body));
    const news = told();
    const stop = startSending(TECHNICIAN);
    await sentAll();
    stop();
    const sent = asked.flatMap(({ body }) =>
      (body as { events: UnplacedEvent[] }).events.map(({ id }) => id),
    );
    expect(sent).toEqual(waiting.map(({ id }) => id));
    expect(news.filter(({ kind }) => kind === 'placed')).toHaveLength(1);
  });

  test('what another person did waits for them', async () => {
    const [event] = events();
    await keepEvent(event as UnplacedEvent);
    const asked = siteAnswering((_, body) => placing(body));
    const stop = startSending({ ...TECHNICIAN, id: '0190a000-0000-7000-8000-00000000000f' });
    await new Promise((resolve) => setTimeout(resolve, 100));
    stop();
    expect(asked).toEqual([]);
    expect((await readOutbox()).entries).toHaveLength(1);
  });

  test('without a connection it waits, says so, and sends once there is one', async () => {
    let isAway = true;
    await keepEvent(events()[0] as UnplacedEvent);
    siteAnswering((_, body) => (isAway ? 'no-connection' : placing(body)));
    const news = told();
    const stop = startSending(TECHNICIAN);
    await eventually(() =>
      expect(news).toContainEqual({ kind: 'stuck', because: 'no-connection', job: events()[0]?.job }),
    );
    isAway = false;
    await sentAll();
    stop();
  });

  test('one that does not fit is set aside, and those before it are sent', async () => {
    const [good, bad] = events();
    for (const event of [good, bad]) await keepEvent(event as UnplacedEvent);
    siteAnswering((_, body) => {
      const sent = (body as { events: readonly UnplacedEvent[] }).events;
      const fine = sent.filter(({ id }) => id !== bad?.id);
      const { body: answer } = placing({ events: fine });
      const refused = sent.some(({ id }) => id === bad?.id)
        ? { eventId: bad?.id, problem: { code: 'cautions-incomplete' } }
        : null;
      return { status: 200, body: { ...answer, refused } };
    });
    const stop = startSending(TECHNICIAN);
    await eventually(async () =>
      expect((await readOutbox()).entries).toMatchObject([{ state: 'refused', event: { id: bad?.id } }]),
    );
    stop();
  });

  test('a store that gives nothing out is said; what this page holds is sent all the same, and what others left once it does', async () => {
    const [here, elsewhere] = events();
    await leftByAnotherPage(elsewhere as UnplacedEvent);
    await keepEvent(here as UnplacedEvent);
    const asked = siteAnswering((_, body) => placing(body));
    const broken = vi.spyOn(IDBObjectStore.prototype, 'getAll').mockImplementation(() => {
      throw new DOMException('the disk is full', 'UnknownError');
    });
    const news = told();
    const stop = startSending(TECHNICIAN);
    await eventually(() =>
      expect(news).toContainEqual({ kind: 'stuck', because: 'device-store', job: null }),
    );
    await eventually(() => expect(idsSent(asked)).toEqual([here?.id]));
    broken.mockRestore();
    await eventually(() => expect(idsSent(asked)).toContain(elsewhere?.id));
    await sentAll();
    stop();
  });

  test('an answer that is not understood is asked for again, and sets nothing aside', async () => {
    let isOdd = true;
    await keepEvent(events()[0] as UnplacedEvent);
    siteAnswering((_, body) => (isOdd ? { status: 200, body: { placed: 'yes' } } : placing(body)));
    const news = told();
    const stop = startSending(TECHNICIAN);
    await eventually(() =>
      expect(news).toContainEqual({ kind: 'stuck', because: 'answer-unclear', job: expect.anything() }),
    );
    expect((await readOutbox()).entries).toMatchObject([{ state: 'queued' }]);
    isOdd = false;
    await sentAll();
    stop();
  });

  test('an answer that speaks of none of what was sent is asked for again', async () => {
    let isOdd = true;
    await keepEvent(events()[0] as UnplacedEvent);
    const asked = siteAnswering((_, body) => {
      const { body: answer, status } = placing(body);
      return { status, body: isOdd ? { ...answer, placed: [] } : answer };
    });
    const stop = startSending(TECHNICIAN);
    await eventually(() => expect(asked.length).toBeGreaterThan(1));
    isOdd = false;
    await sentAll();
    stop();
  });

  test('a job that is refused or not answered holds up no other', async () => {
    const OTHER = '0190a000-0000-7000-8000-0000000000c7';
    const [first, second] = events();
    await keepEvent(first as UnplacedEvent);
    await keepEvent({ ...second, job: OTHER } as UnplacedEvent);
    siteAnswering((path, body) => (path.includes(OTHER) ? placing(body) : 'no-connection'));
    const stop = startSending(TECHNICIAN);
    await eventually(async () =>
      expect((await readOutbox()).entries.map(({ event }) => event.job)).toEqual([first?.job]),
    );
    stop();
    await emptied();
  });

  test('a listener that throws stops nothing', async () => {
    const quiet = vi.spyOn(console, 'error').mockImplementation(() => {});
    const stopListening = onSignal(() => {
      throw new Error('a screen failed');
    });
    for (const event of events()) await keepEvent(event);
    siteAnswering((_, body) => placing(body));
    const stop = startSending(TECHNICIAN);
    await sentAll();
    stop();
    stopListening();
    expect(quiet).toHaveBeenCalled();
  });
});

describe('a device that can’t store', () => {
  const full = () =>
    vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('the disk is full', 'QuotaExceededError');
    });

  test('what could not be written waits in this page, in its place among what was', async () => {
    const [first, second, third] = events();
    expect(await keepEvent(first as UnplacedEvent)).toBe(true);
    const disk = full();
    expect(await keepEvent(second as UnplacedEvent)).toBe(false);
    disk.mockRestore();
    expect(await keepEvent(third as UnplacedEvent)).toBe(true);
    const { entries } = await readOutbox();
    expect(entries.map(({ event }) => event.id)).toEqual([first, second, third].map((event) => event?.id));
    expect(entries.map(isInMemory)).toEqual([false, true, false]);
  });

  test('what is still on its way to the disk keeps its place, whatever is there first', async () => {
    const waiting = Array.from({ length: 24 }, () => events()[0] as UnplacedEvent);
    const writes = waiting.map((event) => keepEvent(event));
    let isDone = false;
    void Promise.all(writes).then(() => {
      isDone = true;
    });
    while (!isDone) {
      const ids = (await readOutbox()).entries.map(({ event }) => event.id);
      expect(ids).toEqual(waiting.map(({ id }) => id));
    }
  });

  test('a clock that is set back changes no order', async () => {
    const [first, second] = events();
    await keepEvent(first as UnplacedEvent);
    vi.spyOn(Date, 'now').mockReturnValue(Date.parse('2020-01-01'));
    await keepEvent(second as UnplacedEvent);
    expect((await readOutbox()).entries.map(({ event }) => event.id)).toEqual([first?.id, second?.id]);
  });

  test('it is sent from memory, once and in order', async () => {
    const disk = full();
    const waiting = events();
    for (const event of waiting) await keepEvent(event);
    const asked = siteAnswering((_, body) => placing(body));
    const stop = startSending(TECHNICIAN);
    await eventually(async () => expect((await readOutbox()).entries).toEqual([]));
    stop();
    disk.mockRestore();
    expect(idsSent(asked)).toEqual(waiting.map(({ id }) => id));
  });

  test('a disk that does not answer is given up, and what gets there later counts once', async () => {
    const [first] = events();
    const slow = vi.spyOn(IDBDatabase.prototype, 'transaction').mockImplementation(() => {
      throw new DOMException('closed', 'InvalidStateError');
    });
    expect(await keepEvent(first as UnplacedEvent)).toBe(false);
    slow.mockRestore();
    expect((await readOutbox()).entries).toHaveLength(1);
  });
});

describe('what was refused', () => {
  const refused = async (): Promise<OutboxEntry> => {
    await keepEvent(events()[0] as UnplacedEvent);
    const [entry] = (await readOutbox()).entries;
    await quarantineEntry(entry as OutboxEntry, problemDetails({ code: 'job-signed' }));
    return (await readOutbox()).entries[0] as OutboxEntry;
  };

  test('is sent again when a person says so', async () => {
    const entry = await refused();
    siteAnswering((_, body) => placing(body));
    const stop = startSending(TECHNICIAN);
    await sendAgain(entry);
    await eventually(async () => expect((await readOutbox()).entries).toEqual([]));
    stop();
  });

  test('is set aside only once the site’s log has it, with the reason', async () => {
    const entry = await refused();
    siteAnswering(() => 'no-connection');
    expect(await setAsideFor(entry, 'done again')).toMatchObject({ problem: { code: 'no-connection' } });
    expect((await readOutbox()).entries).toHaveLength(1);
    const asked = siteAnswering(() => ({ status: 200, body: { at: '2026-11-02T08:10:00.000Z' } }));
    expect(await setAsideFor(entry, 'done again')).toBeNull();
    expect(asked[0]?.body).toMatchObject({
      why: 'done again',
      kept: { id: entry.event.id },
      problem: { code: 'job-signed' },
    });
    expect((await readOutbox()).entries).toEqual([]);
  });

  test('is given out as a file, whole', async () => {
    const entry = await refused();
    expect(JSON.parse(exportedEntries([entry]))).toEqual([
      { state: 'refused', problem: { code: 'job-signed' }, event: entry.event },
    ]);
  });
});

describe('a site that was restored', () => {
  test('is offered what this device sent and it no longer has, under the same ids', async () => {
    const chain = new SampleJob().ready().pull('1').chain();
    await forgetSent((await readSent()).map(({ id }) => id));
    keepSent(chain.slice(1));
    await eventually(async () => expect(await readSent()).toHaveLength(chain.length - 1));
    const asked = siteAnswering((_path, body) =>
      body === undefined ? { status: 200, body: chain.slice(0, 3) } : placing(body),
    );
    const lost = await lostByRestore();
    expect(lost?.map(({ event }) => event.id)).toEqual(chain.slice(3).map(({ id }) => id));
    await sendLostAgain(lost ?? []);
    const { entries } = await readOutbox();
    expect(entries.map(({ event }) => event.id)).toEqual(chain.slice(3).map(({ id }) => id));
    expect(entries[0]?.event).not.toHaveProperty('hash');
    const stop = startSending(TECHNICIAN);
    await eventually(async () => expect((await readOutbox()).entries).toEqual([]));
    stop();
    expect(asked.length).toBeGreaterThan(1);
  });

  test('of a job that is gone, and of signatures, nothing is sent: they are named', async () => {
    const chain = new SampleJob().ready().chain();
    await forgetSent((await readSent()).map(({ id }) => id));
    keepSent(chain);
    await eventually(async () => expect(await readSent()).toHaveLength(chain.length));
    siteAnswering(() => ({ status: 200, body: [] }));
    const lost = await lostByRestore();
    expect(lost).toHaveLength(chain.length);
    expect(lost?.every(({ maySend }) => !maySend)).toBe(true);
  });

  test('is noticed by the life that its answers bear', () => {
    noteSiteLife('first');
    expect(siteWasRestored.snapshot()).toBe(false);
    noteSiteLife('2026-11-02T08:10:00.000Z');
    expect(siteWasRestored.snapshot()).toBe(true);
    siteLifeSettled();
    noteSiteLife('2026-11-02T08:10:00.000Z');
    expect(siteWasRestored.snapshot()).toBe(false);
  });
});
