import { spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { createConnection } from 'mysql2/promise';
import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, inject, test } from 'vitest';
import { judgePull } from '#core/command/judge-pull.ts';
import { jobViewOf } from '#core/event/apply.ts';
import { type JobHappening, unplacedEvent } from '#core/event/event.ts';
import { valueOrThrow } from '#core/fault.ts';
import { CONTROL_CABINET } from '#core/joint/kinds/control-cabinet.ts';
import type { JobRecord } from '#core/ledger/job-record.ts';
import { keyFingerprint } from '#core/ledger/seal.ts';
import { sealingPublicKey } from '#core/ledger/signature.ts';
import { verifyRecord } from '#core/ledger/verify-record.ts';
import type { Person } from '#core/people/person.ts';
import { fastenerAt } from '#core/view/bench.ts';
import { cautionsOf } from '#core/view/due-steps.ts';
import type { JobView } from '#core/view/job-view.ts';
import { unexplainedItems } from '#core/view/open-items.ts';
import { toolFor } from '#core/view/tool-for.ts';
import { isSetFor, wantedSetting } from '#core/view/wanted-setting.ts';
import { appendEvents } from '#server/append/append-events.ts';
import { closeDatabase, database } from '#server/database/pool.ts';
import { selectEvents } from '#server/queries/events.ts';
import { selectKeyInRow } from '#server/queries/site.ts';
import { checkLedger } from '#server/sealing/check-ledger.ts';
import { moveKeyOut } from '#server/sealing/move-key-out.ts';
import { restateUnlogged } from '#server/sealing/stated.ts';
import { exportRecord } from '#server/services/export-record.ts';
import { planRecheck } from '#server/services/plan-recheck.ts';
import { allJobs, everyone } from '#server/services/read-site.ts';
import { bringProjectionsUpToDate, rebuildProjections } from '#server/services/rebuild-projections.ts';
import { signJob } from '#server/services/sign-job.ts';
import { cribTools } from '#server/services/tool-crib.ts';
import { migrate } from '../../scripts/site/migrate.ts';
import { inProject } from '../../scripts/site/paths.ts';
import { GOLDEN_KEY, goldenRecords, unpacked } from '../golden/golden.ts';

const expectedKey = keyFingerprint(sealingPublicKey(GOLDEN_KEY));

