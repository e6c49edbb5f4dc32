import { createConnection } from 'mysql2/promise';
import { v7 as uuidv7 } from 'uuid';
import { describe, expect, inject, test } from 'vitest';
import { canonicalText } from '#core/canonical.ts';
import { valueOrThrow } from '#core/fault.ts';
import { firstBreak } from '#core/ledger/hash-chain.ts';
import { appendEvents } from '#server/append/append-events.ts';
import { database } from '#server/database/pool.ts';
import { allJobs } from '#server/services/read-site.ts';
import { rebuildProjections } from '#server/services/rebuild-projections.ts';
import { taken } from '../core/job/sample-job.ts';
import {
  eventsInDatabase,
  happening,
  person,
  plannedJob,
  pullEvents,
  readyEvents,
  stateOf,
} from './sample-site.ts';

const errno = async (work: Promise<unknown>): Promise<number | null> => {
  try {
    await work;
    return null;
  } catch (error) {
    return (error as { errno: number }).errno;
  }
};

// MariaDB error codes: a command or a column that an account has no right to.
const TABLE_ACCESS_DENIED = 1142;

describe('the application’s account', () => {
  test.each([
    { name: 'UPDATE', sql: "UPDATE events SET body = '{}' WHERE sequence = 1" },
    { name: 'DELETE', sql: 'DELETE FROM events WHERE sequence = 1' },
    { name: 'DROP', sql: 'DROP TABLE events' },
    { name: 'ALTER', sql: 'ALTER TABLE events DROP COLUMN hash' },
    { name: 'CREATE TRIGGER', sql: 'CREATE TRIGGER t BEFORE INSERT ON events FOR EACH ROW SET NEW.kind = 1' },
    { name: 'TRUNCATE', sql: 'TRUNCATE TABLE events' },
    { name: 'rewriting migrations', sql: "UPDATE schema_migrations SET sha256 = ''" },
    { name: 'say that a migration is begun', sql: "UPDATE schema_begun SET name = ''" },
  ])('may not $name', async ({ sql }) => {
    await plannedJob();
    expect(await errno(database().query(sql))).toBe(TABLE_ACCESS_DENIED);
  });

  test('may read and insert events, and nothing more, by what the server says of it', async () => {
    const [rows] = await database().query('SHOW GRANTS');
    const grants = (rows as Record<string, string>[]).flatMap((row) => Object.values(row));
    expect(grants.filter((grant) => grant.includes('`events`'))).toEqual([
      expect.stringMatching(/^GRANT SELECT, INSERT ON/),
    ]);
    expect(grants.filter((grant) => grant.includes('*.*'))).toEqual([expect.stringContaining('GRANT USAGE')]);
  });

  test('nobody gets in without a password', async () => {
    const { port } = new URL(inject('ownerUrl'));
    for (const user of ['root', 'jentik_owner', 'mysql', ''])
      expect(await errno(createConnection({ host: '127.0.0.1', port: Number(port), user }))).not.toBeNull();
  });
});

