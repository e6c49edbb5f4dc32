import { openDB } from 'idb';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { startSending } from '#client/outbox/sender.ts';
import { type OutboxSignal, onSignal } from '#client/outbox/signals.ts';
import { forgetEntries, keepEvent, quarantineEntry, readOutbox } from '#client/outbox/store.ts';
import type { UnplacedEvent } from '#core/event/event.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import { SampleJob, TECHNICIAN } from '../core/job/sample-job.ts';
import { inABrowser, siteAnswering } from './browser.ts';

inABrowser();

const emptied = async (): Promise<void> => {
  const { entries, unreadable } = await readOutbox();
  await forgetEntries([...entries, ...unreadable].map(({ seq }) => seq));
};
beforeEach(emptied);

const events = (): readonly UnplacedEvent[] => new SampleJob().ready().pull('1').events.slice(1);
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
    await forgetEntries([entries[1]?.seq ?? 0]);
    expect((await readOutbox()).entries.map(({ event }) => event.id)).toEqual([first?.id, third?.id]);
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
  const sentAll = async (): Promise<void> =>
    vi.waitFor(async () => expect((await readOutbox()).entries).toEqual([]), { timeout: 5000 });

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
    await vi.waitFor(() => expect(news).toContainEqual({ kind: 'stuck', because: 'no-connection' }));
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
    await vi.waitFor(async () =>
      expect((await readOutbox()).entries).toMatchObject([{ state: 'refused', event: { id: bad?.id } }]),
    );
    stop();
  });

  test('a store that gives nothing out is said, and tried again', async () => {
    await keepEvent(events()[0] as UnplacedEvent);
    siteAnswering((_, body) => placing(body));
    const broken = vi.spyOn(IDBObjectStore.prototype, 'getAll').mockImplementation(() => {
      throw new DOMException('the disk is full', 'UnknownError');
    });
    const news = told();
    const stop = startSending(TECHNICIAN);
    await vi.waitFor(() => expect(news).toContainEqual({ kind: 'stuck', because: 'device-store' }));
    broken.mockRestore();
    await sentAll();
    stop();
  });
});
