import { createConnection } from 'mysql2/promise';
import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, inject, test, vi } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { appendEvents } from '#server/append/append-events.ts';
import { closeDatabase, database } from '#server/database/pool.ts';
import { unreadableRows } from '#server/database/readable-rows.ts';
import { addFirstPerson, addPerson } from '#server/services/add-person.ts';
import { addSource } from '#server/services/keep-source.ts';
import { planJob } from '#server/services/plan-job.ts';
import { allSources } from '#server/services/read-book.ts';
import { everyone } from '#server/services/read-site.ts';
import { setAside } from '#server/services/set-aside.ts';
import { cribAdapters, cribTools } from '#server/services/tool-crib.ts';
import { migrate } from '../../scripts/site/migrate.ts';
import { ownSite } from './own-site.ts';
import { happening, newJob, person, plannedJob, tool, withPlainCabinet } from './sample-site.ts';

beforeAll(async () => {
  await ownSite('robust');
});
afterAll(closeDatabase);

describe('the first person of an empty site', () => {
  const first = (setupCode: string) => ({ name: 'Lea', role: 'lead' as const, pin: '482615', setupCode });

  test('types the code that the start printed; without one nobody begins', async () => {
    expect(await addFirstPerson(first('ABCD'))).toMatchObject({ refusal: { code: 'setup-code-spent' } });
    vi.stubEnv('JENTIK_SETUP_CODE', 'ABCD-EFGH-JKMN');
    expect(await addFirstPerson(first('ABCD-EFGH-JKMX'))).toMatchObject({
      refusal: { code: 'setup-code-wrong' },
    });
    expect(await everyone()).toEqual([]);
  });

  test('of eight who begin at once one is the first', async () => {
    const all = await Promise.all(
      Array.from({ length: 8 }, (_, index) =>
        addFirstPerson({ ...first(' abcd efgh jkmn '), name: index === 0 ? 'Lea' : `Lea ${index}` }),
      ),
    );
    expect(all.filter(({ ok }) => ok)).toHaveLength(1);
    expect(await everyone()).toMatchObject([{ role: 'lead' }]);
    expect(await addFirstPerson(first('ABCD-EFGH-JKMN'))).toMatchObject({
      refusal: { code: 'site-has-people' },
    });
    vi.unstubAllEnvs();
    const [lead] = await everyone();
    if (lead?.name !== 'Lea')
      valueOrThrow(await addPerson({ name: 'Lea', role: 'lead', pin: '482615' }, lead ?? null));
  });

  test('after twenty wrong codes none is taken any more', async () => {
    const root = await createConnection({ uri: inject('ownerUrl'), database: 'robust' });
    await root.query('SET FOREIGN_KEY_CHECKS = 0');
    await root.query('CREATE TEMPORARY TABLE kept AS SELECT * FROM people');
    await root.query('DELETE FROM people');
    vi.stubEnv('JENTIK_SETUP_CODE', 'ABCD-EFGH-JKMN');
    for (let tries = 0; tries < 20; tries += 1) await addFirstPerson(first('x'));
    expect(await addFirstPerson(first('ABCD-EFGH-JKMN'))).toMatchObject({
      refusal: { code: 'setup-code-spent' },
    });
    vi.unstubAllEnvs();
    await root.query('INSERT INTO people SELECT * FROM kept');
    await root.end();
  });
});

