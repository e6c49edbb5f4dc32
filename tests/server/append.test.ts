import { createConnection } from 'mysql2/promise';
import { v7 as uuidv7 } from 'uuid';
import { describe, expect, inject, test, vi } from 'vitest';
import type { UnplacedEvent } from '#core/event/event.ts';
import { valueOrThrow } from '#core/fault.ts';
import { firstBreak } from '#core/ledger/hash-chain.ts';
import { appendEvents } from '#server/append/append-events.ts';
import { inTurn } from '#server/append/in-turn.ts';
import { database } from '#server/database/pool.ts';
import { inTransaction } from '#server/database/transaction.ts';
import { exportRecord } from '#server/services/export-record.ts';
import { planJob } from '#server/services/plan-job.ts';
import { allJobs } from '#server/services/read-site.ts';
import { rebuildProjections } from '#server/services/rebuild-projections.ts';
import {
  eventsInDatabase,
  happening,
  newJob,
  PINS,
  person,
  plannedJob,
  pullEvents,
  readyEvents,
  signJob,
  stateOf,
} from './sample-site.ts';

const owner = () => createConnection({ uri: `${inject('ownerUrl')}/jentik` });
const asOwner = async (sql: string, values: readonly unknown[] = []): Promise<void> => {
  const db = await owner();
  await db.query(sql, [...values]);
  await db.end();
};

/** How many statements the server ran for some work, of those that a client sends. */
const statements = async (work: () => Promise<unknown>): Promise<number> => {
  const db = await owner();
  const count = async (): Promise<number> => {
    const [rows] = await db.query("SHOW GLOBAL STATUS WHERE Variable_name IN ('Questions')");
    return Number((rows as [{ Value: string }])[0].Value);
  };
  const before = await count();
  await work();
  const after = await count();
  await db.end();
  // The two questions about the count itself: one of them lies between.
  return after - before - 1;
};

const marks = (
  job: string,
  by: Awaited<ReturnType<typeof person>>,
  count: number,
): readonly UnplacedEvent[] =>
  Array.from({ length: count }, (_, index) =>
    happening(job, by, { kind: 'left-open', body: { position: 'X1', why: `spare ${index}` } }),
  );

