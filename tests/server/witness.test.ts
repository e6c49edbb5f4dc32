import { appendFileSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import type { Connection } from 'mysql2/promise';
import { beforeAll, describe, expect, test, vi } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { verifyRecord } from '#core/ledger/verify-record.ts';
import { appendEvents } from '#server/append/append-events.ts';
import { database } from '#server/database/pool.ts';
import { checkLedger } from '#server/sealing/check-ledger.ts';
import { rotateKeyFile, siteKeys } from '#server/sealing/key-file.ts';
import { moveKeyOut } from '#server/sealing/move-key-out.ts';
import { sealOnce } from '#server/sealing/sealer.ts';
import { witnessLateSince } from '#server/sealing/witness-late.ts';
import { changeSite } from '#server/services/change-site.ts';
import { secondsAfter } from '#server/services/clock.ts';
import { exportRecord } from '#server/services/export-record.ts';
import { keepSession } from '#server/services/keep-session.ts';
import { addSource } from '#server/services/keep-source.ts';
import { keeping } from '#server/services/keeping.ts';
import { siteChoices } from '#server/services/read-site.ts';
import { rebuildProjections } from '#server/services/rebuild-projections.ts';
import { addAdapter } from '#server/services/tool-crib.ts';
import type { LedgerCheck, LedgerFinding } from '#wire/ledger-check.ts';
import { ledgerFindingWords, unwitnessedWords } from '#wire/words/ledger.ts';
import { ownSite } from './own-site.ts';
import { session } from './sample-session.ts';
import {
  eventsInDatabase,
  happening,
  person,
  plannedJob,
  pullEvents,
  readyEvents,
  signatureOf,
  signJob,
  stateOf,
  tool,
} from './sample-site.ts';

let root: Connection;
let folder: string;
const witnessFile = (): string => `${folder}/witness.ndjson`;

const checked = async (): Promise<LedgerCheck> => {
  for await (const line of checkLedger()) if (line.kind === 'checked') return line.check;
  throw new Error('the check did not end');
};

const seal = async (): Promise<void> => {
  expect(await sealOnce('tests', true)).toBe(true);
};

/** A job with a pull, witnessed. */
const witnessedJob = async (): Promise<string> => {
  const { job } = await plannedJob();
  const tam = await person('Tam');
  valueOrThrow(await appendEvents(job, await readyEvents(job, tam), tam));
  valueOrThrow(await appendEvents(job, pullEvents(await stateOf(job), 'X1', tam), tam));
  await seal();
  return job;
};

let known: readonly string[] = [];

/** What the check finds that it did not find before. */
const newFindings = async (): Promise<readonly LedgerFinding[]> => {
  const { findings } = await checked();
  const fresh = findings.filter((finding) => !known.includes(JSON.stringify(finding)));
  known = findings.map((finding) => JSON.stringify(finding));
  for (const finding of fresh) expect(ledgerFindingWords(finding)).toMatch(/\w{4}.*[.]$/);
  return fresh;
};

beforeAll(async () => {
  ({ root, folder } = await ownSite('witnessed'));
  await person('Lea');
  await tool();
  await seal();
});

describe('a ledger that nobody touched', () => {
  test('holds, and what came after the last witness is said to be unwitnessed', async () => {
    const job = await witnessedJob();
    const all = await checked();
    expect(all).toMatchObject({ found: 0, findings: [] });
    expect(all.unwitnessed).toEqual({ jobs: 0, events: 0, rows: 0 });
    const tam = await person('Tam');
    valueOrThrow(await appendEvents(job, pullEvents(await stateOf(job), 'X2', tam), tam));
    const more = await checked();
    expect(more.found).toBe(0);
    expect(more.unwitnessed).toMatchObject({ jobs: 1, events: 2 });
    expect(unwitnessedWords(more)).toContain('2 events in 1 job');
  });

  test('what waits for the witness for longer than it takes is said, with since when; what came just now is not', async () => {
    const job = await witnessedJob();
    expect((await keeping()).witness?.lateSince).toBeNull();
    const tam = await person('Tam');
    valueOrThrow(await appendEvents(job, pullEvents(await stateOf(job), 'X2', tam), tam));
    const since = (await eventsInDatabase(job)).at(-2)?.serverTime ?? '';
    expect(await witnessLateSince(database(), secondsAfter(since, 170))).toBeNull();
    expect(await witnessLateSince(database(), secondsAfter(since, 190))).toBe(since);
    await seal();
    expect(await witnessLateSince(database(), secondsAfter(since, 190))).toBeNull();
  });

  test('holds while people go on working and the sealer has its turns: what comes between two questions is no finding', async () => {
    const tam = await person('Tam');
    const jobs = [await witnessedJob(), await witnessedJob()];
    let isOver = false;
    const working = (async (): Promise<void> => {
      for (let count = 0; !isOver; count += 1) {
        const job = jobs[count % jobs.length] as string;
        const open = { kind: 'left-open', body: { position: 'X2', why: `spare ${count}` } } as const;
        valueOrThrow(await appendEvents(job, [happening(job, tam, open)], tam));
        if (count % 5 === 0)
          await addSource({
            title: `S ${count}`,
            kind: 'label',
            number: '',
            revision: '',
            datedOn: '',
            place: '',
          });
        if (count % 7 === 0) await seal();
      }
    })();
    for (let round = 0; round < 6; round += 1)
      expect(await checked()).toMatchObject({ found: 0, findings: [] });
    isOver = true;
    await working;
  });

  test('a second sealer does nothing while the first has the place', async () => {
    await seal();
    expect(await sealOnce('another', true)).toBe(false);
  });
});

describe('who is root on the database', () => {
  test('changes an event: the event is named', async () => {
    const job = await witnessedJob();
    await root.query(
      'UPDATE events SET body = REPLACE(body, \'"click"\', \'"feel"\') WHERE job_id = ? AND sequence = 5',
      [job],
    );
    expect(await newFindings()).toMatchObject([{ code: 'event-altered', job, sequence: 5, problem: 'hash' }]);
  });

  test('makes a body unreadable: the event is named, and the check goes on', async () => {
    const job = await witnessedJob();
    await root.query("UPDATE events SET body = '{' WHERE job_id = ? AND sequence = 2", [job]);
    expect(await newFindings()).toMatchObject([{ code: 'event-altered', job, sequence: 2 }]);
  });

  test('renames an event, or who did it: the event is named', async () => {
    const [first, second] = [await witnessedJob(), await witnessedJob()];
    await root.query("UPDATE events SET kind = 'note-added' WHERE job_id = ? AND sequence = 3", [first]);
    await root.query("UPDATE events SET person_name = 'Ines' WHERE job_id = ? AND sequence = 5", [second]);
    expect(await newFindings()).toMatchObject([
      { code: 'event-altered', job: first, sequence: 3 },
      { code: 'event-altered', job: second, sequence: 5 },
    ]);
  });

  test('removes an event from the middle: its place is named', async () => {
    const job = await witnessedJob();
    await root.query('DELETE FROM events WHERE job_id = ? AND sequence = 3', [job]);
    expect(await newFindings()).toMatchObject([{ code: 'event-missing', job, sequence: 3 }]);
  });

  test('changes two events of a job and removes others: each is named, and none of those between', async () => {
    const { job } = await plannedJob();
    const tam = await person('Tam');
    valueOrThrow(await appendEvents(job, await readyEvents(job, tam), tam));
    for (const position of ['X1', 'X2'])
      valueOrThrow(await appendEvents(job, pullEvents(await stateOf(job), position, tam), tam));
    await seal();
    await root.query("UPDATE events SET person_name = 'Ines' WHERE job_id = ? AND sequence IN (1, 6)", [job]);
    await root.query('DELETE FROM events WHERE job_id = ? AND sequence IN (3, 4)', [job]);
    expect(await newFindings()).toMatchObject([
      { code: 'event-altered', job, sequence: 1 },
      { code: 'event-missing', job, sequence: 3, upTo: 4 },
      { code: 'event-altered', job, sequence: 6 },
    ]);
  });

  test('puts another hash at the head, or moves it on, or behind what came since: named', async () => {
    const [last, on, behind] = [await witnessedJob(), await witnessedJob(), await witnessedJob()];
    await root.query("UPDATE jobs SET head_hash = REPEAT('a', 64) WHERE id = ?", [last]);
    await root.query('UPDATE jobs SET head_sequence = 8 WHERE id = ?', [on]);
    const tam = await person('Tam');
    const since = pullEvents(await stateOf(behind), 'X2', tam);
    valueOrThrow(await appendEvents(behind, since, tam));
    await root.query('UPDATE jobs SET head_sequence = 5 WHERE id = ?', [behind]);
    expect(await newFindings()).toMatchObject([
      { code: 'event-altered', job: last, sequence: 5 },
      { code: 'event-missing', job: on, sequence: 6, upTo: 8 },
      { code: 'head-back', job: behind, sequence: 5, witnessed: 5 + since.length },
    ]);
  });

  test('removes a job with all its rows: the job is named, with what it had', async () => {
    const job = await witnessedJob();
    for (const table of ['events', 'pulls', 'pull_counts', 'job_references'])
      await root.query(`DELETE FROM ${table} WHERE job_id = ?`, [job]);
    await root.query('DELETE FROM jobs WHERE id = ?', [job]);
    expect(await newFindings()).toMatchObject([{ code: 'job-missing', job, sequence: 5 }]);
    expect(await exportRecord(job)).toMatchObject({ ok: false, refusal: { code: 'ledger-broken' } });
  });

  test('cuts the last events and moves the head back: found, and neither sealed, signed nor rebuilt', async () => {
    const job = await witnessedJob();
    const kept = (await eventsInDatabase(job))[3];
    await root.query('DELETE FROM events WHERE job_id = ? AND sequence > 4', [job]);
    await root.query('UPDATE jobs SET head_sequence = 4, head_hash = ? WHERE id = ?', [kept?.hash, job]);
    expect(await newFindings()).toMatchObject([{ code: 'head-back', job, sequence: 4, witnessed: 5 }]);
    const broken = { ok: false, refusal: { code: 'ledger-broken', sequence: 5 } };
    expect(await exportRecord(job)).toMatchObject(broken);
    const tam = await person('Tam');
    expect(await signJob(job, await signatureOf(job, tam, 'done'))).toMatchObject(broken);
    expect(await rebuildProjections()).toMatchObject({ ok: false });
  });

  test('writes a whole other chain in place of the one there was: found, and not sealed', async () => {
    const [job, other] = [await witnessedJob(), (await plannedJob()).job];
    const tam = await person('Tam');
    valueOrThrow(
      await appendEvents(
        other,
        [happening(other, tam, { kind: 'left-open', body: { position: 'X1', why: 'spare' } })],
        tam,
      ),
    );
    // The events of another job under the name of this one would not fit; so a chain is made anew, as somebody with this code would.
    const { placedEvent, EMPTY_HEAD } = await import('#core/ledger/hash-chain.ts');
    let head: { readonly sequence: number; readonly hash: string } = EMPTY_HEAD;
    for (const { sequence, hash: _, previousHash: _p, serverTime, clock, ...event } of await eventsInDatabase(
      job,
    )) {
      const deviceTime = sequence === 4 ? '2026-11-02T08:02:00.000Z' : event.deviceTime;
      const { event: made } = placedEvent({ ...event, deviceTime } as never, head, {
        clock,
        serverTime,
      } as never);
      await root.query(
        'UPDATE events SET device_time = ?, previous_hash = ?, hash = ? WHERE job_id = ? AND sequence = ?',
        [deviceTime.replace('T', ' ').replace('Z', ''), made.previousHash, made.hash, job, sequence],
      );
      head = made;
    }
    await root.query('UPDATE jobs SET head_hash = ? WHERE id = ?', [head.hash, job]);
    expect(await newFindings()).toMatchObject([{ code: 'unlike-witness', job, sequence: 5 }]);
    expect(await exportRecord(job)).toMatchObject({ ok: false, refusal: { code: 'ledger-broken' } });
  });

  test('changes a role, or puts in another PIN: the person is named', async () => {
    const tam = await person('Tam');
    await seal();
    await root.query("UPDATE people SET role = 'lead' WHERE id = ?", [tam.id]);
    expect(await newFindings()).toEqual([
      { code: 'state-differs', what: 'person', name: 'Tam', field: 'role' },
    ]);
    await root.query("UPDATE people SET role = 'technician', pin_hash = 'x' WHERE id = ?", [tam.id]);
    expect(await newFindings()).toEqual([
      { code: 'state-differs', what: 'person', name: 'Tam', field: 'pin' },
    ]);
  });

  test('puts somebody in past the site: named, also after a start that writes down what it finds', async () => {
    await root.query(
      "INSERT INTO people (id, name, role, pin_hash, created_at) VALUES (UUID(), 'Nobody', 'lead', 'x', UTC_TIMESTAMP(6))",
    );
    const { restateUnlogged } = await import('#server/sealing/stated.ts');
    await restateUnlogged(database());
    expect(await newFindings()).toEqual([
      { code: 'state-differs', what: 'person', name: 'Nobody', field: 'unlogged' },
    ]);
    await root.query("DELETE FROM people WHERE name = 'Nobody'");
  });

  test('cuts a calibration, or changes its readings: the calibration is named', async () => {
    const crib = await tool();
    const lea = await person('Lea');
    const [cut, changed] = [session(crib, [1, 1, 1]), session(crib, [1, 2, 1])];
    valueOrThrow(await keepSession(cut, lea));
    valueOrThrow(await keepSession(changed, lea));
    await seal();
    await root.query('DELETE FROM calibration_sessions WHERE id = ?', [cut.id]);
    await root.query(
      "UPDATE calibration_sessions SET body = REPLACE(body, 'in-house', 'outside-lab') WHERE id = ?",
      [changed.id],
    );
    const found = await newFindings();
    expect(found.map(({ code }) => code)).toEqual(['row-altered', 'row-missing']);
    for (const finding of found)
      expect(ledgerFindingWords(finding)).toContain(`calibration of ${(await tool()).code} on ${cut.doneOn}`);
  });

  test('changes a tool, a source, an adapter or the schools behind the log: each is named', async () => {
    const lea = await person('Lea');
    const source = valueOrThrow(
      await addSource(
        { title: 'Plate', kind: 'label', number: '', revision: '', datedOn: '', place: '' },
        lea,
      ),
    );
    valueOrThrow(
      await addAdapter(
        {
          code: 'CF-1',
          kind: 'offset-head',
          driveIn: 'square-1/4',
          driveOut: '10 mm',
          offsetMillimetres: 30,
        } as never,
        lea,
      ),
    );
    const site = await siteChoices();
    valueOrThrow(await changeSite({ ...site, name: 'Own site, bench 2' }, 'moved', lea));
    await seal();
    expect(await newFindings()).toEqual([]);
    await root.query("UPDATE sources SET title = 'Plait' WHERE id = ?", [source.id]);
    await root.query("DELETE FROM adapters WHERE code = 'CF-1'");
    await root.query(
      "UPDATE site SET schools = REPLACE(schools, '\"nominal\"', '\"other\"'), unit = 'lbf.in'",
    );
    await root.query('UPDATE tools SET is_retired = 1 WHERE id = ?', [(await tool()).id]);
    const found = await newFindings();
    expect(
      found.map((finding) => (finding.code === 'state-differs' ? finding.what : finding.code)).sort(),
    ).toEqual(['adapter', 'site', 'source', 'tool']);
    await root.query('UPDATE tools SET is_retired = 0 WHERE id = ?', [(await tool()).id]);
    await root.query("UPDATE site SET unit = 'N.m'");
  });

  test('takes an entry out of the log, and its link with it: the place in the chain is named', async () => {
    await seal();
    const [rows] = await root.query(
      "SELECT sequence FROM site_chain WHERE kind = 'site_log' ORDER BY sequence LIMIT 1",
    );
    const { sequence } = (rows as { sequence: number }[])[0] as { sequence: number };
    await root.query('DELETE FROM site_log WHERE id = (SELECT ref FROM site_chain WHERE sequence = ?)', [
      sequence,
    ]);
    expect(await newFindings()).toMatchObject([{ code: 'row-missing' }]);
    await root.query('CREATE TEMPORARY TABLE cut AS SELECT * FROM site_chain WHERE sequence = ?', [sequence]);
    await root.query('DELETE FROM site_chain WHERE sequence = ?', [sequence]);
    expect((await checked()).findings).toContainEqual({ code: 'log-altered', sequence });
    await root.query('INSERT INTO site_chain SELECT * FROM cut');
  });
});

describe('the witness file', () => {
  test('a line that was being written when the machine stopped is no line, and the next one follows the last whole one', async () => {
    await witnessedJob();
    known = (await checked()).findings.map((finding) => JSON.stringify(finding));
    appendFileSync(witnessFile(), '{"witness":1,"line":');
    expect(await newFindings()).toEqual([]);
    await witnessedJob();
    expect(await newFindings()).toEqual([]);
    for (const line of readFileSync(witnessFile(), 'utf8').trim().split('\n'))
      expect(JSON.parse(line)).toBeTruthy();
  });

  test('a line that was changed, a file that was cut, and one that was taken away are named', async () => {
    await witnessedJob();
    known = (await checked()).findings.map((finding) => JSON.stringify(finding));
    const whole = readFileSync(witnessFile(), 'utf8');
    const lines = whole.trim().split('\n');
    const line = lines.length;
    writeFileSync(
      witnessFile(),
      `${whole.slice(0, whole.lastIndexOf('"jobs":'))}"jobs":7${whole.slice(whole.lastIndexOf('"jobs":') + 8)}`,
    );
    expect((await checked()).findings).toContainEqual({
      code: 'witness-altered',
      line,
      problem: 'signature',
    });
    writeFileSync(witnessFile(), `${lines.slice(0, -1).join('\n')}\n`);
    expect((await checked()).findings).toContainEqual({
      code: 'witness-missing',
      lines: line - 1,
      known: line,
    });
    renameSync(witnessFile(), `${witnessFile()}.away`);
    expect((await checked()).findings).toContainEqual({ code: 'witness-missing', lines: 0, known: line });
    rmSync(witnessFile(), { force: true });
    renameSync(`${witnessFile()}.away`, witnessFile());
    writeFileSync(witnessFile(), whole);
  });

  test('nobody but the site’s own account reads the keys', () => {
    expect(statSync(`${folder}/sealing-keys.json`).mode & 0o777).toBe(0o600);
  });
});

describe('a key that is rotated', () => {
  test('both are valid, each for its time; the private half of the old one is forgotten', async () => {
    const job = await witnessedJob();
    const before = valueOrThrow(await exportRecord(job)).text;
    const old = readFileSync(`${folder}/sealing-keys.json`, 'utf8');
    const at = new Date(Date.now() + 5).toISOString();
    await new Promise((resolve) => setTimeout(resolve, 10));
    rotateKeyFile(`${folder}/sealing-keys.json`, at);
    const after = valueOrThrow(await exportRecord(job)).text;
    const keys = siteKeys();
    expect(keys).toHaveLength(2);
    expect(verifyRecord(before, { expectedKey: null, keys })).toMatchObject({
      ok: true,
      value: { isKeyKnown: true },
    });
    expect(verifyRecord(after, { expectedKey: null, keys })).toMatchObject({ ok: true });
    expect(readFileSync(`${folder}/sealing-keys.json`, 'utf8')).not.toContain(JSON.parse(old).privateKey);
    // A seal made today with the key of yesterday is nobody's.
    const late = keys.map((key) => (key.until ? { ...key, until: '2020-01-01T00:00:00.000Z' } : key));
    expect(verifyRecord(before, { expectedKey: null, keys: late })).toMatchObject({
      ok: false,
      refusal: { code: 'key-not-of-its-time' },
    });
    known = (await checked()).findings.map((finding) => JSON.stringify(finding));
    await witnessedJob();
    expect(await newFindings()).toEqual([]);
  });

  test('where the file is lost the public keys come back from the log, and what was sealed before stays valid', async () => {
    const said = vi.spyOn(console, 'error').mockImplementation(() => {});
    const job = await witnessedJob();
    const before = valueOrThrow(await exportRecord(job)).text;
    const had = siteKeys().map(({ publicKey }) => publicKey);
    renameSync(`${folder}/sealing-keys.json`, `${folder}/lost.json`);
    await moveKeyOut();
    const keys = siteKeys();
    expect(keys.slice(0, -1).map(({ publicKey }) => publicKey)).toEqual(had);
    expect(verifyRecord(before, { expectedKey: null, keys })).toMatchObject({ ok: true });
    expect(said.mock.calls.flat().join()).toContain('seals with a new key');
    said.mockRestore();
    known = (await checked()).findings.map((finding) => JSON.stringify(finding));
    expect(known.filter((finding) => finding.includes('witness-altered'))).toEqual([]);
    rmSync(`${folder}/sealing-keys.json`);
    renameSync(`${folder}/lost.json`, `${folder}/sealing-keys.json`);
  });
});
