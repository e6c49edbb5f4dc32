import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { gunzipSync, gzipSync } from 'node:zlib';
import { createConnection } from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, inject, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { appendEvents } from '#server/append/append-events.ts';
import { KEPT_TABLES, UNKEPT_TABLES } from '#server/backup/archive-form.ts';
import { checkedArchive } from '#server/backup/read-archive.ts';
import { writeArchive } from '#server/backup/write-archive.ts';
import { closeDatabase, database } from '#server/database/pool.ts';
import { selectTableNames } from '#server/queries/whole-tables.ts';
import { checkLedger } from '#server/sealing/check-ledger.ts';
import { sealOnce } from '#server/sealing/sealer.ts';
import { attachFile } from '#server/services/attach-file.ts';
import { allJobs } from '#server/services/read-site.ts';
import { bringProjectionsUpToDate } from '#server/services/rebuild-projections.ts';
import { cribTools } from '#server/services/tool-crib.ts';
import { migrationNames } from '../../scripts/site/apply-migrations.ts';
import { loadArchive } from '../../scripts/site/load-archive.ts';
import { migrate } from '../../scripts/site/migrate.ts';
import { ownSite } from './own-site.ts';
import {
  eventsInDatabase,
  person,
  plannedJob,
  pullEvents,
  readyEvents,
  stateOf,
  tool,
} from './sample-site.ts';

const PNG =
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';
let folder: string;
let file: string;
let job: string;

const known = (): ReadonlySet<string> => new Set(migrationNames());
const made = async (path: string): Promise<void> => {
  const work = writeArchive(path, await person('Lea'));
  while (!(await work.next()).done);
};
/** The archive with its text changed, packed again. */
const altered = (change: (text: string) => string): string => {
  const path = `${folder}/altered.gz`;
  writeFileSync(path, gzipSync(Buffer.from(change(gunzipSync(readFileSync(file)).toString('utf8')))));
  return path;
};

beforeAll(async () => {
  ({ folder } = await ownSite('backed_up'));
  file = `${folder}/site.jsonl.gz`;
  const lea = await person('Lea');
  const tam = await person('Tam');
  ({ job } = await plannedJob());
  valueOrThrow(await appendEvents(job, await readyEvents(job, tam), tam));
  const owner = { kind: 'tool', id: (await tool()).id } as const;
  valueOrThrow(
    await attachFile(owner, { name: 'scale.png', contentBase64: PNG, thumbnailBase64: null }, lea),
  );
  await sealOnce('tests', true);
});
afterAll(closeDatabase);

describe('a backup', () => {
  test('holds every table that holds facts; one in neither list fails here', async () => {
    expect([...(await selectTableNames(database()))].sort()).toEqual(
      [...KEPT_TABLES, ...UNKEPT_TABLES].sort(),
    );
  });

  test('is made while people go on working, as it stood at one instant', async () => {
    const tam = await person('Tam');
    const before = (await eventsInDatabase(job)).length;
    const work = writeArchive(file, await person('Lea'));
    const first = await work.next();
    valueOrThrow(await appendEvents(job, pullEvents(await stateOf(job), 'X1', tam), tam));
    expect(first.value).toMatchObject({ done: 0 });
    for (let step = await work.next(); !step.done; step = await work.next());
    const { end, heading } = valueOrThrow(await checkedArchive(file, known()));
    expect(end.rows['events']).toBe(before);
    expect(heading).toMatchObject({ site: 'Own site', version: 1 });
    expect(gunzipSync(readFileSync(file)).toString('utf8')).not.toContain(
      JSON.parse(readFileSync(`${folder}/sealing-keys.json`, 'utf8')).privateKey,
    );
  });

  test('is there whole or not at all', async () => {
    await expect(made(`${folder}/nowhere/x.gz`)).rejects.toThrow();
    const path = `${folder}/half.gz`;
    const work = writeArchive(path, await person('Lea'));
    await work.next();
    await work.return(undefined as never);
    expect(existsSync(path)).toBe(false);
  });
});