describe('an append', () => {
  test('takes as many statements for three hundred events as for forty, one less for one, and no more than ten', async () => {
    const { job } = await plannedJob();
    const tam = await person('Tam');
    await appendEvents(job, await readyEvents(job, tam), tam);
    const view = await stateOf(job);
    const [set, pull] = pullEvents(view, 'X1', tam) as [UnplacedEvent, UnplacedEvent];
    await appendEvents(job, [set], tam);
    const pulls = (count: number) => Array.from({ length: count }, () => ({ ...pull, id: uuidv7() }));
    // Once before it is counted: a statement that is new to a connection is prepared first.
    for (let warm = 0; warm < 14; warm += 1) await appendEvents(job, pulls(2), tam);
    const of = (count: number) => statements(() => appendEvents(job, pulls(count), tam));
    const one = await of(1);
    expect(await of(39)).toBe(one);
    // A large batch is written in two halves.
    expect([await of(40), await of(300)]).toEqual([one + 1, one + 1]);
    expect(one).toBeLessThan(10);
    expect(firstBreak(await eventsInDatabase(job))).toBeNull();
  });

  test('answers what is in the ledger, as it is written there, however much of a large batch was there before', async () => {
    const { job } = await plannedJob();
    const tam = await person('Tam');
    const sent = marks(job, tam, 100);
    await appendEvents(job, sent.slice(0, 7), tam);
    for (const batch of [[...sent.slice(60), ...sent.slice(0, 60)], sent]) {
      const { placed, placedTexts } = valueOrThrow(await appendEvents(job, batch, tam));
      expect(placed.map(({ id }) => id)).toEqual(batch.map(({ id }) => id));
      expect(placedTexts.map((text) => JSON.parse(text))).toEqual(placed);
      const kept = await eventsInDatabase(job);
      expect(firstBreak(kept)).toBeNull();
      for (const event of placed) expect(kept.find(({ id }) => id === event.id)).toEqual(event);
    }
  });

  test('of one id to two jobs is answered, not a fault, and what came before it in the batch stays', async () => {
    const [{ job }, { job: other }] = [await plannedJob(), await plannedJob()];
    const tam = await person('Tam');
    const [first, second] = marks(job, tam, 2) as [UnplacedEvent, UnplacedEvent];
    await appendEvents(job, [first], tam);
    const stolen = { ...first, job: other };
    const before = { ...second, job: other };
    const result = valueOrThrow(await appendEvents(other, [before, stolen], tam));
    expect(result.placed.map(({ id }) => id)).toEqual([before.id]);
    expect(result.refused).toMatchObject({ eventId: first.id, problem: { code: 'event-id-used' } });
  });

  test.each([3, 49, 50, 97])(
    'of a hundred, the one at %d taken by another job, keeps those before it',
    async (at) => {
      const [{ job }, { job: other }] = [await plannedJob(), await plannedJob()];
      const tam = await person('Tam');
      const sent = marks(other, tam, 100);
      const taken = sent[at] as UnplacedEvent;
      await appendEvents(job, [{ ...taken, job }], tam);
      const result = valueOrThrow(await appendEvents(other, sent, tam));
      expect(result.placed.map(({ id }) => id)).toEqual(sent.slice(0, at).map(({ id }) => id));
      expect(result.refused).toMatchObject({ eventId: taken.id, problem: { code: 'event-id-used' } });
      const kept = await eventsInDatabase(other);
      expect(firstBreak(kept)).toBeNull();
      expect(kept.slice(-at).map(({ id }) => id)).toEqual(result.placed.map(({ id }) => id));
      // Nothing of the attempt is remembered: the rest goes in behind it.
      expect(valueOrThrow(await appendEvents(other, sent.slice(at + 1), tam)).placed).toHaveLength(99 - at);
    },
  );

  test('that collides is done again, whole', async () => {
    let tries = 0;
    const done = await inTransaction(async (db) => {
      tries += 1;
      await db.execute("UPDATE counters SET value = value + 1000 WHERE name = 'requirement'");
      if (tries < 3) throw Object.assign(new Error('deadlock'), { errno: 1213 });
      await db.execute("UPDATE counters SET value = value - 1000 WHERE name = 'requirement'");
      return 'done';
    });
    expect([done, tries]).toEqual(['done', 3]);
  });

  test('on a connection that died says what went wrong first, and the next one works', async () => {
    const killed = inTransaction(async (db) => {
      const [rows] = await db.execute('SELECT CONNECTION_ID() AS id');
      await asOwner(`KILL ${(rows as unknown as [{ id: number }])[0].id}`);
      await db.execute('SELECT 1');
    });
    await expect(killed).rejects.toThrow(/closed|lost|ended|ECONNRESET|EPIPE|killed/i);
    expect((await allJobs()).length).toBeGreaterThanOrEqual(0);
    expect(await inTransaction(async () => 'works')).toBe('works');
  });

  test('sends what is asked at once in one packet, and gives each its own answer', async () => {
    const answers = await inTransaction((db) =>
      Promise.all([
        db.query('SELECT :name AS one', { name: "it's :name; ? -- and \\ 'so'" }),
        db.query('SELECT 2 AS two UNION SELECT 3'),
        db.query('SELECT 4 AS four FROM counters WHERE name = :none', { none: 'none' }),
      ]),
    );
    expect(answers.map(([rows]) => rows)).toEqual([
      [{ one: "it's :name; ? -- and \\ 'so'" }],
      [{ two: 2 }, { two: 3 }],
      [],
    ]);
  });

  test.each([
    { what: 'a small write', text: 'x' },
    { what: 'a write that travels ahead', text: 'x'.repeat(60_000) },
  ])('commits nothing after $what that fails', async ({ text }) => {
    const value = async (): Promise<unknown> => {
      const [rows] = await database().query("SELECT value FROM counters WHERE name = 'requirement'");
      return rows;
    };
    const before = await value();
    const failed = inTransaction(async (db) => {
      await db.execute("UPDATE counters SET value = value + 1000 WHERE name = 'requirement'");
      db.write('INSERT INTO events (job_id, no_such_column) VALUES (:job, :text)', { job: 'x', text });
      await new Promise((resolve) => setTimeout(resolve, 30));
      db.write("UPDATE counters SET value = value + 5000 WHERE name = 'requirement'", {});
    });
    await expect(failed).rejects.toThrow('no_such_column');
    expect(await value()).toEqual(before);
  });

  test('commits nothing after a write that failed, whoever caught what travelled with it', async () => {
    const failed = inTransaction(async (db) => {
      await db.execute("UPDATE counters SET value = value + 1000 WHERE name = 'requirement'");
      db.write('INSERT INTO events (no_such_column) VALUES (:none)', { none: 1 });
      await db.execute('SELECT 1').catch(() => 'caught');
      await db.query('SELECT 1').catch(() => 'caught');
      return 'done';
    });
    await expect(failed).rejects.toThrow('no_such_column');
  });

  test('shows a read what was written before it', async () => {
    const [[inside], outside] = await inTransaction(
      async (db) => {
        db.write("UPDATE counters SET value = 77 WHERE name = 'requirement'", {});
        const [rows] = await db.execute("SELECT value FROM counters WHERE name = 'requirement'");
        const [others] = await database().query("SELECT value FROM counters WHERE name = 'requirement'");
        return [rows as unknown as readonly [{ value: number }], others] as const;
      },
      () => false,
    );
    expect(Number(inside.value)).toBe(77);
    expect(outside).not.toEqual([inside]);
  });

  test('waits for a lock and for a statement no longer than their limits, on either pool', async () => {
    const asked = 'SELECT @@innodb_lock_wait_timeout AS lockWait, @@max_statement_time AS statementTime';
    const [outside] = await database().query(asked);
    const [inside] = await inTransaction((db) => db.query(asked));
    for (const rows of [outside, inside])
      expect((rows as unknown as object[])[0]).toEqual({ lockWait: 2, statementTime: 12 });
  });

  test('meets a head that is locked for longer than one wait, and is repeated until it has it', async () => {
    const { job } = await plannedJob();
    const tam = await person('Tam');
    const holder = await owner();
    await holder.beginTransaction();
    await holder.query('SELECT head_sequence FROM jobs WHERE id = ? FOR UPDATE', [job]);
    const sent = marks(job, tam, 60);
    const appending = appendEvents(job, sent, tam);
    await new Promise((resolve) => setTimeout(resolve, 3_000));
    await holder.rollback();
    await holder.end();
    expect(valueOrThrow(await appending).placed).toHaveLength(60);
    expect(firstBreak(await eventsInDatabase(job))).toBeNull();
  });

  test('has as many tries left when the machine stood still during one', async () => {
    const start = Date.now();
    let stoodStillMs = 0;
    const clock = vi.spyOn(Date, 'now').mockImplementation(() => start + stoodStillMs);
    let tries = 0;
    const collide = (until: number) =>
      inTransaction(async () => {
        tries += 1;
        stoodStillMs += 60_000;
        if (tries < until) throw Object.assign(new Error('Deadlock'), { errno: 1213 });
        return tries;
      });
    try {
      expect(await collide(4)).toBe(4);
      tries = 0;
      // A try takes at most 2.5 s of the 12 s, so that the fifth is the last.
      await expect(collide(99)).rejects.toThrow('Deadlock');
      expect(tries).toBe(5);
    } finally {
      clock.mockRestore();
    }
  });

  test('waits for its turn at its own job, and for nobody else’s', async () => {
    const order: string[] = [];
    let release = (): void => {};
    const held = inTurn('a', () => new Promise<void>((resolve) => (release = resolve)));
    const next = inTurn('a', async () => void order.push('a again'));
    await inTurn('b', async () => void order.push('b'));
    release();
    await Promise.all([held, next]);
    await expect(inTurn('a', () => Promise.reject(new Error('broke')))).rejects.toThrow('broke');
    expect(await inTurn('a', async () => 'goes on')).toBe('goes on');
    expect(order).toEqual(['b', 'a again']);
  });
});