/** Loads the database that the code of a version left behind, and brings it up to date. */
const openGolden = async (version: number): Promise<void> => {
  const name = `golden_${version}`;
  const owner = new URL(inject('ownerUrl'));
  const connection = await createConnection(inject('ownerUrl'));
  await connection.query(`DROP DATABASE IF EXISTS ${name}`);
  await connection.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4`);
  await connection.end();
  const loaded = spawnSync(
    'mariadb',
    [
      '--no-defaults',
      '--host=127.0.0.1',
      `--port=${owner.port}`,
      `--user=${owner.username}`,
      `--password=${owner.password}`,
      name,
    ],
    { input: unpacked(version, 'site.sql.gz') },
  );
  if (loaded.status !== 0) throw new Error(String(loaded.stderr));
  delete process.env['JENTIK_APP_DATABASE_URL'];
  const keys = inProject('.jentik', 'test-database', `${name}-keys.json`);
  rmSync(keys, { force: true });
  process.env['JENTIK_SEALING_KEYS'] = keys;
  process.env['JENTIK_WITNESS'] = '';
  await migrate(inject('ownerUrl'), name, async (appUrl) => {
    process.env['JENTIK_APP_DATABASE_URL'] = appUrl;
    // The key it sealed with lay in the database then: it goes on with the same.
    await moveKeyOut();
    expect(await selectKeyInRow(database())).toBeNull();
    await restateUnlogged(database());
    expect(await bringProjectionsUpToDate()).toEqual([]);
  });
};

const personNamed = async (name: string): Promise<Person> =>
  (await everyone()).find((person) => person.name === name) as Person;

/** The PINs of the people of the sites that are kept: four digits, from before six were asked for. */
const PINS_THEN: Readonly<Record<string, string>> = {
  Ayu: '2718',
  Bram: '3141',
  Citra: '1618',
  Dewi: '1414',
  Eko: '1732',
  Farah: '2236',
};

const send = async (job: string, by: Person, happening: JobHappening): Promise<void> => {
  const at = { id: uuidv7(), job, deviceTime: new Date().toISOString(), person: by };
  const { refused } = valueOrThrow(await appendEvents(job, [unplacedEvent(at, happening)], by));
  expect(refused).toBeNull();
};

const viewOf = async (job: string): Promise<JobView> =>
  jobViewOf(await selectEvents(database(), job, 0)) as JobView;

const sign = async (job: string, name: string, meaning: 'done' | 'inspected'): Promise<void> => {
  const last = (await selectEvents(database(), job, 0)).at(-1);
  valueOrThrow(
    await signJob(
      job,
      {
        eventId: uuidv7(),
        personId: (await personNamed(name)).id,
        pin: PINS_THEN[name] ?? '',
        meaning,
        head: { sequence: last?.sequence ?? 1, hash: last?.hash ?? '' },
        madeNoPull: true,
        deviceTime: new Date().toISOString(),
      },
      { address: '10.0.0.7', device: null },
    ),
  );
};

/** Works a job to its end: every fastener that can be is pulled, what can't be is left open with a reason. */
const workToTheEnd = async (job: string, by: Person): Promise<void> => {
  const before = await viewOf(job);
  const crib = (await cribTools()).find(({ tool, blocks }) => tool.code === 'TS-07' && blocks.length === 0);
  if (before.toolsOf.size === 0 && crib)
    await send(job, by, {
      kind: 'tool-chosen',
      body: { tool: crib.tool, adapters: [], blocks: [], override: null, groups: null, isBeside: false },
    });
  if (before.cautions === null)
    await send(job, by, {
      kind: 'cautions-confirmed',
      body: { cautions: cautionsOf(before.plan).map(({ id }) => id) },
    });
  for (const { position } of unexplainedItems(before)) {
    let view = await viewOf(job);
    const fastener = fastenerAt(view, position);
    if (fastener?.isPastLimit) await send(job, by, { kind: 'fastener-loosened', body: { position } });
    view = await viewOf(job);
    const again = fastenerAt(view, position);
    const wanted = again && wantedSetting(view, again);
    const taken = again && toolFor(view, again);
    if (taken && wanted?.ok && !isSetFor(taken, wanted.value)) {
      const { id: toolId, scale } = taken.tool;
      const setting = { text: wanted.value.text, value: wanted.value.setting, unit: scale.unit };
      await send(job, by, { kind: 'tool-set', body: { toolId, setting } });
      view = await viewOf(job);
    }
    const judged = judgePull(view, { position, method: 'click', readingText: null, readingStands: false });
    if (judged.ok) await send(job, by, { kind: 'pull-made', body: judged.value });
    if (fastenerAt(await viewOf(job), position)?.status !== 'in')
      await send(job, by, { kind: 'left-open', body: { position, why: 'no tool for it today' } });
  }
};

describe.each([
  { version: 1, commit: '24c9d90', planned: [1], open: 4 },
  { version: 2, commit: '1be3c63', planned: [2], open: 3 },
])('a database filled by commit $commit', ({ version, planned, open }) => {
  beforeAll(() => openGolden(version));
  afterAll(closeDatabase);

  test('exports every job with the events and the statement it had then, under a seal that verifies', async () => {
    const golden = new Map(
      goldenRecords(version).map(({ text }) => {
        const record = JSON.parse(text) as JobRecord;
        return [record.seal.job, record] as const;
      }),
    );
    const jobs = await allJobs();
    expect(jobs.map(({ id }) => id).sort()).toEqual([...golden.keys()].sort());
    for (const { id } of jobs) {
      const { text } = valueOrThrow(await exportRecord(id));
      const { events, statement, ...record } = JSON.parse(text) as JobRecord;
      expect(JSON.stringify(events)).toBe(JSON.stringify(golden.get(id)?.events));
      expect(JSON.stringify(statement)).toBe(JSON.stringify(golden.get(id)?.statement));
      expect(record.version).toBe(version);
      expect(valueOrThrow(verifyRecord(text, { expectedKey })).isKeyKnown).toBe(true);
    }
  });

  test('holds, by the check of the whole ledger', async () => {
    for await (const line of checkLedger()) {
      if (line.kind === 'finding') expect(line.finding).toBeNull();
      if (line.kind === 'checked') expect(line.check.jobs).toBeGreaterThan(0);
    }
  });

  test('lists show what they showed, and an over-shot has no torque', async () => {
    const stages = Object.fromEntries((await allJobs()).map(({ number, stage }) => [number, stage]));
    for (const { text } of goldenRecords(version)) {
      const { number, stage } = (JSON.parse(text) as JobRecord).statement;
      expect(stages[number]).toBe(stage);
    }
    const [rows] = await database().query(
      "SELECT COUNT(*) AS shot, COUNT(torque_newton_metres) AS withTorque FROM pulls WHERE outcome = 'high' AND shown_newton_metres IS NULL",
    );
    const [{ shot, withTorque }] = rows as [{ shot: number; withTorque: number }];
    expect([shot > 0, withTorque]).toEqual([true, 0]);
  });

  test('its tools follow from their events: rebuilt, they are what they were', async () => {
    const tools = async () => (await cribTools()).map(({ tool, facts }) => [tool, facts]);
    const before = await tools();
    expect(before.length).toBeGreaterThan(10);
    await database().query("UPDATE tools SET body = JSON_SET(body, '$.limitPercent', 1), is_retired = TRUE");
    valueOrThrow(await rebuildProjections());
    expect(await tools()).toEqual(before);
  });

  test('every unfinished job is worked to its signatures, and its record holds', async () => {
    const ayu = await personNamed('Ayu');
    const unfinished = (await allJobs()).filter(({ stage }) => stage !== 'inspected');
    expect(unfinished.length).toBeGreaterThanOrEqual(open);
    for (const { id, stage } of unfinished) {
      if (stage !== 'done') {
        await workToTheEnd(id, ayu);
        await sign(id, 'Ayu', 'done');
      }
      await sign(id, 'Citra', 'inspected');
      const { text } = valueOrThrow(await exportRecord(id));
      const record = JSON.parse(text) as JobRecord;
      expect(record.version).toBe(3);
      expect(record.statement).toMatchObject({
        stage: 'inspected',
        rules: { planned: planned[0], inForce: planned[0] },
      });
      valueOrThrow(verifyRecord(text, { expectedKey }));
    }
  });

  test('what was pulled then is checked again in a job of today, its kind of joint as it is now', async () => {
    const [job] = await allJobs();
    const [first] = (await viewOf(job?.id ?? '')).fasteners;
    const again = valueOrThrow(
      await planRecheck(job?.id ?? '', new Set([first?.planned.position ?? '']), await personNamed('Ayu')),
    );
    const { plan, fasteners } = await viewOf(again);
    expect(fasteners).toHaveLength(1);
    expect(plan.groups.map(({ kind }) => kind)).toEqual([CONTROL_CABINET]);
  });
});