describe('an archive that is not what was made is refused', () => {
  test('cut anywhere', async () => {
    const whole = readFileSync(file);
    const path = `${folder}/cut.gz`;
    for (const share of [0, 0.001, 0.2, 0.5, 0.9, 0.999]) {
      writeFileSync(path, whole.subarray(0, Math.floor(whole.length * share)));
      expect(await checkedArchive(path, known())).toMatchObject({
        ok: false,
        refusal: { code: expect.stringMatching(/^(archive-cut|not-an-archive)$/) },
      });
    }
  });

  test.each([
    [
      'a digit changed',
      (text: string) => text.replace('"click"', '"feel"').replace('20 to 24', '20 to 25'),
      'hash',
    ],
    ['a row left out', (text: string) => text.replace(/\n\[[^\n]*Tam[^\n]*/, ''), 'hash'],
    ['a row twice', (text: string) => text.replace(/(\n\["[^\n]*Lea[^\n]*)/, '$1$1'), 'hash'],
    ['a line that is none', (text: string) => text.replace('\n[', '\n{"x":1}\n['), 'form'],
    ['another table', (text: string) => text.replace('"section":"people"', '"section":"mysql_user"'), 'form'],
    ['more behind its end', (text: string) => `${text}["x"]\n`, 'form'],
    ['another signature', (text: string) => text.replace(/"signature":"../, '"signature":"00'), 'signature'],
  ])('%s', async (_, change, why) => {
    expect(await checkedArchive(altered(change), known())).toMatchObject({
      ok: false,
      refusal: { code: 'archive-altered', why },
    });
  });

  test('of a newer Jentik, or no archive at all', async () => {
    const older = new Set([...known()].slice(0, -1));
    expect(await checkedArchive(file, older)).toMatchObject({ refusal: { code: 'archive-newer' } });
    writeFileSync(`${folder}/text.gz`, gzipSync('hello\n'));
    expect(await checkedArchive(`${folder}/text.gz`, known())).toMatchObject({
      refusal: { code: 'not-an-archive' },
    });
    expect(await checkedArchive(`${folder}/sealing-keys.json`, known())).toMatchObject({
      refusal: { code: 'not-an-archive' },
    });
  });
});

test('restores into an empty database with the same hashes, and everything that follows from them', async () => {
  await sealOnce('tests', true);
  await made(`${folder}/whole.gz`);
  const [events, tools, jobs] = [await eventsInDatabase(job), await cribTools(), await allJobs()];
  await closeDatabase();
  delete process.env['JENTIK_APP_DATABASE_URL'];
  const root = await createConnection(inject('ownerUrl'));
  await root.query('DROP DATABASE IF EXISTS restored_site');
  await root.end();
  const { heading } = valueOrThrow(await checkedArchive(`${folder}/whole.gz`, known()));
  await migrate(
    inject('ownerUrl'),
    'restored_site',
    async (appUrl) => {
      process.env['JENTIK_APP_DATABASE_URL'] = appUrl;
      expect(await bringProjectionsUpToDate()).toEqual([]);
    },
    {
      restored: {
        upTo: heading.migrations.at(-1) as string,
        load: async (db) => {
          const witness = await loadArchive(db, `${folder}/whole.gz`, () => {});
          writeFileSync(`${folder}/restored.ndjson`, witness.map((line) => `${line}\n`).join(''));
        },
      },
    },
  );
  process.env['JENTIK_WITNESS'] = `${folder}/restored.ndjson`;
  expect(await eventsInDatabase(job)).toEqual(events);
  expect(await cribTools()).toEqual(tools);
  expect(await allJobs()).toEqual(jobs);
  for await (const line of checkLedger()) {
    if (line.kind === 'finding') expect(line.finding).toBeNull();
    if (line.kind === 'checked') expect(line.check).toMatchObject({ found: 0, jobs: 1, witnessLines: 2 });
  }
});