describe('numbers of jobs', () => {
  test('have no gaps, also where planning was refused between', async () => {
    const tam = await person('Tam');
    const number = async () =>
      Number((valueOrThrow(await planJob(newJob(), tam)).body as { number: string }).number);
    const first = await number();
    const angle =
      'position,label,x_mm,y_mm,conductor,requirement\nX1,a,1,1,,20 to 24 in-lb\nX1,b,2,2,,22 in-lb\n';
    expect((await planJob(newJob(angle), tam)).ok).toBe(false);
    expect(await number()).toBe(first + 1);
  });
});

describe('a ledger that lost something', () => {
  const worked = async () => {
    const { job } = await plannedJob();
    const tam = await person('Tam');
    await appendEvents(job, await readyEvents(job, tam), tam);
    for (const position of ['X1', 'X2'])
      await appendEvents(job, pullEvents(await stateOf(job), position, tam), tam);
    return { job, tam };
  };
  const signature = (job: string, personId: string) => ({
    eventId: uuidv7(),
    personId,
    pin: PINS.Tam,
    meaning: 'done' as const,
    head: { sequence: 7, hash: 'a'.repeat(64) },
    madeNoPull: false,
    deviceTime: '2026-11-02T09:00:00.000Z',
    job,
  });

  test.each([
    ['an event in the middle', 'DELETE FROM events WHERE job_id = ? AND sequence = 4', 4],
    ['the last event', 'DELETE FROM events WHERE job_id = ? AND sequence = 7', 7],
    [
      'a changed body',
      "UPDATE events SET body = REPLACE(body, '22.0', '23.0') WHERE job_id = ? AND sequence = 5",
      5,
    ],
    ['a head that is further than its events', 'UPDATE jobs SET head_sequence = 9 WHERE id = ?', 8],
  ])('%s: nothing is sealed or signed, and the place is said', async (_, sql, sequence) => {
    const { job, tam } = await worked();
    const kept = (await eventsInDatabase(job)).length;
    expect(kept).toBe(7);
    await asOwner(sql, [job]);
    const broken = { refusal: { code: 'ledger-broken', sequence } };
    expect(await exportRecord(job)).toMatchObject(broken);
    const { job: _job, ...signed } = signature(job, tam.id);
    expect(await signJob(job, signed)).toMatchObject(broken);
    expect(await rebuildProjections()).toEqual({ ok: false, refusal: { job, sequence } });
    await restore(job);
  });

  test.each([9, 2000])('it takes nothing either, with a head moved on to %i', async (sequence) => {
    const { job, tam } = await worked();
    await asOwner('UPDATE jobs SET head_sequence = ? WHERE id = ?', [sequence, job]);
    expect(await appendEvents(job, marks(job, tam, 1), tam)).toMatchObject({
      refusal: { code: 'ledger-broken', sequence: 8 },
    });
    await restore(job);
  });

  test('a rebuild that stops has touched nothing', async () => {
    const { job } = await worked();
    const pulls = async () => (await database().query('SELECT COUNT(*) AS n FROM pulls'))[0];
    const before = [await allJobs(), await pulls()];
    await asOwner('DELETE FROM events WHERE job_id = ? AND sequence = 2', [job]);
    expect((await rebuildProjections()).ok).toBe(false);
    expect([await allJobs(), await pulls()]).toEqual(before);
    await restore(job);
  });

  /** Takes the broken job out of the tests' site, so that the next test finds it whole. */
  const restore = async (job: string): Promise<void> => {
    await asOwner('DELETE FROM events WHERE job_id = ?', [job]);
    await asOwner('DELETE FROM pulls WHERE job_id = UNHEX(REPLACE(?, "-", ""))', [job]);
    await asOwner('DELETE FROM pull_counts WHERE job_id = UNHEX(REPLACE(?, "-", ""))', [job]);
    await asOwner('DELETE FROM job_references WHERE job_id = ?', [job]);
    await asOwner('DELETE FROM jobs WHERE id = ?', [job]);
  };
});