describe('appending', () => {
  test('gives each event its place in an unbroken chain', async () => {
    const { job } = await plannedJob();
    const tam = await person('Tam');
    const result = valueOrThrow(await appendEvents(job, await readyEvents(job, tam), tam));
    expect(result.refused).toBeNull();
    const pulls = pullEvents(await stateOf(job), 'X1', tam);
    valueOrThrow(await appendEvents(job, pulls, tam));
    const events = await eventsInDatabase(job);
    expect(events.map(({ kind }) => kind)).toEqual([
      'job-planned',
      'tool-chosen',
      'cautions-confirmed',
      'tool-set',
      'pull-made',
    ]);
    expect(firstBreak(events)).toBeNull();
  });

  test('an event sent again answers the same and is in the record once', async () => {
    const { job } = await plannedJob();
    const tam = await person('Tam');
    const events = await readyEvents(job, tam);
    const first = valueOrThrow(await appendEvents(job, events, tam));
    const again = valueOrThrow(await appendEvents(job, events, tam));
    expect(again).toEqual(first);
    expect(await eventsInDatabase(job)).toHaveLength(3);
  });

  test('the same event sent ten times at once is in the record once', async () => {
    const { job } = await plannedJob();
    const tam = await person('Tam');
    const events = await readyEvents(job, tam);
    const answers = await Promise.all(Array.from({ length: 10 }, () => appendEvents(job, events, tam)));
    expect(new Set(answers.map((answer) => canonicalText(answer))).size).toBe(1);
    const stored = await eventsInDatabase(job);
    expect(stored).toHaveLength(3);
    expect(firstBreak(stored)).toBeNull();
  });

  test('two devices at once: both are placed, one after the other', async () => {
    const { job } = await plannedJob();
    const tam = await person('Tam');
    await appendEvents(job, await readyEvents(job, tam), tam);
    const marks = ['X1', 'X2'].map((position) =>
      happening(job, tam, { kind: 'left-open', body: { position, why: 'spare' } }),
    );
    await Promise.all(marks.map((event) => appendEvents(job, [event], tam)));
    const events = await eventsInDatabase(job);
    expect(events).toHaveLength(5);
    expect(firstBreak(events)).toBeNull();
  });

  test('an id used for something else is refused', async () => {
    const { job } = await plannedJob();
    const tam = await person('Tam');
    const [event] = await readyEvents(job, tam);
    if (!event) throw new Error('expected an event');
    await appendEvents(job, [event], tam);
    const other = happening(job, tam, { kind: 'left-open', body: { position: 'X1', why: 'spare' } });
    const result = valueOrThrow(await appendEvents(job, [{ ...other, id: event.id }], tam));
    expect(result.refused?.problem.code).toBe('event-id-used');
  });

  test('what comes before a refused event stays, what follows is not tried', async () => {
    const { job } = await plannedJob();
    const tam = await person('Tam');
    const good = happening(job, tam, { kind: 'left-open', body: { position: 'X1', why: 'spare' } });
    const bad = happening(job, tam, { kind: 'witness-marked', body: { position: 'X1' } });
    const after = happening(job, tam, { kind: 'left-open', body: { position: 'X2', why: 'spare' } });
    const result = valueOrThrow(await appendEvents(job, [good, bad, after], tam));
    expect(result.placed.map(({ id }) => id)).toEqual([good.id]);
    expect(result.refused).toMatchObject({ eventId: bad.id, problem: { code: 'not-in-acceptance' } });
  });

  test.each(['job-planned', 'job-signed'] as const)('%s is not sent as an event', async (kind) => {
    const { job, body } = await plannedJob();
    const tam = await person('Tam');
    const event = happening(
      job,
      tam,
      (kind === 'job-signed' ? { kind, body: { meaning: 'done' } } : { kind, body }) as never,
    );
    expect(valueOrThrow(await appendEvents(job, [event], tam)).refused?.problem.code).toBe(
      'kind-not-accepted',
    );
  });

  test('nobody sends what someone else did, nor with a role they don’t have', async () => {
    const { job } = await plannedJob();
    const [tam, ines] = [await person('Tam'), await person('Ines')];
    const event = happening(job, tam, { kind: 'left-open', body: { position: 'X1', why: 'spare' } });
    expect(valueOrThrow(await appendEvents(job, [event], ines)).refused?.problem.code).toBe('not-your-event');
    const promoted = { ...event, person: { ...tam, role: 'lead' as const } };
    expect(valueOrThrow(await appendEvents(job, [promoted], tam)).refused?.problem.code).toBe(
      'not-your-event',
    );
  });

  test('a tool described otherwise than the crib has it: the crib’s stands in the record', async () => {
    const { job } = await plannedJob();
    const tam = await person('Tam');
    const [chosen] = await readyEvents(job, tam);
    if (chosen?.kind !== 'tool-chosen') throw new Error('expected a tool');
    const better = { ...chosen, body: { ...chosen.body, tool: { ...chosen.body.tool, limitPercent: 1 } } };
    const { placed } = valueOrThrow(await appendEvents(job, [better], tam));
    expect(placed[0]?.body).toEqual(chosen.body);
    const unknown = { ...chosen.body.tool, id: uuidv7() };
    const foreign = happening(job, tam, { kind: 'tool-chosen', body: taken(unknown) });
    expect(valueOrThrow(await appendEvents(job, [foreign], tam)).refused?.problem.code).toBe('tool-changed');
  });

  test('a job that does not exist, or an event of another job, is refused', async () => {
    const [{ job }, { job: other }] = [await plannedJob(), await plannedJob()];
    const tam = await person('Tam');
    const event = happening(other, tam, { kind: 'left-open', body: { position: 'X1', why: 'spare' } });
    expect(await appendEvents('0190a000-0000-7000-8000-00000000dead', [event], tam)).toMatchObject({
      refusal: { code: 'not-found' },
    });
    expect(valueOrThrow(await appendEvents(job, [event], tam)).refused?.problem.code).toBe('not-found');
  });
});

describe('what lists show', () => {
  test('follows each append, and is the same when it is rebuilt from the events', async () => {
    const { job } = await plannedJob();
    const tam = await person('Tam');
    await appendEvents(job, await readyEvents(job, tam), tam);
    await appendEvents(job, pullEvents(await stateOf(job), 'X1', tam), tam);
    const before = await allJobs();
    expect(before.find(({ id }) => id === job)).toMatchObject({
      stage: 'under-way',
      fastenersTotal: 2,
      fastenersIn: 1,
      lastPerson: 'Tam',
    });
    await database().query("UPDATE jobs SET fasteners_in = 99, stage = 'planned', last_person = 'nobody'");
    expect(await rebuildProjections()).toEqual({ ok: true, value: before.length });
    expect(await allJobs()).toEqual(before);
  });
});