describe('a row that can’t be read', () => {
  test('never takes its list down, and is named', async () => {
    const said = vi.spyOn(console, 'error').mockImplementation(() => {});
    await tool();
    valueOrThrow(
      await addSource({ title: 'Good', kind: 'label', number: '', revision: '', datedOn: '', place: '' }),
    );
    const root = await createConnection({ uri: inject('ownerUrl'), database: 'robust' });
    const id = uuidv7();
    await root.query("INSERT INTO adapters (id, code, body) VALUES (?, 'BAD', '{')", [id]);
    await root.query("UPDATE sources SET kind = 'nonsense' WHERE title = 'Good'");
    await root.query("INSERT INTO tools (id, code, body, created_at) VALUES (?, 'BAD', '{\"x\":1}', NOW())", [
      id,
    ]);
    expect(await cribAdapters()).toEqual([]);
    expect(await allSources()).toEqual([]);
    expect((await cribTools()).map(({ tool: { code } }) => code)).not.toContain('BAD');
    expect(unreadableRows()).toEqual(
      expect.arrayContaining([
        { what: 'adapter', id },
        { what: 'tool', id },
      ]),
    );
    expect(said).toHaveBeenCalled();
    await root.query("UPDATE sources SET kind = 'label' WHERE title = 'Good'");
    expect(await allSources()).toHaveLength(1);
    await root.query("DELETE FROM adapters WHERE code = 'BAD'");
    await root.query("DELETE FROM tools WHERE code = 'BAD'");
    await root.end();
    said.mockRestore();
  });
});

describe('many at once', () => {
  test('twenty jobs planned at the same moment: each has its number, none fails', async () => {
    const lea = await person('Lea');
    await withPlainCabinet();
    const planned = await Promise.all(Array.from({ length: 20 }, () => planJob(newJob(), lea)));
    expect(planned.filter(({ ok }) => !ok)).toEqual([]);
    const [rows] = await database().query(
      'SELECT COUNT(DISTINCT number) AS numbers, COUNT(*) AS jobs FROM jobs',
    );
    const { numbers, jobs } = (rows as { numbers: number; jobs: number }[])[0] as {
      numbers: number;
      jobs: number;
    };
    expect(numbers).toBe(jobs);
  });

  test('a job whose row somebody holds stalls no other', async () => {
    const tam = await person('Tam');
    const [{ job: held }, { job: free }] = [await plannedJob(), await plannedJob()];
    const holder = await createConnection({ uri: inject('ownerUrl'), database: 'robust' });
    await holder.beginTransaction();
    await holder.query('SELECT head_sequence FROM jobs WHERE id = ? FOR UPDATE', [held]);
    const open = (job: string) =>
      happening(job, tam, { kind: 'left-open', body: { position: 'X1', why: 'spare' } });
    let isHeldUp = true;
    const waiting = Promise.all(Array.from({ length: 30 }, () => appendEvents(held, [open(held)], tam))).then(
      () => {
        isHeldUp = false;
      },
    );
    for (const position of ['X1', 'X2']) {
      const event = happening(free, tam, { kind: 'left-open', body: { position, why: 'spare' } });
      expect(valueOrThrow(await appendEvents(free, [event], tam)).refused).toBeNull();
    }
    expect(isHeldUp).toBe(true);
    await holder.rollback();
    await holder.end();
    await waiting;
  });
});

test('what a device sets aside is in the log as it is, with who and why', async () => {
  const tam = await person('Tam');
  const kept = { id: uuidv7(), kind: 'pull-made', body: { position: 'X1' } };
  await setAside({ job: null, kept, problem: { code: 'tool-not-set' }, why: 'done again' }, tam);
  const [rows] = await database().query(
    "SELECT person_name, why, body FROM site_log WHERE kind = 'event-set-aside'",
  );
  const [row] = rows as { person_name: string; why: string; body: string }[];
  expect(row).toMatchObject({ person_name: 'Tam', why: 'done again' });
  expect(JSON.parse(row?.body ?? '')).toEqual({ kept, problem: { code: 'tool-not-set' } });
});

test('a start that was ended while it brought the database up to date holds up no later one that is alone on its server', async () => {
  const root = await createConnection({ uri: inject('ownerUrl'), database: 'robust' });
  await root.query("UPDATE schema_lock SET holder = 'dead', held_until = UTC_TIMESTAMP(6) + INTERVAL 1 HOUR");
  await root.end();
  const before = Date.now();
  await migrate(inject('ownerUrl'), 'robust', async () => {}, { isAlone: true });
  expect(Date.now() - before).toBeLessThan(20_000);
});