describe('rebuilt from the events', () => {
  test('every projection is row for row what the appends wrote', async () => {
    // What other tests wrote past the ledger is gone after this.
    valueOrThrow(await rebuildProjections());
    const { job } = await plannedJob();
    const tam = await person('Tam');
    await appendEvents(job, await readyEvents(job, tam), tam);
    const [set, pull] = pullEvents(await stateOf(job), 'X1', tam) as [UnplacedEvent, UnplacedEvent];
    await appendEvents(job, [set, pull], tam);
    const voided = happening(job, tam, {
      kind: 'pull-voided',
      body: { pullId: pull.id, why: 'wrong screw' },
    });
    await appendEvents(job, [voided], tam);
    const rows = async () => {
      const tables = ['pulls', 'pull_counts', 'jobs', 'job_references', 'tools'];
      const all = await Promise.all(
        tables.map(async (table) => (await database().query(`SELECT * FROM ${table} ORDER BY 1`))[0]),
      );
      const [found] = await database().query(
        'SELECT kind, ref_id, table_row, title, detail FROM search_entries ORDER BY 1, 2, 3',
      );
      return [...all, found].map((each) => JSON.stringify(each));
    };
    const before = await rows();
    valueOrThrow(await rebuildProjections());
    expect(await rows()).toEqual(before);
  });
});
